<?php

declare(strict_types=1);

namespace App\PourSheets;

use Apalos\Core\Input\Fields;
use App\Models\Pour;

/** How long before its window something is weighed up, so that it is mixed and ready as the window opens. */
final class MixAhead
{
    /** From the first gram to the last: what a bench takes. */
    private const WEIGHING_MIN = 4.0;

    /** Where there is no sheet yet. */
    private const STIRRING_MIN = 3.0;

    /** min */
    public static function minutes(?Pour $pour): float
    {
        $plan = Fields::of($pour->sheet ?? [])->objectOrNull('plan');
        if ($plan === null) {
            return self::WEIGHING_MIN + self::STIRRING_MIN;
        }
        $degas = $plan->objectOrNull('vessel')?->has('degas') === true && $plan->object('vessel')->bool('degas')
            ? self::spoken($plan, 'degas_min')
            : 0.0;

        return self::WEIGHING_MIN + self::spoken($plan, 'mix_min') + $degas;
    }

    /** A sheet may hold whatever was typed; what is no number of minutes is none. */
    private static function spoken(Fields $plan, string $key): float
    {
        $typed = $plan->toArray()[$key] ?? null;

        return is_numeric($typed) ? max(0.0, min(120.0, (float) $typed)) : 0.0;
    }
}
