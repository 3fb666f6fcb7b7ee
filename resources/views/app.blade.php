<!doctype html>
<html lang="en-GB">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="quarry-settings" content="{{ json_encode((object) $settings) }}">
    <title>Wide Quarry</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @foreach (['atkinson-hyperlegible-next', 'source-serif-4'] as $font)
    <link rel="preload" as="font" type="font/woff2" crossorigin
        href="{{ Vite::asset("node_modules/@fontsource-variable/$font/files/$font-latin-wght-normal.woff2") }}">
    @endforeach
    @vite(['resources/css/app.css', 'resources/js/early.ts', 'resources/js/app.tsx'])
</head>
<body>
    <div id="app"></div>
    <noscript>Wide Quarry needs JavaScript in this browser.</noscript>
</body>
</html>
