<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Facts\Standing;
use Apalos\Core\Run\RunFactKind;
use App\Facts\Happened;
use App\Models\Pour;

/** What was weighed for a pour before it went back to its plan, and what was seen ready. */
final readonly class StandsInCup
{
    /**
     * @param  array<int, array<string, float>>  $cups  grams by code
     * @param  array<string, string>  $names
     * @param  list<string>  $ticked
     */
    private function __construct(public string $base, public array $cups, public array $names, public array $ticked) {}

    /** Null where it never was begun. */
    public static function of(Pour $pour): ?self
    {
        $facts = Happened::read(Happened::in(RecordedRun::STREAM, [$pour->id])[$pour->id], RunFactKind::class);
        $last = null;
        foreach (Standing::of($facts) as $fact) {
            $last = $fact->kind === RunFactKind::Replanned ? $fact->payload : $last;
        }
        if ($last === null) {
            return null;
        }
        $cups = [];
        foreach (is_array($last['cups'] ?? null) ? $last['cups'] : [] as $batch => $poured) {
            foreach (is_array($poured) ? $poured : [] as $code => $grams) {
                if (is_numeric($grams)) {
                    $cups[(int) $batch][(string) $code] = (float) $grams;
                }
            }
        }
        $texts = static fn (mixed $said): array => array_filter(is_array($said) ? $said : [], is_string(...));
        /** @var array<string, string> $names */
        $names = $texts($last['names'] ?? []);

        return new self(is_string($last['base'] ?? null) ? $last['base'] : '', $cups, $names, array_values($texts($last['ticked'] ?? [])));
    }
}
