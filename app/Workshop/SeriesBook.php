<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Additive;
use Apalos\Core\Mix\Into;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesRequest;
use Apalos\Core\Series\SeriesResult;
use App\Models\Series;
use App\Models\Workshop;

/** Series of pucks as the shop asks for them: planned from the shelf, and those that stand on the bench. */
final readonly class SeriesBook
{
    private const RISING = '+';

    public function __construct(private Workshop $workshop, private Library $library, private RoomTemperature $room, private SeriesPlanner $planner) {}

    /**
     * @param  Fields  $in  `kind` softener or tint; `recipe`, and `softener` (code) or the rising `pigments` (codes); `steps`, `puck_ml`, `spare_pct`, `mix_min`
     *
     * @throws BadInput
     */
    public function plan(Fields $in): SeriesResult
    {
        return $this->planner->plan($this->request($in, $this->workshop->scale_division_g, $this->workshop->scale_capacity_g, $this->room->now()->degrees));
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

    /** What was asked for, with the scale and in the room it was planned for. */
    public function asked(Series $series): SeriesRequest
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

    private function recipe(Fields $in): Recipe
    {
        $in->only('kind', 'recipe', 'softener', 'pigments', 'steps', 'puck_ml', 'spare_pct', 'mix_min');

        return Recipe::from($in->object('recipe'), $this->library->shelf());
    }

    private function softener(Fields $in, Recipe $recipe): Additive
    {
        $code = $in->textOrNull('softener') ?? throw BadInput::at('softener', "{$recipe->base->name} takes no softener. Make a series of its pigments, or take another base.");
        foreach ($recipe->sheets() as $sheet) {
            if ($sheet->role->isSoftener()) {
                throw BadInput::at('recipe', "{$sheet->name} is what rises in this series; leave it out of what every puck has.");
            }
        }

        return Recipe::from(Fields::of(['base' => $recipe->base->code, 'additives' => [['code' => $code, 'amount' => 0, 'basis' => 'pct_of_ab', 'into' => Into::After->value]]]), $this->library->shelf())->additives()[0];
    }

    /**
     * @return list<string> house codes of those that rise in a ladder
     *
     * @throws BadInput where none does
     */
    public function pigments(Fields $in): array
    {
        $codes = $in->strings('pigments');

        return $codes === [] ? throw BadInput::at('pigments', 'Say which pigments rise in the ladder. Where none is offered, none on the shelf goes into this base.') : $codes;
    }
}
