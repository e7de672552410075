<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Practice\Scenario;
use App\Contacts\JobContacts;
use App\Library\Library;
use App\Models\Build;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Pour;
use App\Room\RoomTemperature;
use App\Stock\Prices;

/** Anything of the shop, to practise: a formula, a build, or a pour that went wrong, with what is known to have gone wrong with it. */
final readonly class PractiseThis
{
    /** So much of a formula, ml. */
    private const ML = 150.0;

    private const LEVEL = 3;

    /** Of a kilogram, where nobody wrote down what was paid. */
    private const USUAL_PRICE = '30.00';

    /** What a cause that was found makes of a scenario. */
    private const CAUSES = [
        'off-ratio' => ['what' => 'heavy_hand', 'by' => 6], 'poured-late' => ['what' => 'pot_life', 'by' => 0.6],
        'inhibited' => ['what' => 'ground', 'is' => 'sulphur'], 'opened-early' => ['what' => 'demould', 'by' => 1.4],
        'leak' => ['what' => 'leak', 'by' => 12],
        'pigment-by-eye' => ['what' => 'empty_tube', 'line' => 2], 'coat-late' => ['what' => 'recoat', 'by' => 0.6],
        'coat-early' => ['what' => 'recoat', 'by' => 1.4], 'air-mixed-in' => ['what' => 'rises', 'by' => 4],
        'overheated' => ['what' => 'plate', 'by' => 1.8], 'under-fused' => ['what' => 'plate', 'by' => 0.5],
        'wrong-part' => ['what' => 'wrong_tub', 'line' => 2],
    ];

    public function __construct(
        private RoomTemperature $room,
        private Prices $prices,
        private Phrasebook $words,
        private Library $library,
        private JobContacts $contacts,
    ) {}

    /** @throws BadInput where there is nothing to practise in it */
    public function __invoke(Fields $in): Scenario
    {
        $in->only('pour', 'version', 'build');

        return match (true) {
            $in->has('pour') => $this->pour(Pour::query()->with('impression.job')->findOrFail((int) $in->number('pour', 1.0, 1e15))),
            $in->has('version') => $this->version(FormulaVersion::query()->findOrFail((int) $in->number('version', 1.0, 1e15))),
            default => $this->build(
                Build::query()->with('impression.job')->where('plain', false)->findOrFail((int) $in->number('build', 1.0, 1e15)),
            ),
        };
    }

    private function pour(Pour $pour): Scenario
    {
        $sheet = Fields::of($pour->sheet);
        $plan = $sheet->objectOrNull('plan');
        $vessel = $plan?->objectOrNull('vessel');
        $ml = is_numeric($pour->plan['likely_ml'] ?? null) ? (float) $pour->plan['likely_ml'] : self::ML;
        $formula = $sheet->objectOrNull('formula') ?? throw BadInput::at('pour', Phrase::of('bench.nothing_to_practise'));

        return $this->scenario("{$pour->impression->job->name}, {$pour->impression->name}", [
            ...$this->poured($formula), 'volume_ml' => max(1.0, $ml), 'cup_ml' => $vessel?->positiveOrNull('capacity_ml') ?? 1500.0,
            'degas' => $vessel !== null && $vessel->has('degas') && $vessel->bool('degas'),
            ...$this->mould($pour->impression),
        ], $pour->cause === null ? [] : array_filter([self::CAUSES[$pour->cause] ?? null]), $pour->room_c);
    }

    /** @return array{mould?: string} of what it is cast in, where that is of this shelf */
    private function mould(Impression $link): array
    {
        foreach ($this->contacts->of($link, $this->contacts->chain($link->job->loadMissing('impressions'))) as $contact) {
            $of = preg_match('/^link-(\d+)$/', $contact->touch->key, $part) === 1 ? Impression::query()->find((int) $part[1]) : null;
            if ($of?->kind === ImpressionKind::Mould && isset($this->library->shelf()->bases[$of->material ?? ''])) {
                return $link->kind === ImpressionKind::Cast ? ['mould' => (string) $of->material] : [];
            }
        }

        return [];
    }

    private function version(FormulaVersion $version): Scenario
    {
        return $this->scenario(
            $version->called(),
            [...$this->poured(Fields::of($version->recipe)), 'volume_ml' => self::ML, 'cup_ml' => 750.0, 'degas' => false], [], null,
        );
    }

    private function build(Build $build): Scenario
    {
        $plan = Fields::of($build->plan ?? []);

        return $this->scenario(
            $build->title(),
            [
                'build' => $build->kind, 'measured' => $plan->objectOrNull('measured')?->toArray() ?? [],
                ...array_filter([
                    'base' => $build->impression->material, 'box' => $build->impression->wall, 'bed' => $build->impression->bed,
                    ...$this->mould($build->impression),
                ]),
            ],
            [], null,
        );
    }

    /** @return array<string, mixed> */
    private function poured(Fields $recipe): array
    {
        return [
            'base' => $recipe->text('base'),
            'additives' => array_map(
                static fn (Fields $one): array => array_intersect_key($one->toArray(), array_flip(['code', 'amount', 'basis', 'into'])),
                $recipe->has('additives') ? $recipe->objects('additives') : [],
            ),
        ];
    }

    /**
     * @param  array<string, mixed>  $make
     * @param  array<int, array<string, mixed>>  $wrong
     */
    private function scenario(string $name, array $make, array $wrong, ?float $roomC): Scenario
    {
        return Scenario::from(Fields::of([
            'id' => 'this', 'name' => mb_substr($name, 0, 80),
            'about' => $this->words->say(Phrase::of('bench.as_stands_shop')), 'level' => self::LEVEL,
            'teaches' => isset($make['build']) ? ['windows', 'order'] : ['weighing', 'time'], 'make' => $make,
            'room_c' => max(-10.0, min(45.0, $roomC ?? $this->room->now()->degrees)), 'price_per_kg' => $this->price($make['base'] ?? null),
            'goes_wrong' => array_values($wrong),
        ]));
    }

    /** What a kilogram of it costs here, or costs usually. */
    private function price(mixed $base): string
    {
        $kit = is_string($base) ? ($this->prices->of([$base])[$base] ?? null) : null;

        return $kit === null || $kit['mass_g'] <= 0.0
            ? self::USUAL_PRICE
            : number_format(1000.0 * (float) $kit['price'] / $kit['mass_g'], 2, '.', '');
    }
}
