<!DOCTYPE html>
<html lang="en-GB" data-theme="gelcoat">
    <head>
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <meta name="color-scheme" content="light dark">
        <title inertia>Apalos</title>
        <link rel="icon" href="/mark.svg" type="image/svg+xml">
        <link rel="manifest" href="/apalos.webmanifest">
        <link rel="apple-touch-icon" href="/mark-192.png">
        <meta name="theme-color" content="#2a211b">
        <script src="/light.js?{{ filemtime(public_path('light.js')) }}"></script>
        @vite(['resources/css/app.css', 'resources/js/app.ts'])
        @inertiaHead
    </head>
    <body>
        @inertia
    </body>
</html>
