<?php

declare(strict_types=1);

return [
    'driver' => 'argon2id',
    // As is recommended for it: 19 MB, two rounds. Tests take less.
    'argon' => ['memory' => (int) env('ARGON_KB', 19456), 'threads' => 1, 'time' => (int) env('ARGON_ROUNDS', 2), 'verify' => true],
    'rehash_on_login' => false,
];
