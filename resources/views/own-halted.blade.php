<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>{{ $studio->name }}</title>
<style>body { font: 1.25rem/1.4 system-ui, sans-serif; max-width: 36rem; margin: 0 auto; padding: 1rem; color: #1c2a2d; background: #f5f1e7 } h1 { color: #8a2c0d; line-height: 1.1 }</style>
</head>
<body>
<h1>Stop here. Do nothing more from this page.</h1>
<p>{{ $studio->name }} has put a stop to it. A page that you saved is stopped too.</p>
<p><b>{{ $studio->contact === '' ? 'Call the person who trains you, at the number that you have.' : 'Call: '.$studio->contact }}</b></p>
</body>
</html>
