<?php

declare(strict_types=1);

return [
    'default' => env('DB_CONNECTION', 'sqlite'),
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', storage_path('apalos.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => 5000,
            // A confirmed weighing must survive a killed process and a lost mains plug. (That it is written ahead, so that readers and
            // writers do not wait for each other, is a property of the file: the migration sets it.)
            'synchronous' => 'full',
        ],
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'apalos'),
            'username' => env('DB_USERNAME', 'apalos'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'prefix' => '',
            'search_path' => 'public',
            // A server keeps its connections from one page to the next: to open one takes as long as to answer.
            'options' => [PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', false)],
        ],
    ],
    // Where several servers share sessions, cache, queue and locks.
    'redis' => [
        // PHP's own extension where it is there, else the same in PHP.
        'client' => env('REDIS_CLIENT', extension_loaded('redis') ? 'phpredis' : 'predis'),
        'options' => ['prefix' => env('REDIS_PREFIX', 'apalos:')],
        'default' => [
            'host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'username' => env('REDIS_USERNAME'),
            'password' => env('REDIS_PASSWORD'), 'database' => env('REDIS_DB', '0'), 'persistent' => (bool) env('DB_PERSISTENT', false),
        ],
        'cache' => [
            'host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'username' => env('REDIS_USERNAME'),
            'password' => env('REDIS_PASSWORD'), 'database' => env('REDIS_CACHE_DB', '1'),
            'persistent' => (bool) env('DB_PERSISTENT', false),
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
