<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/**
 * Every state of a surface that any of some rules can tell apart. Rules ask only whether it is sealed, damp, touched with latex, and
 * whether hours or minutes lie below a bound: so one state from each side of every bound, and the unknown, is all there is.
 */
final readonly class States
{
    /**
     * @param  list<Rule>  $rules
     * @param  string  $sealer  any sealer: rules do not ask which
     * @return list<SurfaceState>
     */
    public static function toldApartBy(array $rules, string $sealer): array
    {
        $states = [];
        foreach (self::sides($rules, 'hours_below') as $hours) {
            foreach (self::sides($rules, 'solvent_below') as $solvent) {
                foreach (self::asked($rules, 'sealed') as $sealed) {
                    foreach (self::asked($rules, 'damp') as $damp) {
                        foreach (self::asked($rules, 'latex_touched') as $latex) {
                            $states[] = new SurfaceState($hours, $damp, null, $sealed ? $sealer : null, $solvent, $latex);
                        }
                    }
                }
            }
        }

        return $states;
    }

    /**
     * @param  list<Rule>  $rules
     * @return list<float|null> unknown, below the lowest bound, between each two, above the highest
     */
    private static function sides(array $rules, string $condition): array
    {
        $bounds = [];
        foreach ($rules as $rule) {
            if (isset($rule->when[$condition])) {
                $bounds[] = (float) $rule->when[$condition];
            }
        }
        $bounds = array_values(array_unique($bounds));
        sort($bounds);

        // A bound itself lies above: “below 24 hours” is over at 24.
        return $bounds === [] ? [null] : [null, ...($bounds[0] > 0.0 ? [$bounds[0] / 2.0] : []), ...$bounds];
    }

    /**
     * @param  list<Rule>  $rules
     * @return list<bool>
     */
    private static function asked(array $rules, string $condition): array
    {
        foreach ($rules as $rule) {
            if (array_key_exists($condition, $rule->when)) {
                return [false, true];
            }
        }

        return [false];
    }
}
