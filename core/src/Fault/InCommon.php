<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

use Apalos\Core\Chance\Holm;
use Apalos\Core\Chance\Hypergeometric;

/**
 * What bad pours have in common: for each value of each thing known of a pour (base, lot, room, mould, hour) Fisher's exact test of
 * whether it is among the bad ones more often than chance would have it, corrected for looking at many things.
 */
final readonly class InCommon
{
    /** Under this, corrected, it is no chance. */
    private const SURE = 0.05;

    /** Under this it is worth watching. */
    private const PERHAPS = 0.25;

    /** With fewer nobody can say anything. */
    private const LEAST_BAD = 3;

    /**
     * @param  list<array{what: string, value: string, bad: int, all: int}>  $groups  one for each value looked at
     * @param  int  $bad  bad pours in all
     * @param  int  $all  pours in all
     */
    public function of(array $groups, int $bad, int $all): CommonResult
    {
        if ($bad < self::LEAST_BAD || $bad === $all) {
            return new CommonResult([], count($groups), $bad, $all, false);
        }
        // What every pour shares, or what could not stand out however it had gone, is not looked at: it would only blur the others.
        $looked = array_values(array_filter($groups, static fn (array $group): bool => $group['all'] > 0 && $group['all'] < $all));
        $telling = array_values(
            array_filter($looked, static fn (array $group): bool => Hypergeometric::least($group['all'], $bad, $all) < self::SURE),
        );
        $chances = array_map(
            static fn (array $group): float => Hypergeometric::atLeast($group['bad'], $group['all'], $bad, $all), $telling,
        );
        $found = [];
        foreach (Holm::corrected($chances) as $i => $corrected) {
            if ($corrected >= self::PERHAPS) {
                break;
            }
            $group = $telling[$i];
            $found[] = [
                ...$group, 'elsewhere_bad' => $bad - $group['bad'], 'elsewhere_all' => $all - $group['all'], 'chance' => $chances[$i],
                'corrected' => $corrected, 'sure' => $corrected < self::SURE,
            ];
        }
        // Could anything have come out sure, had every bad pour shared it?
        $could = $telling !== []
            && min(
                array_map(static fn (array $group): float => Hypergeometric::least($group['all'], $bad, $all), $telling),
            ) * count($telling) < self::SURE;

        return new CommonResult($found, count($telling), $bad, $all, $could);
    }
}
