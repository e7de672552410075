<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;
use App\Library\KeepFormula;
use App\Library\Library;
use App\Models\FormulaKind;
use App\Models\Series;
use App\Models\Swatch;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Labels the pucks of a series with what is really in them: the percentages that follow from the grams, not those that were
 * wanted. They are as old as the moment A met B.
 */
final readonly class LabelSeries
{
    private const LONGEST_NAME = 80;

    public function __construct(
        private Workshop $workshop,
        private Library $library,
        private KeepFormula $keep,
        private DigestWriter $digests,
    ) {}

    /**
     * @return list<Swatch>
     *
     * @throws BadInput
     */
    public function __invoke(Series $series, ?string $name, CarbonImmutable $now): array
    {
        $recorded = RecordedSeries::of($series);
        $name = mb_substr($name ?? $recorded->called(), 0, self::LONGEST_NAME);
        $in = Fields::of($series->question);
        [$plan, $weighed, $poured] = [$recorded->plan, $recorded->state->weighed, $recorded->metAt() ?? $now];
        $shares = $plan->shares($recorded->asked, $weighed);

        return DB::transaction(function () use ($series, $shares, $poured, $in, $name, $now): array {
            if (Series::query()->live()->whereKey($series->id)->update(['labelled_at' => $now->format('Y-m-d H:i:s.v')]) === 0) {
                throw BadInput::at('series', Phrase::of('bench.these_pucks_labelled_already'));
            }

            $made = array_map(function (float $share) use ($series, $poured, $in, $name): Swatch {
                $pct = round($share, 2);
                $version = ($this->keep)("{$name}, pucks", Fields::of($this->poured($in, $pct)), FormulaKind::Trial);

                return $this->workshop->swatches()->create([
                    'formula_version_id' => $version->id, 'name' => "{$name} ".Measures::figure($pct).' %', 'poured_at' => $poured,
                    'thickness_mm' => $series->thickness_mm,
                ]);
            }, $shares);
            $this->digests->take(...array_map(static fn (Swatch $swatch): int => $swatch->id, $made));

            return $made;
        });
    }

    /** @return array<string, mixed> the recipe of one puck */
    private function poured(Fields $in, float $pct): array
    {
        $recipe = $in->object('recipe');
        $lines = array_map(static fn (Fields $line): array => $line->toArray(), $recipe->objects('additives'));
        if ($in->text('kind') === 'tint') {
            $rising = $in->strings('pigments');
            $lines = array_map(
                static fn (array $line): array => in_array($line['code'] ?? null, $rising, true)
                    ? [...$line, 'amount' => round((float) ($line['amount'] ?? 0.0) * $pct / 100.0, 6)]
                    : $line,
                $lines,
            );
            $lines = array_values(array_filter($lines, static fn (array $line): bool => ($line['amount'] ?? 0.0) > 0.0));
        } elseif ($pct > 0.0) {
            $lines[] = [
                'code' => $in->text('softener'), 'amount' => $pct, 'basis' => 'pct_of_ab',
                'into' => $this->library->shelf()->additive($in->text('softener'))->into->value,
            ];
        }

        return ['base' => $recipe->text('base'), 'additives' => $lines];
    }
}
