// Before the first paint, so that a lamplit bench never flashes white.
(function () {
    var kept = null;
    try {
        kept = localStorage.getItem('apalos.light');
    } catch (e) {
        /* private mode: follow the system */
    }
    var dark = kept ? kept === 'lamplit' : matchMedia('(prefers-color-scheme: dark)').matches;
    document.documentElement.dataset.theme = dark ? 'lamplit' : 'gelcoat';
})();
