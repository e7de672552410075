<?php

declare(strict_types=1);

// Apalos as PHP's own server serves it, which says with every answer how much memory it took. For bench/pages.php.
header_register_callback(static function (): void {
    header('X-Peak: '.memory_get_peak_usage(true));
});

return require __DIR__.'/../bin/router.php';
