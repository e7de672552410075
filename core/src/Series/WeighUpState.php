<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

/** Where the weigh-up of a series stands, read off its facts: what is in, what is on the scale, since when A and B have met. */
final readonly class WeighUpState
{
    /**
     * @param  string  $on  the vessel the scale was last tared with; empty before
     * @param  float|null  $metAt  minutes since it began
     * @param  int|null  $takeBack  the fact that can be taken back: what the scale saw last
     */
    private function __construct(public Weighed $weighed, public string $on, public ?float $metAt, public ?int $takeBack) {}

    /** @param  list<Fact>  $facts  oldest first */
    public static function of(SeriesResult $plan, array $facts): self
    {
        $undone = array_map(static fn (Fact $fact): ?int => $fact->kind === FactKind::Undone ? $fact->of : null, $facts);
        $vessels = $plan->vessels();
        $grams = [];
        $puts = [];
        [$on, $metAt] = ['', null];
        foreach ($facts as $fact) {
            if (in_array($fact->id, $undone, true)) {
                continue;
            }
            $row = $grams[$fact->vessel] ?? array_fill(0, count($vessels[$fact->vessel] ?? []), null);
            switch ($fact->kind) {
                case FactKind::Put:
                    $row[$fact->line] = round(($row[$fact->line] ?? 0.0) + ($fact->grams ?? 0.0), 4);
                    $puts[$fact->id] = [$fact->vessel, $fact->line];
                    break;
                case FactKind::Written:
                    $row[$fact->line] = $fact->grams;
                    // What the scale saw there before is no longer what is in: taking it back would mean nothing.
                    $puts = array_filter($puts, static fn (array $put): bool => $put !== [$fact->vessel, $fact->line]);
                    break;
                case FactKind::Tared:
                    $on = $fact->vessel;
                    break;
                case FactKind::Met:
                    $metAt ??= $fact->at;
                    break;
                case FactKind::Unmet:
                    $metAt = null;
                    break;
                case FactKind::Undone:
                    break;
            }
            if (in_array($fact->kind, [FactKind::Put, FactKind::Written], true)) {
                $grams[$fact->vessel] = array_values($row);
            }
        }

        return new self(Weighed::of($grams), $on, $metAt, array_key_last($puts));
    }
}
