<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Trial\CupsCompared;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Models\Trial;
use Carbon\CarbonImmutable;

/** Plans a trial: two to six variants of one thing, as many equal cups of each. */
final readonly class PlanTrial
{
    /** What a trial may be about; each is a fact somewhere else. */
    public const ABOUT = ['release', 'air', 'thickness', 'softener', 'other'];

    public function __construct(private Library $library, private ContactBook $contacts) {}

    /** @throws BadInput */
    public function __invoke(Fields $in, CarbonImmutable $now): Trial
    {
        $in->only('name', 'about', 'base', 'note', 'surface', 'variants', 'cups', 'cup_g', 'counted', 'control');
        $about = $in->text('about');
        in_array($about, self::ABOUT, true) || throw BadInput::at($in->at('about'), Phrase::of('bench.what_a_trial_is_about'));
        $base = $in->textOrNull('base');
        $base === null
            || isset($this->library->shelf()->bases[$base])
            || throw BadInput::at($in->at('base'), Phrase::of('bench.no_base_on_shelf', ['base' => $base]));
        $cups = $in->number('cups', 1.0, CupsCompared::MOST_CUPS);
        $cups === floor($cups) || throw BadInput::at($in->at('cups'), Phrase::of('bench.cups_come_in_whole'));
        $surface = $in->textOrNull('surface');
        $surface === null
            || isset($this->contacts->knowledge()->surfaces[$surface])
            || throw BadInput::at($in->at('surface'), Phrase::of('bench.no_such_surface_in'));
        $variants = $this->variants($in, $surface);
        $control = $in->numberOrNull('control', 0.0, count($variants) - 1.0);

        return Trial::query()->create([
            'name' => mb_substr($in->text('name'), 0, 160), 'about' => $about, 'base_code' => $base,
            'note' => mb_substr($in->textOrNull('note') ?? '', 0, 2000) ?: null, 'variants' => $variants,
            'cups' => (int) $cups, 'cup_g' => $in->positive('cup_g', 5_000.0), 'created_at' => $now,
            'counted' => mb_substr($in->textOrNull('counted') ?? '', 0, 40) ?: null, 'control' => $control === null ? null : (int) $control,
            'labels' => self::labels(count($variants), (int) $cups),
        ]);
    }

    /**
     * In an order of chance: who grades a cup does not know what was done to it.
     *
     * @return list<array{int, int}>
     */
    private static function labels(int $variants, int $cups): array
    {
        $labels = [];
        for ($variant = 0; $variant < $variants; $variant++) {
            for ($cup = 0; $cup < $cups; $cup++) {
                $labels[] = [$variant, $cup];
            }
        }
        for ($i = count($labels) - 1; $i > 0; $i--) {
            $k = random_int(0, $i);
            [$labels[$i], $labels[$k]] = [$labels[$k], $labels[$i]];
        }

        return $labels;
    }

    /** @return list<array{name: string, release?: string|null, surface?: string|null, vacuum_min?: float|null, pot_min?: float|null}> */
    private function variants(Fields $in, ?string $surface): array
    {
        $variants = [];
        foreach ($in->objects('variants', CupsCompared::MOST) as $variant) {
            $variant->only('name', 'release', 'vacuum_min', 'pot_min');
            $name = mb_substr($variant->text('name'), 0, 80);
            $release = $variant->textOrNull('release');
            $release === null
                || isset($this->contacts->knowledge()->releases[$release])
                || throw BadInput::at($variant->at('release'), Phrase::of('bench.no_such_release_in'));
            isset($variants[$name])
                && throw BadInput::at($variant->at('name'), Phrase::of('bench.two_variants_of_one_name', ['name' => $name]));
            $variants[$name] = [
                'name' => $name, 'release' => $release, 'surface' => $surface,
                'vacuum_min' => $variant->numberOrNull('vacuum_min', 0.0, 600.0),
                'pot_min' => $variant->numberOrNull('pot_min', 0.0, 6000.0),
            ];
        }
        if (count($variants) < CupsCompared::FEWEST) {
            throw BadInput::at($in->at('variants'), Phrase::of('bench.trial_compares_two_six'));
        }

        return array_values($variants);
    }
}
