<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Build\BrushedMould;
use Apalos\Core\Build\BrushedMouldRequest;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Frame\GangLayout;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mould\RankedMould;
use Apalos\Core\Phrase\Phrase;

/**
 * How a mould of a kind is made of a rubber: its stages by the hours of its kind, its coats as `build` has them, a gang as `gang` lays it.
 */
final readonly class MouldMaking
{
    /** A jacket learns to fit overnight. */
    private const JACKET_RESTS = 720.0;

    private const PLASTER_SG = 1.7;

    /** What is not coats falls so: before them, and after. */
    private const BEFORE = 0.6;

    private const LEAST = 20.0;

    public function __construct(private WaysRequest $asked, private WaysBook $book, private Rubbers $rubbers) {}

    /** @param  int  $gang  pieces a mould */
    public function of(Worked $worked, RankedMould $ranked, ?BaseSheet $base, int $gang): Making|Phrase
    {
        $rubber = $base === null ? null : $this->rubbers->of($base);
        $demould = $rubber?->time(Milestone::Demould);
        if ($base !== null && $demould === null) {
            return Phrase::of('ways.no_demould', ['base' => $base->name]);
        }
        if ($worked->isBrushed) {
            return $rubber === null ? Phrase::of('ways.no_rubber') : $this->brushed($ranked, $rubber, (float) $demould);
        }
        // Pieces that weigh more than the block may are laid out no more.
        if ($gang > 1 && $gang * $this->asked->piece->volumeMl() > $this->book->numbers('gang')->number('most_ml')) {
            return Phrase::of('ways.block_too_heavy', ['pieces' => $gang]);
        }
        $layout = $gang > 1 ? $this->layout($gang) : null;
        $ml = $layout === null ? $ranked->materialMl : (new GangLayout)->ask(Fields::of($layout))['rubber_ml'];
        if ($layout !== null && $ml > $this->book->numbers('gang')->number('most_ml')) {
            return Phrase::of('ways.block_too_heavy', ['pieces' => $gang]);
        }
        $grams = $rubber === null ? $ranked->materialG : $ml * $rubber->sg;
        [$stages, $wait] = [[], 0.0];
        foreach ($worked->stages as $stage) {
            $stages[] = ['minutes' => 60.0 * $ranked->hours * $stage['share'], 'from' => $wait, 'until' => null];
            $wait = $stage['wait'] ?? (float) $demould;
        }

        return new Making(
            $stages, $wait, $grams, $ml, $this->book->cupLossPct, $worked->jacket === null ? 0.0 : $this->jacket(), null, $layout,
            $this->book->cup($grams / max(1, count($stages) - 1), $rubber?->viscosity),
        );
    }

    private function brushed(RankedMould $ranked, Rubber $rubber, float $demould): Making|Phrase
    {
        $glove = $this->book->numbers('glove');
        $area = $this->asked->piece->areaMm2();
        $needed = [];
        foreach ([Milestone::PotLife, Milestone::RecoatOpen, Milestone::RecoatClose] as $milestone) {
            $needed[$milestone->value] = $rubber->time($milestone);
            if ($needed[$milestone->value] === null) {
                return Phrase::of('build.not_for_brushing', ['name' => $rubber->sheet->name]);
            }
        }
        $build = [
            'area_mm2' => $area, 'flange_mm2' => $glove->number('flange') * $area,
            'thickness_mm' => ['least' => $glove->number('least_mm'), 'most' => $glove->number('most_mm')],
            'print_mm' => $glove->number('print_mm'), 'coat_mm' => $glove->number('coat_mm'), 'fill_ml' => 0,
            'loss_pct' => $this->book->cupLossPct, 'sg' => $rubber->sg, 'times' => $needed,
            'mix_min' => $glove->number('mix_min'), 'brush_ml_per_min' => $glove->number('brush_ml_per_min'), 'keys' => null,
            'jacket' => ['wait_min' => $demould, 'hands_min' => $glove->number('jacket_min')],
        ];
        try {
            $mould = (new BrushedMould)->plan(BrushedMouldRequest::from(Fields::of($build)));
        } catch (BadInput $wrong) {
            return $wrong->says;
        }
        $coats = $mould->operations;
        $rest = max(2.0 * self::LEAST, 60.0 * $ranked->hours - array_sum(array_map(static fn ($one): float => $one->minutes, $coats)));
        $stages = [['minutes' => max(self::LEAST, self::BEFORE * $rest), 'from' => 0.0, 'until' => null]];
        $longest = 0.0;
        foreach ($coats as $coat) {
            $stages[] = ['minutes' => $coat->minutes, 'from' => $coat->after[0]->from ?? 0.0, 'until' => $coat->after[0]->until ?? null];
            $longest = $coat->id === 'jacket' ? $longest : max($longest, $coat->minutes);
        }
        $stages[] = ['minutes' => max(self::LEAST, (1.0 - self::BEFORE) * $rest), 'from' => self::JACKET_RESTS, 'until' => null];

        // A coat of several cups has its pot life cup by cup.
        return new Making(
            $stages, 0.0, $mould->mass()->g, array_sum(array_map(static fn ($coat): float => $coat->volume->ml, $mould->coats)), 0.0,
            $this->jacket(), $build, null, min($longest, 0.5 * $needed[Milestone::PotLife->value]),
        );
    }

    /** @return array<string, mixed> the question to `gang` */
    private function layout(int $pieces): array
    {
        $gang = $this->book->numbers('gang');
        [$l, $w, $h] = $this->asked->piece->size;

        return [
            'piece' => [
                'l_mm' => $l, 'w_mm' => $w, 'h_mm' => $h, 'volume_ml' => min($this->asked->piece->volumeMl(), $l * $w * $h / 1000.0),
            ],
            'count' => $pieces,
            'wall_mm' => $gang->number('wall_mm'), 'gap_mm' => $gang->number('gap_mm'), 'base_mm' => $gang->number('base_mm'),
            'over_mm' => $gang->number('over_mm'),
        ];
    }

    private function jacket(): float
    {
        $glove = $this->book->numbers('glove');

        return $this->asked->piece->areaMm2() * (1.0 + $glove->number('flange')) * $glove->number('jacket_mm') / 1000.0 * self::PLASTER_SG;
    }
}
