<?php

declare(strict_types=1);

return [
    // `database` where a worker runs beside the bench, as bin/demo and bin/serve start one; `sync` does it at once.
    'default' => env('QUEUE_CONNECTION', 'sync'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => [
            'driver' => 'database', 'connection' => null, 'table' => 'queue_jobs', 'queue' => 'default', 'retry_after' => 900,
            'after_commit' => true,
        ],
        'redis' => [
            'driver' => 'redis', 'connection' => 'default', 'queue' => 'default', 'retry_after' => 900, 'block_for' => null,
            'after_commit' => true,
        ],
    ],
    'batching' => ['database' => env('DB_CONNECTION', 'sqlite'), 'table' => 'queue_batches'],
    'failed' => ['driver' => 'database-uuids', 'database' => env('DB_CONNECTION', 'sqlite'), 'table' => 'queue_failed_jobs'],
];
