<!DOCTYPE html>
<html lang="en-GB" data-theme="gelcoat">
    <head>
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <meta name="color-scheme" content="light dark">
        <title inertia>Apalos</title>
        <link rel="icon" href="/mark.svg" type="image/svg+xml">
        <script>
            // Before the first paint, so that a lamplit bench never flashes white.
            (function () {
                var kept = null;
                try { kept = localStorage.getItem('apalos.light'); } catch (e) { /* private mode: follow the system */ }
                var dark = kept ? kept === 'lamplit' : matchMedia('(prefers-color-scheme: dark)').matches;
                document.documentElement.dataset.theme = dark ? 'lamplit' : 'gelcoat';
            })();
        </script>
        @vite(['resources/css/app.css', 'resources/js/app.ts'])
        @inertiaHead
    </head>
    <body>
        @inertia
    </body>
</html>
