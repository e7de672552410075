<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Fill\Spout;
use Apalos\Core\Fill\SpoutRequest;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;

/**
 * Casting so many pieces in so many moulds: round after round, each opened as the next is poured. Of many rounds those of one stretch of
 * work are one step, with the waits between them.
 */
final readonly class CastingRounds
{
    /** Up to so many rounds each is a step of its own. */
    private const ONE_BY_ONE = 10;

    private const MOST_STEPS = 300;

    /** What is larger is not filled through one. */
    private const THROUGH_A_SPOUT_ML = 100_000.0;

    public function __construct(private WaysRequest $asked, private WaysBook $book, private Rubbers $rubbers) {}

    /**
     * @param  int  $moulds  filled in a round
     * @param  int  $gang  pieces a mould
     * @return list<WayStep>|Phrase with what is waited for before the first of them
     */
    public function of(Worked $worked, BaseSheet $cast, PutBetween $release, int $moulds, int $gang, float $wait): array|Phrase
    {
        $rubber = $this->rubbers->of($cast);
        $demould = $this->demould($rubber);
        if ($demould === null) {
            return Phrase::of('ways.no_demould', ['base' => $cast->name]);
        }
        $each = $moulds * $gang;
        $rounds = (int) ceil($this->asked->count / $each);
        $fill = $this->fill($worked, $rubber, $release, $moulds, min($each, $this->asked->count), $gang);
        $open = $moulds * $worked->cast['open'] + min($each, $this->asked->count) * $worked->cast['trim'];
        $cures = $demould + $release->waits;
        $longest = $this->asked->longest;
        if ($open + $fill > $longest) {
            return Phrase::of('ways.round_longer_than_a_day', ['moulds' => $moulds]);
        }
        $together = $rounds <= self::ONE_BY_ONE ? 1 : (int) max(1, floor(($longest + $cures) / ($open + $fill + $cures)));
        if ($rounds / $together > self::MOST_STEPS) {
            return Phrase::of('ways.hours_too_few');
        }
        $steps = [];
        for ($done = 0; $done < $rounds; $done += $together) {
            $now = min($together, $rounds - $done);
            $hands = $now * ($open + $fill) - ($done === 0 ? $open : 0.0);
            $steps[] = new WayStep(
                'cast-'.(count($steps) + 1), $hands + ($now - 1) * $cures, $done === 0 ? $wait : $cures, null, 'cast',
                Phrase::of($now === 1 ? 'ways.step_round' : 'ways.step_rounds', [
                    'first' => $done + 1, 'last' => $done + $now, 'of' => $rounds,
                ]),
                $hands,
            );
        }
        $steps[] = new WayStep('open', $open, $cures, null, 'cast', Phrase::of('ways.step_open_last'));

        return $steps;
    }

    /** Minutes in this room until it opens; of what is cast hot by how thick it is. Null where its sheet is silent. */
    private function demould(Rubber $cast): ?float
    {
        $minutes = $cast->time(Milestone::Demould);
        $cooling = $cast->worked->cooling;

        return $minutes === null || $cooling === null ? $minutes : $minutes * max(1.0, $cooling->times(min($this->asked->piece->size)));
    }

    /** Minutes of hands to make the moulds ready and fill them, once. */
    private function fill(Worked $worked, Rubber $cast, PutBetween $release, int $moulds, int $pieces, int $gang): float
    {
        $mixing = $this->book->mixing($pieces * $this->asked->piece->volumeMl() * $cast->sg, $cast->viscosity);

        return $moulds * ($worked->cast['prepare'] + $release->hands / $release->every + $worked->cast['pour'] * (1.0 + 0.2 * ($gang - 1)))
            + $mixing['mix'];
    }

    /**
     * @return array<string, mixed>|null the question to `sprue`; null where nothing runs in through one, or nobody measured how thick it is
     */
    public function spout(Worked $worked, BaseSheet $cast): ?array
    {
        $rubber = $this->rubbers->of($cast);
        $pot = $rubber->time(Milestone::PotLife);
        if (
            ! $worked->hasSpout
            || $rubber->viscosity === null
            || $pot === null
            || $this->asked->piece->volumeMl() > self::THROUGH_A_SPOUT_ML
        ) {
            return null;
        }
        $spout = $this->book->numbers('spout');

        return [
            'volume_ml' => $this->asked->piece->volumeMl(), 'sg' => $rubber->sg, 'viscosity_pas' => $rubber->viscosity,
            'pot_life_min' => $pot,
            'start_min' => $rubber->isHot() ? 0.0 : min(0.9 * $pot, $this->book->mixing(0.0, $rubber->viscosity)['mix']),
            'diameter_mm' => $spout->number('diameter_mm'), 'length_mm' => $spout->number('length_mm'),
            'head_mm' => $spout->number('head_mm'),
        ];
    }

    /** Why it does not run in before it sets; null where it does. */
    public function setsInItsSpout(Worked $worked, BaseSheet $cast): ?Phrase
    {
        $asked = $this->spout($worked, $cast);
        $fills = $asked === null ? null : (new Spout(SpoutRequest::from(Fields::of($asked))))->fill();

        return $fills === null || $fills->fillMin !== null
            ? null
            : Phrase::of('ways.sets_in_its_spout', ['cast' => $cast->name, 'mm' => $this->book->numbers('spout')->number('diameter_mm')]);
    }

    /**
     * Minutes of hands between A meeting B and the last of it in its mould, of a cup that is poured at once; of what is cast hot from off
     * the heat.
     */
    public function pouring(BaseSheet $cast): float
    {
        $rubber = $this->rubbers->of($cast);

        return $this->book->cup($this->asked->piece->volumeMl() * $rubber->sg, $rubber->viscosity, $rubber->isHot());
    }
}
