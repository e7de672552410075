<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cost\Money;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * A pour or a build to practise: what to make, what the room is, and what goes wrong when. Shipped ones lie in `library/practice/`; a shop
 * writes its own. What to make is read by whoever sets it up: of a pour its base, volume and cup, of a build its kind and measures.
 */
final readonly class Scenario
{
    private const MOST_MISHAPS = 8;

    private const FIELDS = ['id', 'name', 'about', 'level', 'teaches', 'make', 'room_c', 'price_per_kg', 'goes_wrong'];

    private const OF_POUR = ['base', 'volume_ml', 'additives', 'cup_ml', 'degas', 'batches', 'wall', 'mould', 'mix_min'];

    private const OF_BUILD = ['build', 'base', 'measured', 'box', 'bed', 'mould'];

    /**
     * @param  int  $level  1 for whoever holds a cup for the first time, to 5
     * @param  list<Skill>  $teaches
     * @param  array<string, mixed>  $make
     * @param  list<Mishap>  $wrong
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $about,
        public int $level,
        public array $teaches,
        public array $make,
        public float $roomC,
        private string $pricePerKg,
        public array $wrong,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only(...self::FIELDS);
        $id = $in->text('id');
        if (preg_match('/^[a-z0-9][a-z0-9-]{0,59}$/', $id) !== 1) {
            throw BadInput::at($in->at('id'), Phrase::of('practice.bad_id', ['id' => mb_strimwidth($id, 0, 40, '…')]));
        }
        $make = $in->object('make');
        $make->has('build') ? $make->only(...self::OF_BUILD) : $make->only(...self::OF_POUR);
        $make->has('build') ? $make->text('build', 60) : $make->positive('volume_ml', 100_000.0);
        $make->has('build') || $make->text('base', 60);
        /** @var array<string, mixed> $made */
        $made = $make->toArray();
        $teaches = [];
        foreach ($in->strings('teaches', 9) as $i => $skill) {
            $teaches[] = Skill::tryFrom($skill) ?? throw BadInput::at(
                $in->at('teaches').".{$i}",
                Phrase::of('practice.no_skill', [
                    'skill' => mb_strimwidth($skill, 0, 30, '…'), 'known' => implode(', ', array_column(Skill::cases(), 'value')),
                ]),
            );
        }
        $in->has('price_per_kg') && Money::written($in, 'price_per_kg');

        return new self(
            $id, $in->text('name', 80), $in->text('about', 600), (int) $in->number('level', 1.0, 5.0), $teaches, $made,
            $in->number('room_c', -10.0, 45.0), $in->textOrNull('price_per_kg') ?? '0',
            array_map(Mishap::from(...), $in->has('goes_wrong') ? $in->objects('goes_wrong', self::MOST_MISHAPS) : []),
        );
    }

    public function isBuild(): bool
    {
        return isset($this->make['build']);
    }

    public function wrong(MishapKind $kind): ?Mishap
    {
        foreach ($this->wrong as $one) {
            if ($one->kind === $kind) {
                return $one;
            }
        }

        return null;
    }

    /** How many times as long as its sheet says, as a mishap has it. */
    public function times(MishapKind $kind): float
    {
        return $this->wrong($kind)->by ?? 1.0;
    }

    /** @return array<string, float> */
    public function trueTimes(): array
    {
        return array_map($this->times(...), [
            'pot_life' => MishapKind::PotLife, 'recoat' => MishapKind::Recoat, 'demould' => MishapKind::Demould,
        ]);
    }

    /** How strong the plate under a pot really is, beside a usual one. */
    public function plate(): float
    {
        return $this->times(MishapKind::Plate);
    }

    /** How long what is on this sheet really takes here. */
    public function clock(CureSheet $sheet): TrueClock
    {
        return new TrueClock($sheet, $this->trueTimes(), $this->room());
    }

    /** What so many grams of it cost. */
    public function price(float $grams): Money
    {
        return Money::written(Fields::of(['price_per_kg' => $this->pricePerKg]), 'price_per_kg')->times(max(0.0, $grams))->over(1000);
    }

    /** @return list<array{from_min: float, c: float}> how warm it is, in minutes of the practice */
    public function room(): array
    {
        $warmer = $this->wrong(MishapKind::Room);
        $from = $warmer === null ? null : ['from_min' => $warmer->fromMin, 'c' => $warmer->by ?? $this->roomC];

        return $from === null
            ? [['from_min' => 0.0, 'c' => $this->roomC]]
            : ($from['from_min'] <= 0.0 ? [$from] : [['from_min' => 0.0, 'c' => $this->roomC], $from]);
    }

    /** @return array<string, mixed> as {@see self::from} reads it */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name, 'about' => $this->about, 'level' => $this->level,
            'teaches' => array_map(static fn (Skill $one): string => $one->value, $this->teaches), 'make' => $this->make,
            'room_c' => $this->roomC, 'price_per_kg' => $this->pricePerKg,
            'goes_wrong' => array_map(static fn (Mishap $one): array => $one->toArray(), $this->wrong),
        ];
    }
}
