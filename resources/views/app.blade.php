<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <meta name="style-nonce" content="{{ Vite::cspNonce() }}">
    <title>Even Rungs</title>
    <meta name="theme-color" content="#17414a">
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    <link rel="manifest" href="/app.webmanifest">
    <link rel="preload" as="font" type="font/woff2" crossorigin
        href="{{ Vite::asset('node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2') }}">
    @viteReactRefresh
    @vite('web/main.tsx')
</head>
<body @class(['demo' => config('app.demo')])>
    @if (config('app.demo'))
        <p class="demo-band" role="note">Demo: made-up people, for trying out.</p>
    @endif
    <div id="root"></div>
    <noscript>Even Rungs needs JavaScript.</noscript>
</body>
</html>
