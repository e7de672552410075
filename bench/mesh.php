<?php

declare(strict_types=1);

// How long a mesh takes, beside Debian's admesh on the same file in the same run: php bench/mesh.php [--times N]. Installs admesh where it
// is missing. Ends with 1 where something is over its limit. Every figure is the least of several runs of the whole command.

use Symfony\Component\Process\Process;

require __DIR__.'/../vendor/autoload.php';

const ROOT = __DIR__.'/..';
const MOST_MB = 700.0;
const TIMES_ADMESH = 4.0;

$times = in_array('--times', $argv, true) ? (int) $argv[array_search('--times', $argv, true) + 1] : 3;
if (! is_executable('/usr/bin/admesh')) {
    (new Process(['apt-get', 'update', '-qq'], timeout: 600))->run();
    (new Process(['apt-get', 'install', '-y', '-qq', 'admesh'], timeout: 600))->run();
}
$folder = sys_get_temp_dir().'/apalos-mesh-'.getmypid();
mkdir($folder);

/** A ball with bumps: undercuts all round, of about so many triangles. */
$model = static function (int $wanted) use ($folder): array {
    $rows = (int) round(sqrt($wanted / 2));
    $columns = intdiv($wanted, 2 * $rows);
    $place = static function (int $i, int $j) use ($rows, $columns): array {
        [$theta, $phi] = [M_PI * $i / $rows, $i === 0 || $i === $rows ? 0.0 : 2 * M_PI * ($j % $columns) / $columns];
        $r = 40.0 * (1.0 + 0.2 * sin(5 * $theta) * sin(3 * $phi) * sin($theta));

        return [$r * sin($theta) * cos($phi), $r * sin($theta) * sin($phi), 1.5 * $r * cos($theta)];
    };
    $path = "{$folder}/{$wanted}.stl";
    $file = fopen($path, 'wb');
    fwrite($file, str_repeat(' ', 80).pack('V', 0));
    $count = 0;
    $facets = '';
    for ($i = 0; $i < $rows; $i++) {
        for ($j = 0; $j < $columns; $j++) {
            [$a, $b, $c, $d] = [$place($i, $j), $place($i + 1, $j), $place($i + 1, $j + 1), $place($i, $j + 1)];
            foreach ([...($i > 0 ? [[$a, $c, $d]] : []), ...($i < $rows - 1 ? [[$a, $b, $c]] : [])] as $three) {
                $facets .= pack('g12v', 0, 0, 0, ...[...$three[0], ...$three[1], ...$three[2], 0]);
                $count++;
            }
        }
        fwrite($file, $facets);
        $facets = '';
    }
    fseek($file, 80);
    fwrite($file, pack('V', $count));
    fclose($file);

    return [$path, $count];
};

/** @return array{float, float, string} the least seconds, the most MB, what it said */
$took = static function (array $command, int $times): array {
    $least = INF;
    $most = 0.0;
    $said = '';
    for ($i = 0; $i < $times; $i++) {
        $process = new Process([PHP_BINARY, __DIR__.'/usage.php', ...$command], ROOT, timeout: 900);
        $process->mustRun();
        [$seconds, $mb] = array_map(floatval(...), explode(' ', trim($process->getErrorOutput())));
        [$least, $most, $said] = [min($least, $seconds), max($most, $mb), $process->getOutput()];
    }

    return [$least, $most, $said];
};

$isOver = false;
printf(
    "least of %d runs; of whole commands, PHP's own start and compiling with them, where nothing else is said\n\n%-44s %10s %8s %8s %7s\n",
    $times, '', 'triangles', 's', 'limit', 'MB',
);
$row = static function (string $what, int $triangles, float $s, ?float $limit, float $mb) use (&$isOver): void {
    $over = ($limit !== null && $s > $limit) || $mb > MOST_MB;
    $isOver = $isOver || $over;
    printf(
        "%-44s %10s %8.2f %8s %7.0f %s\n", $what, number_format($triangles), $s, $limit === null ? '' : sprintf('%.2f', $limit), $mb,
        $over ? 'OVER' : '',
    );
};
$alone = [];
foreach ([10_000, 100_000, 1_000_000] as $wanted) {
    [$path, $count] = $model($wanted);
    [$theirs, $theirMb, $told] = $took(['/usr/bin/admesh', $path], $times);
    $row('admesh: read, weld, check, volume', $count, $theirs, null, $theirMb);
    $inside = INF;
    for ($i = 0; $i < $times; $i++) {
        [$whole, $mb, $said] = $took([PHP_BINARY, __DIR__.'/survey.php', $path], 1);
        $inside = min($inside, preg_match('/in ([\d.]+) s/', $said, $in) === 1 ? (float) $in[1] : $whole);
    }
    // PHP's own start and the compiling are paid once, not by the triangle: they stand in the lines below.
    $row('the same here, without the start of PHP', $count, $inside, $wanted >= 100_000 ? TIMES_ADMESH * $theirs : null, $mb);
    $alone[$wanted] = $inside;
    [$s, $mb, $answer] = $took(['bin/apalos', 'study', $path, '--pull', '0,0,1', '--pour', '0,0,1'], $times);
    $row('a study, one pull and one pour', $count, $s, [100_000 => 1.5, 1_000_000 => 12.0][$wanted] ?? null, $mb);
    preg_match('/Volume\s*:\s*([\d.]+)/', $told, $volume);
    $ml = (float) (json_decode($answer, true)['volume_ml'] ?? 0.0);
    printf("%-44s %10s %8.4f ml, admesh (single precision) %.4f ml\n", '  its volume', '', $ml, (float) ($volume[1] ?? 0.0) / 1000.0);
    if ($wanted === 100_000) {
        [$s, $mb] = $took(['bin/apalos', 'study', $path], $times);
        $row('a study that finds pull and pour itself', $count, $s, 8.0, $mb);
    }
    unlink($path);
}
printf(
    "\nten times the triangles take %.1f and %.1f times as long to read, weld and measure\n", $alone[100_000] / $alone[10_000],
    $alone[1_000_000] / $alone[100_000],
);
rmdir($folder);
exit($isOver ? 1 : 0);
