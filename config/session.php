<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'file'),
    // A bench stands open all day, and over the week-end. Where a session ended all the same, its page takes a new token by itself.
    'lifetime' => 30 * 24 * 60,
    'expire_on_close' => false,
    'encrypt' => false,
    'files' => storage_path('framework/sessions'),
    'connection' => env('SESSION_DRIVER') === 'redis' ? 'cache' : null,
    'table' => 'sessions',
    'store' => null,
    // Swept by the clock of daily work, not by whoever happens to come.
    'lottery' => [0, 100],
    'cookie' => 'apalos_session',
    'path' => '/',
    'domain' => null,
    'secure' => env('SESSION_SECURE_COOKIE'),
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
];
