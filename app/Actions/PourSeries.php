<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Into;
use Apalos\Core\Mix\Line;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Result\Say;
use Apalos\Core\Series\Puck;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesRequest;
use Apalos\Core\Series\SeriesResult;
use App\Models\FormulaKind;
use App\Models\Series;
use App\Models\Swatch;
use App\Models\Workshop;
use App\Shop\Library;
use App\Shop\RecordedSeries;
use App\Shop\Room;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Plans a series of pucks from the shelf, and labels them once they are poured. */
final readonly class PourSeries
{
    private const RISING = '+';

    private const LONGEST_NAME = 80;

    public function __construct(private Workshop $workshop, private Library $library, private Room $room, private KeepFormula $keep, private SeriesPlanner $planner) {}

    /**
     * @param  Fields  $in  `kind` softener or tint; `recipe`, and `softener` (code) or the rising `pigments` (codes); `steps`, `puck_ml`, `spare_pct`, `mix_min`
     *
     * @throws BadInput
     */
    public function plan(Fields $in): SeriesResult
    {
        return $this->planner->plan($this->request($in, $this->workshop->scale_division_g, $this->workshop->scale_capacity_g, $this->room->now()->degrees));
    }

    /**
     * What was asked for goes onto the bench; from here on its plan stays as it is.
     *
     * @throws BadInput
     */
    public function begin(Fields $in, CarbonImmutable $now): Series
    {
        $question = Fields::of(array_diff_key($in->toArray(), ['thickness_mm' => 0]));
        $this->plan($question);

        return $this->workshop->series()->create([
            'question' => $question->toArray(), 'thickness_mm' => $in->numberOrNull('thickness_mm', 0.05, 200.0), 'begun_at' => $now,
            'division_g' => $this->workshop->scale_division_g, 'capacity_g' => $this->workshop->scale_capacity_g, 'room_c' => $this->room->now()->degrees,
        ]);
    }

    /** @throws BadInput where something of it is no longer on the shelf */
    public function recorded(Series $series): RecordedSeries
    {
        return RecordedSeries::of($series, $this->planner->plan($this->asked($series)));
    }

    /** @return list<RecordedSeries> what stands on the bench; one whose materials have left the shelf can no longer be weighed up */
    public function live(): array
    {
        $live = [];
        foreach ($this->workshop->series()->live()->orderBy('begun_at')->get() as $series) {
            try {
                $live[] = $this->recorded($series);
            } catch (BadInput) {
                continue;
            }
        }

        return $live;
    }

    /** What it is called where nobody gave it a name. */
    public function called(Series $series): string
    {
        $in = Fields::of($series->question);
        $base = strtoupper($in->object('recipe')->text('base'));

        return $in->text('kind') === 'tint' ? implode(' and ', array_map(fn (string $code): string => $this->library->shelf()->additive($code, 'pigments')->name, $this->pigments($in)))." in {$base}" : $base;
    }

    private function asked(Series $series): SeriesRequest
    {
        return $this->request(Fields::of($series->question), $series->division_g, $series->capacity_g, $series->room_c);
    }

    private function request(Fields $in, float $divisionG, float $capacityG, float $roomC): SeriesRequest
    {
        $recipe = $this->recipe($in);
        $more = Fields::of([
            'puck_ml' => $in->toArray()['puck_ml'] ?? null, 'spare_pct' => $in->toArray()['spare_pct'] ?? null, 'mix_min' => $in->toArray()['mix_min'] ?? null,
            'scale' => ['division_g' => $divisionG, 'capacity_g' => $capacityG], 'room_c' => $roomC,
        ]);
        $softener = $in->text('kind') === 'tint' ? null : $this->softener($in, $recipe);
        $rising = $softener === null ? implode(self::RISING, array_map(fn (string $code): string => $this->library->shelf()->additive($code, 'pigments')->name, $this->pigments($in))) : null;

        return SeriesRequest::of($recipe->base->forMixing(), $recipe->additives(), $softener, $rising, $in->numbers('steps', 0.0, $softener === null ? 100.0 : 500.0), $more);
    }

    /**
     * Labels the pucks with what is really in them: the percentages that follow from the grams, not those that were wanted. They
     * are as old as the moment A met B.
     *
     * @return list<Swatch>
     *
     * @throws BadInput
     */
    public function label(Series $series, ?string $name, CarbonImmutable $now): array
    {
        $recorded = $this->recorded($series);
        $name = mb_substr($name ?? $this->called($series), 0, self::LONGEST_NAME);
        $in = Fields::of($series->question);
        [$plan, $weighed, $poured] = [$recorded->plan, $recorded->state->weighed, $recorded->metAt() ?? $now];
        $strength = 1.0;
        if ($in->text('kind') === 'tint' && isset($plan->cups[SeriesPlanner::FULL])) {
            $lines = $plan->cups[SeriesPlanner::FULL]->batches[0]->lines;
            $strength = SeriesPlanner::strength($this->asked($series), $weighed->lines(SeriesPlanner::FULL, $lines)) / max(1e-9, SeriesPlanner::strength($this->asked($series), $lines));
        }

        return DB::transaction(function () use ($series, $plan, $weighed, $poured, $strength, $in, $name, $now): array {
            if (Series::query()->live()->whereKey($series->id)->update(['labelled_at' => $now->format('Y-m-d H:i:s.v')]) === 0) {
                throw BadInput::at('series', 'These pucks are labelled already; they lie in the drawer.');
            }

            return array_map(function (Puck $puck, int $i) use ($series, $weighed, $poured, $strength, $in, $name): Swatch {
                $pct = round($strength * self::really($puck, $weighed->lines(SeriesResult::puck($i), $puck->lines), $in->text('kind') === 'tint'), 2);
                $version = ($this->keep)("{$name}, pucks", Fields::of($this->poured($in, $pct)), FormulaKind::Trial);

                return $this->workshop->swatches()->create([
                    'formula_version_id' => $version->id, 'name' => "{$name} ".Say::number($pct).' %', 'poured_at' => $poured, 'thickness_mm' => $series->thickness_mm,
                ]);
            }, $plan->pucks, array_keys($plan->pucks));
        });
    }

    /**
     * The percentage of a puck from what the display really showed for each of its lines: what is counted rises as the grams of
     * the rising thing do, against those of the other, or in a ladder against all.
     *
     * @param  list<Line>  $shown
     */
    private static function really(Puck $puck, array $shown, bool $isTint): float
    {
        $sum = static fn (array $lines, bool $plain): float => array_sum(array_map(static fn (Line $line): float => ($line->add === SeriesPlanner::PLAIN) === $plain ? $line->grams->g : 0.0, $lines));
        [$rose, $plain, $roseNow, $plainNow] = [$sum($puck->lines, false), $sum($puck->lines, true), $sum($shown, false), $sum($shown, true)];
        if ($isTint) {
            return $rose <= 0.0 ? 0.0 : $puck->truePct * ($roseNow / max(1e-9, $roseNow + $plainNow)) / ($rose / ($rose + $plain));
        }

        return $rose <= 0.0 || $plainNow <= 0.0 ? $puck->truePct : $puck->truePct * ($roseNow / $plainNow) / ($rose / $plain);
    }

    /** @return array<string, mixed> the recipe of one puck */
    private function poured(Fields $in, float $pct): array
    {
        $recipe = $in->object('recipe');
        $lines = array_map(static fn (Fields $line): array => $line->toArray(), $recipe->objects('additives'));
        if ($in->text('kind') === 'tint') {
            $rising = $this->pigments($in);
            $lines = array_map(static fn (array $line): array => in_array($line['code'] ?? null, $rising, true) ? [...$line, 'amount' => round((float) ($line['amount'] ?? 0.0) * $pct / 100.0, 6)] : $line, $lines);
            $lines = array_values(array_filter($lines, static fn (array $line): bool => ($line['amount'] ?? 0.0) > 0.0));
        } elseif ($pct > 0.0) {
            $lines[] = ['code' => $in->text('softener'), 'amount' => $pct, 'basis' => 'pct_of_ab', 'into' => $this->library->shelf()->additive($in->text('softener'))->into->value];
        }

        return ['base' => $recipe->text('base'), 'additives' => $lines];
    }

    private function recipe(Fields $in): Recipe
    {
        $in->only('kind', 'recipe', 'softener', 'pigments', 'steps', 'puck_ml', 'spare_pct', 'mix_min');

        return Recipe::from($in->object('recipe'), $this->library->shelf());
    }

    private function softener(Fields $in, Recipe $recipe): \Apalos\Core\Mix\Additive
    {
        $code = $in->textOrNull('softener') ?? throw BadInput::at('softener', "{$recipe->base->name} takes no softener. Make a series of its pigments, or take another base.");
        foreach ($recipe->sheets() as $sheet) {
            if ($sheet->role->isSoftener()) {
                throw BadInput::at('recipe', "{$sheet->name} is what rises in this series; leave it out of what every puck has.");
            }
        }

        return Recipe::from(Fields::of(['base' => $recipe->base->code, 'additives' => [['code' => $code, 'amount' => 0, 'basis' => 'pct_of_ab', 'into' => Into::After->value]]]), $this->library->shelf())->additives()[0];
    }

    /** @return list<string> */
    private function pigments(Fields $in): array
    {
        $codes = $in->strings('pigments');

        return $codes === [] ? throw BadInput::at('pigments', 'Say which pigments rise in the ladder. Where none is offered, none on the shelf goes into this base.') : $codes;
    }
}
