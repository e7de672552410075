<?php

declare(strict_types=1);

namespace Apalos\Core\Trial;

use Apalos\Core\Phrase\Phrase;

/** What a trial says, plainly, and how sure it is. */
final readonly class VerdictResult
{
    public const OPEN = 'open';

    public const SURE = 'sure';

    public const LEANS = 'leans';

    public const SAME = 'same';

    public const CANNOT = 'cannot_know';

    /**
     * @param  list<array{variant: string, mean: float, beats: float, chance: float, corrected: float}>  $against  the nearest first
     * @param list<array{
     *     one: string, other: string, one_mean: float, other_mean: float, beats: float, chance: float, corrected: float, left_alone: bool,
     * }>  $pairs
     *   every two of them, those with what was left alone first
     */
    public function __construct(
        public string $word,
        public ?string $best,
        public array $against,
        public Phrase $says,
        public array $pairs = [],
    ) {}

    /**
     * @return array{
     *     word: string, best: string|null,
     *     against: list<array{variant: string, mean: float, beats: float, chance: float, corrected: float}>, says: Phrase,
     *     pairs: list<array{
     *         one: string, other: string, one_mean: float, other_mean: float, beats: float, chance: float, corrected: float,
     *         left_alone: bool,
     *     }>,
     * }
     */
    public function toArray(): array
    {
        return ['word' => $this->word, 'best' => $this->best, 'against' => $this->against, 'says' => $this->says, 'pairs' => $this->pairs];
    }
}
