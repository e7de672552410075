<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/** "It was at …": what is told now and happened before, as somebody remembers it. */
final readonly class ToldLate
{
    public const FIELD = 'done_ms';

    private const FARTHEST_D = 60;

    /** A clock of a tablet may go a little ahead. */
    private const AHEAD_S = 90;

    private function __construct(private ?CarbonImmutable $said, private CarbonImmutable $zero, public CarbonImmutable $at) {}

    /**
     * @param  CarbonImmutable  $zero  from which the minutes of the stream count
     *
     * @throws BadInput for what is still to come, or so long ago that it is a slip
     */
    public static function read(Fields $in, CarbonImmutable $zero, CarbonImmutable $now): self
    {
        $ms = $in->numberOrNull(self::FIELD, 0.0, 1e14);
        if ($ms === null) {
            return new self(null, $zero, $now);
        }
        $said = CarbonImmutable::createFromTimestampMs((int) $ms, 'UTC');
        if ($said > $now->addSeconds(self::AHEAD_S)) {
            throw BadInput::at(self::FIELD, Phrase::of('bench.still_to_come'));
        }
        if ($said < $now->subDays(self::FARTHEST_D)) {
            throw BadInput::at(self::FIELD, Phrase::of('bench.more_than_days_ago', ['days' => self::FARTHEST_D]));
        }
        $said = $said->min($now);

        return new self($said, $zero, $said);
    }

    public function minutes(): float
    {
        return ((int) $this->at->getTimestampMs() - (int) $this->zero->getTimestampMs()) / 60_000.0;
    }

    /** @throws BadInput where it cannot have been before something else was */
    public function notBefore(?CarbonImmutable $earliest, Phrase|string $what): self
    {
        // The clock on the wall shows whole minutes: what is said with it may lie within the one at hand.
        if ($this->said !== null && $earliest !== null && $this->said->addMinute() <= $earliest) {
            throw BadInput::at(self::FIELD, Phrase::of('bench.told_too_early', [
                'what' => $what, 'at' => app(Workshop::class)->said($earliest, CarbonImmutable::now()),
            ]));
        }

        return $this->said !== null && $earliest !== null && $this->at < $earliest ? new self($earliest, $this->zero, $earliest) : $this;
    }

    /** @return array{done_min?: float} what is kept of it: nothing where it was told as it happened */
    public function kept(): array
    {
        return $this->said === null ? [] : ['done_min' => $this->minutes()];
    }
}
