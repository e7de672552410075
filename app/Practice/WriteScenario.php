<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Practice\Mishap;
use Apalos\Core\Practice\MishapKind;
use Apalos\Core\Practice\Scenario;
use Apalos\Core\Practice\Skill;
use App\Library\Library;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

/** Keeps something to practise that this shop wrote. */
final readonly class WriteScenario
{
    private const LEVEL = 3;

    /** What whoever comes through it has learnt. */
    private const TEACHES = [
        'heavy_hand' => Skill::Weighing, 'room' => Skill::Time, 'pot_life' => Skill::Time, 'recoat' => Skill::Windows,
        'demould' => Skill::Opening, 'ground' => Skill::Ground, 'scale_out' => Skill::Watchfulness,
        'scale_leans' => Skill::Watchfulness, 'rises' => Skill::Air, 'called' => Skill::Time, 'leak' => Skill::Watchfulness,
        'plate' => Skill::Heat, 'wrong_tub' => Skill::Watchfulness, 'empty_tube' => Skill::Watchfulness,
    ];

    public function __construct(private Library $library, private Phrasebook $words) {}

    /**
     * @param  Fields  $in  `name`, `about`, `make`, `room_c`, `goes_wrong`
     *
     * @throws BadInput
     */
    public function __invoke(Fields $in, CarbonImmutable $now): PracticeScenario
    {
        $in->only('name', 'about', 'make', 'room_c', 'goes_wrong');
        $make = $in->object('make');
        $base = $make->textOrNull('base');
        if ($base !== null && ! isset($this->library->shelf()->bases[$base])) {
            throw BadInput::at('base', Phrase::of('material.no_such_base', ['code' => mb_strimwidth($base, 0, 30, '…')]));
        }
        $build = $make->textOrNull('build');
        if ($build !== null && ! isset($this->library->builds()[$build])) {
            throw BadInput::at('build', Phrase::of('bench.no_such_build', ['id' => mb_strimwidth($build, 0, 30, '…')]));
        }
        $wrong = array_map(Mishap::from(...), $in->has('goes_wrong') ? $in->objects('goes_wrong', 8) : []);
        $teaches = array_values(
            array_unique(array_map(static fn (Mishap $one): string => self::TEACHES[$one->kind->value]->value, $wrong)),
        ) ?: [Skill::Weighing->value, Skill::Time->value];
        $scenario = Scenario::from(Fields::of([
            'id' => Str::slug(mb_substr($in->text('name'), 0, 50)) ?: 'own', 'name' => trim($in->text('name', 80)),
            'about' => $in->textOrNull('about') ?? $this->words->say(Phrase::of('bench.written_in_this_shop')),
            'level' => self::LEVEL, 'teaches' => $teaches,
            'make' => $make->toArray(),
            'room_c' => $in->number('room_c', -10.0, 45.0), 'price_per_kg' => '30.00',
            'goes_wrong' => array_map(static fn (Mishap $one): array => $one->toArray(), $wrong),
        ]));

        return PracticeScenario::query()->create(['name' => $scenario->name, 'scenario' => $scenario->toArray(), 'created_at' => $now]);
    }

    /**
     * @return list<array{what: string, by: float|null, unit: string, line: bool, at: bool, is: bool}> what can go wrong, with what each
     *   usually is
     */
    public static function mishaps(): array
    {
        $usual = [
            'heavy_hand' => [6.0, 'g'], 'room' => [30.0, '°C'], 'pot_life' => [0.6, '×'], 'recoat' => [0.6, '×'], 'demould' => [1.5, '×'],
            'scale_out' => [25.0, 's'], 'scale_leans' => [10.0, 'g'], 'rises' => [4.0, '×'], 'called' => [12.0, 'min'],
            'leak' => [12.0, 'g/min'], 'plate' => [1.8, '×'],
        ];

        return array_map(static fn (MishapKind $kind): array => [
            'what' => $kind->value, 'by' => $usual[$kind->value][0] ?? null, 'unit' => $usual[$kind->value][1] ?? '',
            'line' => in_array($kind, [MishapKind::ScaleOut, MishapKind::ScaleLeans, MishapKind::WrongTub, MishapKind::EmptyTube], true),
            'at' => $kind === MishapKind::Called, 'is' => $kind === MishapKind::Ground,
        ], MishapKind::cases());
    }
}
