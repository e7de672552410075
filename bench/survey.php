<?php

declare(strict_types=1);

// Reads a model, welds it, and says its volume and whether it is tight: what bench/mesh.php sets beside admesh.

use Apalos\Core\Mesh\MeshFormat;
use Apalos\Core\Mesh\MeshReader;
use Apalos\Core\Mesh\Surveyor;

if (ini_get('opcache.jit_buffer_size') === '0' && getenv('APALOS_JIT') === false) {
    pcntl_exec(
        PHP_BINARY,
        [
            '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=tracing', '-d', 'opcache.jit_buffer_size=64M', '-d', 'memory_limit=700M',
            ...$argv,
        ],
        ['APALOS_JIT' => 'on'] + getenv(),
    );
}
require __DIR__.'/../vendor/autoload.php';

$from = hrtime(true);
$survey = (new Surveyor)->survey((new MeshReader)->read(new SplFileObject($argv[1], 'rb'), MeshFormat::ofName($argv[1]))->mesh);
printf(
    "%.6f ml %.6f mm2 %s in %.4f s\n", $survey->volume, $survey->area, $survey->watertight() ? 'tight' : 'open',
    (hrtime(true) - $from) / 1e9,
);
