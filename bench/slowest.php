<?php

declare(strict_types=1);

// Looks for the slowest question of every verb, within the bounds that are written down: begins with the slowest known, changes one here
// and there, and goes on from what was slower. php bench/slowest.php [--seconds 120] [--seed N] [--verb schedule]. Ends with 1 where one
// takes longer than two seconds of processor time.

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Console\Mutated;
use Apalos\Core\Tests\Console\WorstQuestions;
use Apalos\Core\Tests\Contact\Shipped;

require __DIR__.'/../vendor/autoload.php';

const LIMIT_S = 2.0;
const KEPT = 6;
$option = static function (string $name, string $usual) use ($argv): string {
    $at = array_search("--{$name}", $argv, true);

    return $at === false ? $usual : (string) ($argv[$at + 1] ?? $usual);
};
[$seconds, $seed, $only] = [
    (float) $option('seconds', '120'), (int) $option('seed', (string) random_int(1, 1_000_000)), $option('verb', ''),
];
$shelves = Shipped::shelves();
$processor = static function (): float {
    $used = (array) getrusage();

    return $used['ru_utime.tv_sec'] + $used['ru_stime.tv_sec'] + ($used['ru_utime.tv_usec'] + $used['ru_stime.tv_usec']) / 1e6;
};
$slowest = [];
foreach (WorstQuestions::all() as $name => [$verb, $question]) {
    $only === '' || $only === $verb->value ? $slowest[$verb->value][] = [0.0, $verb, $question, $name] : null;
}
$mutated = new Mutated($seed);
mt_srand($seed);
echo "seed {$seed}\n";
for ([$until, $asked] = [microtime(true) + $seconds, 0]; microtime(true) < $until; $asked++) {
    $of = array_keys($slowest)[$asked % count($slowest)];
    [, $verb, $question, $name] = $slowest[$of][mt_rand(0, count($slowest[$of]) - 1)];
    $question = $asked < count($slowest) * KEPT ? $question : $mutated->of($question);
    $before = $processor();
    try {
        $verb->answer(Fields::fromJson((string) json_encode($question)), $shelves);
    } catch (BadInput) {
        continue;
    }
    $slowest[$of][] = [$processor() - $before, $verb, $question, $name];
    usort($slowest[$of], static fn (array $one, array $other): int => $other[0] <=> $one[0]);
    $slowest[$of] = array_slice($slowest[$of], 0, KEPT);
}
$over = false;
foreach ($slowest as $of => $questions) {
    [$took, , $question, $name] = $questions[0];
    printf("%-9s %6.2f s  %s\n", $of, $took, $name);
    if ($took > LIMIT_S) {
        $over = true;
        echo '          ', mb_strimwidth((string) json_encode($question), 0, 2000, '…'), "\n";
    }
}
printf("%d questions\n", $asked);
exit($over ? 1 : 0);
