<?php

declare(strict_types=1);

namespace App\PourSheets;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Mix\Into;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Mix\MixTarget;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;
use Apalos\Core\Volume\Measurement;
use Apalos\Core\Volume\Method;
use App\Library\Library;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\Room\RoomTemperature;

/**
 * What a few additives come to in grams: in a batch of a mass or a volume, or in a pour that is planned.
 *
 * @phpstan-type LineShape array{code: string, amount: float, basis: string, into: string}
 */
final readonly class PlannedBatch
{
    public function __construct(
        private Workshop $workshop,
        private Library $library,
        private RoomTemperature $room,
        private PourSheetReckoner $sheets,
    ) {}

    /**
     * Only what to weigh: for how long it pours is asked of a planned pour.
     *
     * @param  list<LineShape>  $lines
     * @param  Fields  $batch  one of `mass_g`, `volume_ml`, `pour_id`, or `pieces` with `each_ml` and `spout_ml`
     *
     * @throws BadInput
     */
    public function weigh(BaseSheet $base, array $lines, Fields $batch): MixResult
    {
        $batch->only('mass_g', 'volume_ml', 'pour_id', 'pieces', 'each_ml', 'spout_ml');
        if ($batch->has('pour_id')) {
            $reckoning = $this->sheets->reckon($this->with($this->draft((int) $batch->number('pour_id'), $base)->sheet, $lines));

            return $reckoning->mix ?? throw BadInput::at('batch', Phrase::of('bench.sheet_does_not_add'));
        }
        if ($batch->has('pieces')) {
            $batch = Fields::of(['volume_ml' => Measurement::from(Method::Pieces, $batch)->rubber->likely], 'batch');
        }
        $by = $batch->has('volume_ml') ? 'volume_ml' : 'mass_g';
        $recipe = Recipe::from(Fields::of(['base' => $base->code, 'additives' => $lines]), $this->library->shelf());

        return (new MixPlanner)->plan(new MixRequest(
            $recipe->base->forMixing(), MixTarget::from(Fields::of([$by => $batch->positive($by, 1e6), 'waste_pct' => 0], 'batch')),
            $recipe->additives(),
            new Scale(Grams::of($this->workshop->scale_division_g), null), null, $this->room->now(), Minutes::of(0.0), Minutes::of(0.0),
            null, null,
        ));
    }

    /**
     * Writes the additives into a sheet that is still being planned.
     *
     * @param  list<LineShape>  $lines
     *
     * @throws BadInput
     */
    public function write(int $pourId, BaseSheet $base, array $lines): Pour
    {
        $pour = $this->draft($pourId, $base);
        $pour->update(['sheet' => $this->with($pour->sheet, $lines)]);

        return $pour;
    }

    /** @return LineShape */
    public static function line(AdditiveSheet $sheet, float $amount, Basis $basis, Into $into): array
    {
        return ['code' => $sheet->code, 'amount' => $amount, 'basis' => $basis->value, 'into' => $into->value];
    }

    private function draft(int $id, BaseSheet $base): Pour
    {
        $pour = Pour::query()->where('state', PourState::Draft)->find($id);
        if ($pour === null || $pour->baseCode() !== $base->code) {
            throw BadInput::at('batch', Phrase::of('bench.sheet_has_been_poured'));
        }

        return $pour;
    }

    /**
     * The sheet with these additives where it had any for the same job, else as the last things stirred in.
     *
     * @param  array<string, mixed>  $sheet
     * @param  list<LineShape>  $new
     * @return array<string, mixed>
     */
    private function with(array $sheet, array $new): array
    {
        $shelf = $this->library->shelf();
        $roles = array_map(static fn (array $line) => $shelf->additive($line['code'])->role, $new);
        $formula = Fields::of($sheet)->object('formula')->toArray();
        $lines = [];
        $done = false;
        foreach (is_array($formula['additives'] ?? null) ? $formula['additives'] : [] as $line) {
            $code = is_array($line) ? $line['code'] ?? null : null;
            $known = is_string($code) ? $shelf->additives[$code] ?? null : null;
            if (! in_array($known?->role, $roles, true)) {
                $lines[] = $line;
            } elseif (! $done) {
                [$lines, $done] = [[...$lines, ...$new], true];
            }
        }
        $formula['additives'] = $done ? $lines : [...$lines, ...$new];

        return [...$sheet, 'formula' => $formula];
    }
}
