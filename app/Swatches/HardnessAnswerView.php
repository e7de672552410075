<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Harden\CurvePoint;
use Apalos\Core\Harden\HardenResult;
use Apalos\Core\Harden\SofteningEffectsResult;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;
use App\Types\View;

/**
 * The softener curve drawn, with the shop's pucks on it and what a target asks for. Heights (`y`) are natural logarithms of the
 * modulus, on which A and 00 are one scale.
 *
 * @phpstan-import-type HardenShape from HardenResult
 * @phpstan-import-type CostShape from SofteningEffectsResult
 * @phpstan-import-type MixShape from MixResult
 */
final readonly class HardnessAnswerView implements View
{
    private const SOFTEST_00 = 2;

    private const HARDEST_A = 60;

    /**
     * @param  list<CurvePoint>  $line
     * @param  list<ReadPuck>  $pucks
     * @param  array<int, string>  $names  of the swatches
     * @param  list<array{from: Phrase|string, text: string, href: string}>  $notes
     */
    public function __construct(
        private string $base, private string $softener, private Shore $target, private HardenResult $harden, private array $line,
        private ?SofteningEffectsResult $cost, private ?MixResult $mix, private ?Phrase $mixWrong,
        private float $limit, private float $roomC, private array $pucks, private array $names, private array $notes,
    ) {}

    /**
     * @return array{
     *     base: string, softener: string, limit_pct: float, room_c: float,
     *     target: array{scale: '00'|'A', reading: float, written: string, y: float},
     *     harden: HardenShape,
     *     line: list<array{pct: float, y: float, low_y: float, high_y: float, written: string}>,
     *     pucks: list<array{
     *         id: int, name: string, pct: float, y: float, written: string, readings: int, spread: float, off_sd: float, outlier: bool,
     *     }>,
     *     stops: list<array{scale: '00'|'A', reading: int, y: float}>,
     *     cost: CostShape|null, mix: MixShape|null, mix_wrong: Phrase|null,
     *     notes: list<array{from: Phrase|string, text: string, href: string}>
     * }
     */
    public function toArray(): array
    {
        return [
            'base' => $this->base, 'softener' => $this->softener, 'limit_pct' => $this->limit, 'room_c' => $this->roomC,
            'target' => [...$this->target->toArray(), 'written' => $this->target->written(), 'y' => log($this->target->modulus())],
            'harden' => $this->harden->toArray(),
            'line' => array_map(static fn (CurvePoint $p): array => [
                'pct' => $p->pctOfAB, 'y' => log($p->shore->modulus()), 'low_y' => self::height($p->shore->scale, $p->low),
                'high_y' => self::height($p->shore->scale, $p->high),
                'written' => Shore::of($p->shore->scale, max(0.0, round($p->shore->reading, 1)))->written(),
            ], $this->line),
            'pucks' => array_map(fn (ReadPuck $read, int $i): array => [
                'id' => $read->swatchId, 'name' => $this->names[$read->swatchId] ?? '', 'pct' => $read->puck->pctOfAB,
                'y' => $read->puck->lnModulus,
                'written' => $read->puck->shore->written(), 'readings' => $read->places, 'spread' => $read->spread,
                'off_sd' => $this->harden->pucks[$i]->offSd, 'outlier' => $this->harden->pucks[$i]->isOutlier,
            ], $this->pucks, array_keys($this->pucks)),
            'stops' => self::stops(),
            'cost' => $this->cost?->toArray(), 'mix' => $this->mix?->toArray(), 'mix_wrong' => $this->mixWrong, 'notes' => $this->notes,
        ];
    }

    private static function height(ShoreScale $scale, float $reading): float
    {
        return log(Shore::of($scale, min(99.0, max(0.0, $reading)))->modulus());
    }

    /** @return list<array{scale: '00'|'A', reading: int, y: float}> every whole reading on the scale it is trusted on, softest first */
    private static function stops(): array
    {
        $seam = log(Shore::of(ShoreScale::A, Shore::LEAST_ON_A)->modulus());
        $stops = [];
        foreach (range(self::SOFTEST_00, 99) as $reading) {
            $y = self::height(ShoreScale::DoubleO, $reading);
            if ($y < $seam) {
                $stops[] = ['scale' => ShoreScale::DoubleO->value, 'reading' => $reading, 'y' => $y];
            }
        }
        foreach (range((int) Shore::LEAST_ON_A, self::HARDEST_A) as $reading) {
            $stops[] = ['scale' => ShoreScale::A->value, 'reading' => $reading, 'y' => self::height(ShoreScale::A, $reading)];
        }

        return $stops;
    }
}
