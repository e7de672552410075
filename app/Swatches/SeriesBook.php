<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Additive;
use Apalos\Core\Mix\Into;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesRequest;
use Apalos\Core\Series\SeriesResult;
use Apalos\Core\Units\Grams;
use App\Library\Library;
use App\Lists\Rows;
use App\Log\Freezer;
use App\Models\Series;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\RoomTemperature;

/** Series of pucks as the shop asks for them: planned from the shelf, and those that stand on the bench. */
final readonly class SeriesBook
{
    /** More than any bench holds. */
    public const MOST_LIVE = 20;

    public function __construct(
        private Workshop $workshop,
        private Library $library,
        private RoomTemperature $room,
        private CureClock $clock,
        private Freezer $freezer,
        private SeriesPlanner $planner,
    ) {}

    /**
     * @param  Fields  $in `kind` softener or tint; `recipe`, and `softener` (code) or the rising `pigments` (codes); `steps`, `puck_ml`,
     *   `spare_pct`, `mix_min`
     *
     * @throws BadInput
     */
    public function plan(Fields $in): SeriesResult
    {
        return $this->planner->plan($this->request($in));
    }

    /**
     * What a series is begun with: from here on its plan follows from this alone.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function frozen(Fields $in): array
    {
        $asked = $this->request($in);
        $recipe = $this->recipe($in);
        $largest = array_map(static fn (MixResult $mix): float => $mix->mass->g, $this->planner->plan($asked)->cups);

        return [
            'request' => $asked->toArray(), 'base' => $this->freezer->base($recipe), 'called' => $this->called($in),
            'clock' => $this->freezer->clock($recipe, Grams::of($largest === [] ? 0.0 : max($largest)))->toArray(),
        ];
    }

    /** @return list<RecordedSeries> what stands on the bench */
    public function live(): array
    {
        // Most of the time none is; then nothing more is asked.
        $ids = Rows::of('series')
            ->whereNull('labelled_at')
            ->whereNull('deleted_at')
            ->orderByDesc('begun_at')
            ->limit(self::MOST_LIVE)
            ->pluck('id')
            ->all();

        return $ids === []
            ? []
            : RecordedSeries::all(array_values($this->workshop->series()->whereKey($ids)->orderBy('begun_at')->get()->all()));
    }

    private function called(Fields $in): string
    {
        $base = strtoupper($in->object('recipe')->text('base'));

        return $in->text('kind') === 'tint'
            ? implode(
                ' and ',
                array_map(fn (string $code): string => $this->library->shelf()->additive($code, 'pigments')->name, $this->pigments($in)),
            )." in {$base}"
            : $base;
    }

    private function request(Fields $in): SeriesRequest
    {
        $recipe = $this->recipe($in);
        $more = Fields::of([
            // What is heated is stirred by the heat, before its clock.
            'puck_ml' => $in->toArray()['puck_ml'] ?? null, 'spare_pct' => $in->toArray()['spare_pct'] ?? null,
            'mix_min' => $this->library->way($recipe->base)->heat !== null ? 0 : $in->toArray()['mix_min'] ?? null,
            'scale' => ['division_g' => $this->workshop->scale_division_g, 'capacity_g' => $this->workshop->scale_capacity_g],
            'room_c' => $this->room->now()->degrees,
        ]);
        $softener = $in->text('kind') === 'tint' ? null : $this->softener($in, $recipe);

        return SeriesRequest::of(
            $recipe->base->forMixing(), $recipe->additives(), $softener, $softener === null ? $this->pigments($in) : [],
            $in->numbers('steps', 0.0, $softener === null ? 100.0 : 500.0), $more,
            $this->clock->model($recipe->base)->pouring($recipe->poursLonger()),
        );
    }

    private function recipe(Fields $in): Recipe
    {
        $in->only('kind', 'recipe', 'softener', 'pigments', 'steps', 'puck_ml', 'spare_pct', 'mix_min');

        return Recipe::from($in->object('recipe'), $this->library->shelf());
    }

    private function softener(Fields $in, Recipe $recipe): Additive
    {
        $code = $in->textOrNull('softener')
            ?? throw BadInput::at('softener', Phrase::of('bench.takes_no_softener_make', ['name' => $recipe->base->name]));
        foreach ($recipe->sheets() as $sheet) {
            if ($sheet->role->isSoftener()) {
                throw BadInput::at('recipe', Phrase::of('bench.leave_out_what_rises', ['name' => $sheet->name]));
            }
        }

        return Recipe::from(
            Fields::of([
                'base' => $recipe->base->code,
                'additives' => [['code' => $code, 'amount' => 0, 'basis' => 'pct_of_ab', 'into' => Into::After->value]],
            ]),
            $this->library->shelf(),
        )->additives()[0];
    }

    /**
     * @return list<string> house codes of those that rise in a ladder
     *
     * @throws BadInput where none does
     */
    private function pigments(Fields $in): array
    {
        $codes = $in->strings('pigments');

        return $codes === [] ? throw BadInput::at('pigments', Phrase::of('bench.say_which_pigments_rise')) : $codes;
    }
}
