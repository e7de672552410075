<?php

declare(strict_types=1);

return [
    // Differs as soon as the core does, of which prepared objects of the library are made: reckoned once where configuration is cached.
    'code' => hash(
        'xxh128',
        implode(
            '|', array_map(static fn (string $file): string => $file.filemtime($file), glob(dirname(__DIR__).'/core/src/*/*.php') ?: []),
        ),
    ),
    // The same of the library, which a server that keeps its configuration does not look through at every page.
    'library' => hash(
        'xxh128',
        implode(
            '|',
            array_map(
                static fn (string $file): string => $file.filemtime($file).filesize($file),
                glob(dirname(__DIR__).'/library/{,*/,*/*/}*.yaml', GLOB_BRACE) ?: [],
            ),
        ),
    ),
    // Names and addresses, with commas between, under which the bench may be opened beside APP_URL and this machine itself.
    'hosts' => env('APP_HOSTS', ''),
    // Where the certificate of the shop's own authority lies, which tablets are given to trust; empty where there is none.
    'authority' => env('APALOS_AUTHORITY', ''),
    // Addresses of proxies before the bench whose word for address and scheme is believed, with commas between.
    'proxies' => env('APP_PROXIES', ''),
    // Where backups are kept; beside the storage folder where nothing is said.
    'backups' => env('APALOS_BACKUPS', ''),
    // Whether a clock of daily work looks after the bench, as bin/serve starts one.
    'watched' => (bool) env('APALOS_WATCHED', false),
    // How often one address may ask the programming interface in a minute.
    'api_a_minute' => (int) env('API_A_MINUTE', 300),
];
