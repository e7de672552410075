<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cost\Money;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** One thing that was done well or badly, and when it was decided. */
final readonly class Finding
{
    /**
     * @param  string  $of  the run, or `build`
     * @param  float  $at  minute of the practice
     * @param  int|null  $fact  the fact that decided it: whoever tries again goes on before it; null where nobody told anything
     * @param  array<string, Quantity|Phrase|float|int|string>  $values
     * @param  float  $lost  grams
     */
    public function __construct(
        public string $code,
        public Skill $skill,
        public bool $good,
        public string $of,
        public float $at,
        public ?int $fact,
        public array $values = [],
        public float $lost = 0.0,
    ) {}

    /**
     * @return array{
     *     code: string, skill: string, good: bool, of: string, at_min: float, fact: int|null, text: Phrase, lost_g: float, lost: string,
     * }
     */
    public function toArray(Scenario $scenario): array
    {
        return [
            'code' => $this->code, 'skill' => $this->skill->value, 'good' => $this->good, 'of' => $this->of,
            'at_min' => round($this->at, 3), 'fact' => $this->fact, 'text' => Phrase::of("practice.{$this->code}", $this->values),
            'lost_g' => round($this->lost, 2), 'lost' => ($this->lost > 0.0 ? $scenario->price($this->lost) : Money::none())->toString(),
        ];
    }
}
