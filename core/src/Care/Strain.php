<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Contact\Family;
use Apalos\Core\Input\Fields;

/**
 * What the rubber of a mould bears and the piece asks of it: factors of the casts it usually stands, read from `library/wear.yaml`.
 */
final readonly class Strain
{
    private const MAKES = 'rubber';

    /**
     * @param  array{of: float, power: float, least: float, most: float}  $tear
     * @param  array<string, float>  $undercuts
     * @param  array{over: float, undercuts: list<string>, factor: float}  $stiff
     * @param  array{over: float, cast: list<string>, factor: float}  $scoured
     */
    private function __construct(private array $tear, private array $undercuts, private array $stiff, private array $scoured) {}

    public static function from(Fields $in): self
    {
        $in->only('tear', 'undercuts', 'stiff', 'scoured');
        [$tear, $undercuts, $stiff, $scoured] = [
            $in->object('tear')->only('of_n_mm', 'power', 'least', 'most', 'says'),
            $in->object('undercuts')->only('none', 'slight', 'deep', 'says'),
            $in->object('stiff')->only('over_a', 'undercuts', 'factor', 'says'),
            $in->object('scoured')->only('over_a', 'cast', 'factor', 'says'),
        ];
        $depths = ['none', 'slight', 'deep'];

        return new self(
            [
                'of' => $tear->positive('of_n_mm'), 'power' => $tear->number('power', 0.0, 3.0), 'least' => $tear->positive('least'),
                'most' => $tear->positive('most'),
            ],
            array_combine($depths, array_map(static fn (string $depth): float => $undercuts->positive($depth), $depths)),
            ['over' => $stiff->number('over_a'), 'undercuts' => $stiff->strings('undercuts'), 'factor' => $stiff->positive('factor')],
            ['over' => $scoured->number('over_a'), 'cast' => $scoured->strings('cast'), 'factor' => $scoured->positive('factor')],
        );
    }

    /**
     * @param  float|null  $tear  N/mm; null where nobody knows
     * @param  float|null  $shoreA  likewise
     * @param  string|null  $undercuts  none, slight, deep; null where nobody has said
     * @return float of the casts that are usual
     */
    public function factor(Family $mould, Family $cast, ?float $tear, ?float $shoreA, ?string $undercuts): float
    {
        if ($mould->makes !== self::MAKES) {
            return 1.0;
        }
        $factor = $undercuts === null ? 1.0 : ($this->undercuts[$undercuts] ?? 1.0);
        $factor *= $tear === null
            ? 1.0
            : max($this->tear['least'], min($this->tear['most'], ($tear / $this->tear['of']) ** $this->tear['power']));
        $factor *= $shoreA !== null && $shoreA > $this->stiff['over'] && in_array($undercuts, $this->stiff['undercuts'], true)
            ? $this->stiff['factor']
            : 1.0;

        return $factor * (
            $shoreA !== null && $shoreA > $this->scoured['over'] && $cast->isAnyOf($this->scoured['cast']) ? $this->scoured['factor'] : 1.0
        );
    }
}
