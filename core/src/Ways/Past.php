<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Chance\Beta;
use Apalos\Core\Input\Fields;

/** What a shop has cast: by kind of mould, its rubber and what was cast in it, how many came out good. */
final readonly class Past
{
    private const MOST = 2000;

    /** @param  array<string, array{good: float, all: float}>  $sums  by kind, rubber and cast, and by each two of them */
    private function __construct(private array $sums) {}

    public static function from(Fields $in): self
    {
        $sums = [];
        foreach ($in->objects('past', self::MOST) as $one) {
            $all = $one->only('kind', 'base', 'cast', 'good', 'all')->number('all');
            $good = $one->number('good', 0.0, $all);
            foreach (self::keys($one->text('kind'), $one->text('base'), $one->text('cast')) as $key) {
                $sums[$key] = ['good' => ($sums[$key]['good'] ?? 0.0) + $good, 'all' => ($sums[$key]['all'] ?? 0.0) + $all];
            }
        }

        return new self($sums);
    }

    /** @return array{string, string, string, string} of all three, and of each two */
    private static function keys(string $kind, string $base, string $cast): array
    {
        return ["{$kind}|{$base}|{$cast}", "{$kind}|{$base}|", "{$kind}||{$cast}", "|{$base}|{$cast}"];
    }

    /**
     * How often it comes out: from what is usual of the kind, as so many cases; the shop's own of the same kind, rubber and cast count
     * whole, those that share two of the three so much.
     *
     * @param  list<string>  $bases  what the rubber may be called: its code, its family
     * @param  list<string>  $casts  likewise what is cast
     * @return array{share: Beta, same: float, alike: float} with how many casts it rests on
     */
    public function of(string $kind, array $bases, array $casts, float $usual, float $usualCounts, float $alikeCounts): array
    {
        [$same, $alike] = [['good' => 0.0, 'all' => 0.0], ['good' => 0.0, 'all' => 0.0]];
        $keys = [[], []];
        foreach ($bases as $base) {
            foreach ($casts as $cast) {
                [$all, $noCast, $noBase, $noKind] = self::keys($kind, $base, $cast);
                $keys = [[...$keys[0], $all], [...$keys[1], $noCast, $noBase, $noKind]];
            }
        }
        foreach ([array_unique($keys[0]), array_unique($keys[1])] as $i => $of) {
            foreach ($of as $key) {
                $sum = $this->sums[$key] ?? ['good' => 0.0, 'all' => 0.0];
                $i === 0
                    ? $same = ['good' => $same['good'] + $sum['good'], 'all' => $same['all'] + $sum['all']]
                    : $alike = ['good' => $alike['good'] + $sum['good'], 'all' => $alike['all'] + $sum['all']];
            }
        }
        // What shares all three shares each two of them as well.
        $alike = ['good' => $alike['good'] - 3.0 * $same['good'], 'all' => $alike['all'] - 3.0 * $same['all']];
        $good = $usual * $usualCounts + $same['good'] + $alikeCounts * $alike['good'];
        $all = $usualCounts + $same['all'] + $alikeCounts * $alike['all'];

        return ['share' => new Beta($good, max(1e-6, $all - $good)), 'same' => $same['all'], 'alike' => $alike['all']];
    }
}
