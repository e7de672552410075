<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** What an operation waits for: minutes after the end of another, or a time of what was mixed there, such as its recoat window. */
final readonly class Wait
{
    /**
     * @param  float|Milestone  $from  minutes, or the milestone of the other
     * @param  float|Milestone|null  $until  where its window shuts; null where it does not
     */
    public function __construct(public string $operation, public float|Milestone $from, public float|Milestone|null $until = null) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('op', 'from', 'until');
        $wait = new self(
            $in->text('op'), $in->has('from') ? self::edge($in, 'from') : 0.0, $in->has('until') ? self::edge($in, 'until') : null,
        );
        if (is_float($wait->from) && is_float($wait->until) && $wait->until < $wait->from) {
            throw BadInput::at($in->at('until'), Phrase::of('day.shuts_before_it_opens', [
                'op' => $wait->operation, 'from' => $wait->from, 'until' => $wait->until,
            ]));
        }

        return $wait;
    }

    private static function edge(Fields $in, string $key): float|Milestone
    {
        $value = $in->toArray()[$key] ?? null;
        if (! is_string($value)) {
            return $in->number($key, 0.0, 100_000.0);
        }

        return Milestone::tryFrom("{$value}_min")
            ?? throw BadInput::at($in->at($key), Phrase::of('build.unknown_edge', ['word' => $value]));
    }

    /** @return array{op: string, from: float|string, until: float|string|null} */
    public function toArray(): array
    {
        return [
            'op' => $this->operation, 'from' => self::written($this->from),
            'until' => $this->until === null ? null : self::written($this->until),
        ];
    }

    private static function written(float|Milestone $edge): float|string
    {
        return $edge instanceof Milestone ? substr($edge->value, 0, -4) : $edge;
    }
}
