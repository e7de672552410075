<?php

declare(strict_types=1);

$local = ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false, 'throw' => false, 'report' => false];

return [
    // Pictures and models: beside the bench, or in a store that speaks S3, where several servers share them.
    'default' => env('FILESYSTEM_DISK', 'local'),
    'disks' => [
        'local' => $local,
        's3' => [
            'driver' => 's3',
            'key' => env('AWS_ACCESS_KEY_ID'),
            'secret' => env('AWS_SECRET_ACCESS_KEY'),
            'region' => env('AWS_DEFAULT_REGION', 'local'),
            'bucket' => env('AWS_BUCKET', 'apalos'),
            'endpoint' => env('AWS_ENDPOINT'),
            'use_path_style_endpoint' => env('AWS_USE_PATH_STYLE_ENDPOINT', true),
            'throw' => true,
            'report' => false,
        ],
    ],
];
