<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Harden\PuckReading;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Tint\Backings;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\Translucency;
use Apalos\Core\Units\ShoreScale;
use App\Library\Recipes;
use App\Models\Swatch;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\FrozenClock;
use Carbon\CarbonImmutable;

/** Writes down what was read of a swatch, and says what is doubtful about it. */
final readonly class ReadSwatch
{
    private const MOST_WITHIN = 99.0;

    public function __construct(private Workshop $workshop, private Recipes $recipes, private CureClock $clock) {}

    /**
     * @param  Fields  $in `kind` hardness with `scale` and `readings`, and `sure` where it is far from its time, or colour with `lab`,
     *   `backing`, `source`
     * @return list<Warning>
     *
     * @throws BadInput
     */
    public function __invoke(Swatch $swatch, Fields $in, CarbonImmutable $now): array
    {
        $in->only('kind', 'at', 'scale', 'readings', 'backing', 'lab', 'card_lab', 'source', 'within_delta_e', 'sure');
        $at = self::at($in, $now, $this->workshop->zone());
        if ($at->lt($swatch->poured_at)) {
            throw BadInput::at('at', Phrase::of('bench.read_before_it_was_poured'));
        }

        return match ($in->text('kind')) {
            'hardness' => $this->hardness($swatch, $in, $at),
            'colour' => $this->colour($swatch, $in, $at),
            default => throw BadInput::at('kind', Phrase::of('bench.swatch_read_for_hardness')),
        };
    }

    private static function at(Fields $in, CarbonImmutable $now, string $zone): CarbonImmutable
    {
        $said = $in->textOrNull('at');
        if ($said === null) {
            return $now;
        }
        try {
            $at = CarbonImmutable::parse($said, $zone)->utc();
        } catch (\Exception) {
            throw BadInput::at('at', Phrase::of('bench.no_time_write_as', ['said' => $said]));
        }

        return $at->gt($now->addMinute()) ? throw BadInput::at('at', Phrase::of('bench.reading_still_to_come')) : $at;
    }

    /** @return list<Warning> */
    private function hardness(Swatch $swatch, Fields $in, CarbonImmutable $at): array
    {
        if (! ($in->has('sure') && $in->bool('sure'))) {
            $this->askIfEarly($swatch, $at);
        }
        $reading = PuckReading::of($in->choice('scale', ShoreScale::class), $in->numbers('readings', -1e6, 1e6));
        $swatch->readings()->create(['kind' => 'hardness', 'at' => $at, 'scale' => $reading->scale, 'readings' => $reading->readings]);
        $after = $swatch->demoulded_at === null ? null : max(0.0, $swatch->demoulded_at->diffInMinutes($at));

        return $reading->questions($swatch->thickness_mm, $after);
    }

    /**
     * A puck that is not through its cure reads soft, and would teach every curve of its base that.
     *
     * @throws BadInput
     */
    private function askIfEarly(Swatch $swatch, CarbonImmutable $at): void
    {
        $base = $this->recipes->of($swatch->version)?->base;
        if ($base === null) {
            return;
        }
        $clock = new FrozenClock($this->clock->model($base), null, 1.0);
        $settles = $this->clock->from($swatch->poured_at, $clock, Milestone::Service)
            ?? $this->clock->from($swatch->poured_at, $clock, Milestone::Demould);
        if ($settles !== null && $at < $settles->low()) {
            throw BadInput::at('sure', Phrase::of('bench.puck_early', [
                'so_far' => Quantity::duration($swatch->poured_at->diffInSeconds($at) / 60.0),
                'whole' => Quantity::duration($swatch->poured_at->diffInSeconds($settles->likely()) / 60.0),
            ]));
        }
    }

    /** @return list<Warning> */
    private function colour(Swatch $swatch, Fields $in, CarbonImmutable $at): array
    {
        $lab = Lab::from($in, 'lab');
        $backing = $in->text('backing');
        $source = $in->textOrNull('source') ?? 'instrument';
        if (! in_array($backing, ['white', 'black'], true)) {
            throw BadInput::at('backing', Phrase::of('bench.say_which_card_lay'));
        }
        if (! in_array($source, ['instrument', 'photo'], true)) {
            throw BadInput::at('source', Phrase::of('bench.colour_read_with_instrument'));
        }
        $card = $in->has('card_lab') ? Lab::from($in, 'card_lab') : null;
        $card = $card?->toArray() === Backings::usual($backing)->toArray() ? null : $card;
        $other = (new KnownSwatch($swatch->load('readings'), null))->last('colour', $backing === 'white' ? 'black' : 'white');
        $otherCard = $other?->card();
        $isWhite = $backing === 'white';
        Backings::of($isWhite ? $card : $otherCard, $isWhite ? $otherCard : $card, 'card_lab');
        if ($other?->colour() !== null) {
            Translucency::of($isWhite ? $lab : $other->colour(), $isWhite ? $other->colour() : $lab);
        }
        $swatch->readings()->create([
            'kind' => 'colour', 'at' => $at, 'backing' => $backing, 'lab' => $lab->toArray(), 'card_lab' => $card?->toArray(),
            'source' => $source, 'within_delta_e' => $in->numberOrNull('within_delta_e', 0.0, self::MOST_WITHIN),
        ]);

        return $swatch->thickness_mm === null ? [new Warning('no_thickness', Phrase::of('bench.no_thickness'))] : [];
    }
}
