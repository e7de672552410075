<?php

declare(strict_types=1);

// Renders the file of a job again and again, each in a process of its own, and says how long each took and how much memory at most:
// php bench/papers.php [how many, 20] [--limit MB, 64]. Ends with 1 where one took more.

use Apalos\Core\Phrase\Measures;
use App\Models\Job;
use App\Paper\JobPaper;
use App\Paper\PaperPress;
use App\Paper\PaperSize;
use Carbon\CarbonImmutable;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;

require __DIR__.'/../vendor/autoload.php';
$options = getopt('', ['limit:', 'one:'], $rest);
$limit = (float) ($options['limit'] ?? 64);
$many = (int) ($argv[$rest] ?? 20);
$database = sys_get_temp_dir().'/apalos-papers.sqlite';
foreach ([
    'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $database, 'APP_ENV' => 'production', 'CACHE_STORE' => 'array',
    'QUEUE_CONNECTION' => 'sync',
] as $name => $value) {
    putenv("{$name}={$value}");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
if (isset($options['one'])) {
    $began = hrtime(true);
    $jobs = Job::query()->orderBy('id')->pluck('id')->all();
    $pdf = app(PaperPress::class)->pdf(
        app(JobPaper::class)->of(Job::query()->findOrFail($jobs[(int) $options['one'] % count($jobs)]), CarbonImmutable::now()),
        (int) $options['one'] % 2 === 0 ? PaperSize::A4 : PaperSize::Letter,
        (int) $options['one'] % 3 === 0 ? Measures::Imperial : Measures::Metric, 'http://127.0.0.1:8000',
    );
    echo json_encode(['ms' => (hrtime(true) - $began) / 1e6, 'mb' => memory_get_peak_usage(true) / 1_048_576.0, 'bytes' => strlen($pdf)]);
    exit(0);
}
@unlink($database);
touch($database);
Artisan::call('migrate', ['--force' => true]);
Artisan::call('db:seed', ['--class' => DatabaseSeeder::class, '--force' => true]);
[$ms, $mb] = [[], []];
for ($i = 0; $i < $many; $i++) {
    $said = json_decode(
        (string) shell_exec(escapeshellarg(PHP_BINARY).' -d opcache.enable_cli=1 '.escapeshellarg(__FILE__)." --one {$i}"), true,
    );
    is_array($said) || exit(fwrite(STDERR, "File {$i} was not rendered.\n") ? 1 : 1);
    [$ms[], $mb[]] = [$said['ms'], $said['mb']];
}
sort($ms);
printf(
    "%d files of jobs: half of them under %.0f ms, the slowest %.0f ms; %.1f MB at most, and %.0f are allowed.\n", $many,
    $ms[intdiv($many, 2)], max($ms), max($mb), $limit,
);
@unlink($database);
exit(max($mb) <= $limit ? 0 : 1);
