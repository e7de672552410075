<?php

declare(strict_types=1);

// Says with every answer how much memory it took; for bench/pages.php.
header_register_callback(static function (): void {
    header('X-Peak: '.memory_get_peak_usage(true));
});
