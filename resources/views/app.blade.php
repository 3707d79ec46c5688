<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <meta name="style-nonce" content="{{ Vite::cspNonce() }}">
    <title>Even Rungs</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @viteReactRefresh
    @vite('web/main.tsx')
</head>
<body>
    @if (config('app.demo'))
        <p class="demo-band" role="note">Demo: the people here are made up, and what is entered is for trying out. A studio of your own has its own address and its own data.</p>
    @endif
    <div id="root"></div>
    <noscript>Even Rungs needs JavaScript.</noscript>
</body>
</html>
