<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** What an operation waits for: from so many minutes after another has ended, and, where the window shuts again, until so many. */
final readonly class After
{
    /**
     * @param  float  $from  minutes from the end of the other to the start of this one, 0 or more
     * @param  float|null  $until  the same for the last moment; null where there is none
     */
    public function __construct(public string $operation, public float $from, public ?float $until = null) {}

    /** @throws BadInput where a window shuts before it opens */
    public static function from(Fields $in): self
    {
        $in->only('op', 'from_min', 'until_min');
        $from = $in->numberOrNull('from_min') ?? 0.0;
        $until = $in->numberOrNull('until_min');
        if ($until !== null && $until < $from) {
            throw BadInput::at($in->at('until_min'), Phrase::of('day.shuts_before_it_opens', [
                'op' => $in->text('op'), 'from' => $from, 'until' => $until,
            ]));
        }

        return new self($in->text('op'), $from, $until);
    }

    /** @return array{op: string, from_min: float, until_min: float|null} */
    public function toArray(): array
    {
        return ['op' => $this->operation, 'from_min' => $this->from, 'until_min' => $this->until];
    }
}
