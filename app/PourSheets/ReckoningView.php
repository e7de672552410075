<?php

declare(strict_types=1);

namespace App\PourSheets;

use Apalos\Core\Cure\CureResult;
use Apalos\Core\Cure\ReadyResult;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\PourReckoning;
use Apalos\Core\Volume\VolumeResult;
use App\Types\View;

/**
 * A pour sheet with its answers: what could be computed, and what has to be put right before it can be poured.
 *
 * @phpstan-import-type MixShape from MixResult
 * @phpstan-import-type VolumeShape from VolumeResult
 * @phpstan-import-type CureShape from CureResult
 * @phpstan-import-type ReadyShape from ReadyResult
 */
final readonly class ReckoningView implements View
{
    /**
     * @param  array{ml: float, tare_g: float|null}|null  $cup  the one it was reckoned in, where nobody has chosen one
     * @param  string|null  $hardness  what the formula will read, by the shop's pucks
     * @param  ReadyResult  $ready  were it poured now
     */
    public function __construct(
        private PourReckoning $reckoning,
        private int $edition,
        private ?array $cup,
        private float $roomC,
        private ?string $hardness,
        private ReadyResult $ready,
    ) {}

    /**
     * @return array{
     *     edition: int, stamp: string, cup: array{ml: float, tare_g: float|null}|null, pourable: bool, room_c: float,
     *     errors: list<array{field: string, message: Phrase, missing: bool}>,
     *     warnings: list<array{code: string, message: Phrase}>,
     *     volume: VolumeShape|null, need_ml: float|null, allowance_ml: float|null,
     *     mix: MixShape|null,
     *     cure: CureShape|null,
     *     additives: list<array{pct_of_ab: float, pct_of_one_part: float, grams: float}>, hardness: string|null, slower: list<string>,
     *     ready: ReadyShape
     * }
     */
    public function toArray(): array
    {
        $volume = $this->reckoning->volume;

        return [
            'edition' => $this->edition,
            'cup' => $this->cup,
            'stamp' => $this->reckoning->mix?->stamp() ?? '',
            'pourable' => $this->reckoning->isPourable(),
            'room_c' => $this->roomC,
            'errors' => array_map(
                static fn (BadInput $e): array => ['field' => self::place($e->field), 'message' => $e->says, 'missing' => $e->isMissing],
                $this->reckoning->errors,
            ),
            'warnings' => $this->reckoning->warnings(),
            'volume' => $volume?->toArray(),
            // What the mould takes, and what goes beside it.
            'need_ml' => $volume?->needMl, 'allowance_ml' => $volume === null ? null : $volume->rubber->likely - $volume->needMl,
            'mix' => $this->reckoning->mix?->toArray(),
            'cure' => $this->reckoning->cure?->toArray(),
            'additives' => $this->onBothBases(),
            'hardness' => $this->hardness,
            'slower' => $this->reckoning->slower,
            'ready' => $this->ready->toArray(),
        ];
    }

    /** @return list<array{pct_of_ab: float, pct_of_one_part: float, grams: float}> each additive, in order */
    private function onBothBases(): array
    {
        [$mix, $recipe] = [$this->reckoning->mix, $this->reckoning->recipe];
        if ($mix === null || $recipe === null) {
            return [];
        }
        $shares = $recipe->composition()->onBothBases();

        return array_map(
            static fn (string $name): array => [...$shares[$name], 'grams' => $mix->parts[$name]->g ?? 0.0], array_keys($shares),
        );
    }

    /** The core names the fields of its own contract; the screen's sheet has them under the formula and the plan. */
    private static function place(string $field): string
    {
        return match (true) {
            str_starts_with($field, 'additives') => 'formula.'.$field,
            str_starts_with($field, 'base') => 'formula.base',
            str_starts_with($field, 'vessel'), str_starts_with($field, 'scale') => 'plan.'.$field,
            default => $field,
        };
    }
}
