@php
    $hash = static fn (string $text): string => "'sha256-".base64_encode(hash('sha256', $text, true))."'";
@endphp
<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; script-src {{ $hash($script) }}; style-src 'unsafe-inline'; img-src data:; font-src data:; connect-src 'self'; base-uri 'none'; form-action 'none'">
<title>{{ $title }}</title>
<style>{!! $style !!}</style>
</head>
<body>
<div id="root"></div>
<noscript>This page needs a browser that runs it. Save the file and open it with your browser.</noscript>
<script type="application/json" id="document">{!! $document !!}</script>
<script type="application/json" id="seal">{!! $seal !!}</script>
<script>{!! $script !!}</script>
</body>
</html>
