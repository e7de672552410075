<?php

declare(strict_types=1);

use Monolog\Handler\NullHandler;

// A log that cannot be written, on a full disk for one, must not stop the page that wanted to write it.
return [
    'default' => env('LOG_CHANNEL', 'stack'),
    'deprecations' => ['channel' => 'null', 'trace' => false],
    'channels' => [
        'stack' => ['driver' => 'stack', 'channels' => ['daily'], 'ignore_exceptions' => true],
        'daily' => ['driver' => 'daily', 'path' => storage_path('logs/apalos.log'), 'level' => env('LOG_LEVEL', 'warning'), 'days' => 14],
        'single' => ['driver' => 'single', 'path' => storage_path('logs/apalos.log'), 'level' => env('LOG_LEVEL', 'warning')],
        'stderr' => ['driver' => 'monolog', 'handler' => Monolog\Handler\StreamHandler::class, 'with' => ['stream' => 'php://stderr']],
        'null' => ['driver' => 'monolog', 'handler' => NullHandler::class],
        'emergency' => ['path' => storage_path('logs/apalos.log')],
    ],
];
