<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/**
 * Every state of a surface that any of some rules can tell apart. Rules ask only whether it is sealed, damp, touched with latex, proved
 * dry, post-cured, and whether hours or minutes lie below a bound: so one state from each side of every bound, and the unknown, is all
 * there is.
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
        foreach (self::sides($rules, 'hours_below', 'hours_from') as $hours) {
            foreach (self::sides($rules, 'solvent_below') as $solvent) {
                foreach (self::flags($rules) as [
                    'sealed' => $sealed, 'damp' => $damp, 'latex_touched' => $latex, 'proved_dry' => $dry, 'post_cured' => $cured,
                ]) {
                    $states[] = new SurfaceState($hours, $damp, null, $sealed ? $sealer : null, $solvent, $latex, $dry, $cured);
                }
            }
        }

        return $states;
    }

    /**
     * @param  list<Rule>  $rules
     * @return list<float|null> unknown, below the lowest bound, between each two, above the highest
     */
    private static function sides(array $rules, string ...$conditions): array
    {
        $bounds = [];
        foreach ($rules as $rule) {
            foreach (array_intersect_key($rule->when, array_flip($conditions)) as $bound) {
                $bounds[] = (float) $bound;
            }
        }
        $bounds = array_values(array_unique($bounds));
        sort($bounds);

        // A bound itself lies above: “below 24 hours” is over at 24.
        return $bounds === [] ? [null] : [null, ...($bounds[0] > 0.0 ? [$bounds[0] / 2.0] : []), ...$bounds];
    }

    /**
     * Every combination of what is so or not, of what the rules ask.
     *
     * @param  list<Rule>  $rules
     * @return list<array{sealed: bool, damp: bool, latex_touched: bool, proved_dry: bool, post_cured: bool}>
     */
    private static function flags(array $rules): array
    {
        $all = [['sealed' => false, 'damp' => false, 'latex_touched' => false, 'proved_dry' => false, 'post_cured' => false]];
        foreach (['sealed', 'damp', 'latex_touched', 'proved_dry', 'post_cured'] as $flag) {
            $with = [];
            foreach (self::asked($rules, $flag) as $is) {
                foreach ($all as $one) {
                    $with[] = [...$one, $flag => $is];
                }
            }
            $all = $with;
        }

        return $all;
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
