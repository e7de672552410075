<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;

/** Where the weigh-up of a series stands, read off its facts: what is in, what is on the scale, since when A and B have met. */
final readonly class WeighUpState
{
    /**
     * @param  string  $on  the vessel the scale was last tared with; empty before
     * @param  float  $offsetG  how much more the display shows than is in the vessel on it, in g
     * @param  float|null  $metAt  minutes since it began
     * @param  int|null  $takeBack  the fact that can be taken back: what the scale saw last
     */
    private function __construct(
        public Weighed $weighed,
        public string $on,
        public float $offsetG,
        public ?float $metAt,
        public ?int $takeBack,
    ) {}

    /** @param  list<Fact<SeriesFactKind>>  $facts  oldest first */
    public static function of(SeriesResult $plan, array $facts): self
    {
        $vessels = $plan->vessels();
        $grams = [];
        $puts = [];
        [$on, $offset, $metAt] = ['', 0.0, null];
        foreach (Standing::of($facts) as $fact) {
            $vessel = $fact->text('vessel') ?? '';
            $line = (int) ($fact->number('line') ?? 0.0);
            $row = $grams[$vessel] ?? array_fill(0, count($vessels[$vessel] ?? []), null);
            switch ($fact->kind) {
                case SeriesFactKind::Put:
                    $row[$line] = round(($row[$line] ?? 0.0) + ($fact->number('grams') ?? 0.0), 4);
                    $puts[$fact->id] = [$vessel, $line];
                    $grams[$vessel] = array_values($row);
                    break;
                case SeriesFactKind::Written:
                    $row[$line] = $fact->number('grams');
                    // What the scale saw there before is no longer what is in: taking it back would mean nothing.
                    $puts = array_filter($puts, static fn (array $put): bool => $put !== [$vessel, $line]);
                    $grams[$vessel] = array_values($row);
                    break;
                case SeriesFactKind::Tared:
                    [$on, $offset] = [$vessel, 0.0];
                    break;
                case SeriesFactKind::Counted:
                    [$on, $offset] = [
                        $vessel,
                        ($fact->number('reading_g') ?? 0.0) - ($fact->number('in_line_g') ?? 0.0) - array_sum($grams[$vessel] ?? []),
                    ];
                    break;
                case SeriesFactKind::Met:
                    $metAt ??= $fact->at;
                    break;
                case SeriesFactKind::Unmet:
                    $metAt = null;
                    break;
                case SeriesFactKind::Undone:
                    break;
            }
        }

        return new self(Weighed::of($grams), $on, $offset, $metAt, array_key_last($puts));
    }

    /** How much more the display shows than is in this vessel: nothing unless it stands on the scale. */
    public function offsetOf(string $vessel): float
    {
        return $vessel === $this->on ? $this->offsetG : 0.0;
    }
}
