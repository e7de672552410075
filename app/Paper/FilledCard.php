<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Carbon\CarbonImmutable;

/** A batch card as it was written in by hand: what the display really read, when things met and went in, how it came out. */
final readonly class FilledCard
{
    /** A card of more cups is typed in on the run. */
    public const MOST_CUPS = 24;

    private const MOST_LINES = 40;

    private const MOST_TICKS = 300;

    private const MOST_NOTE = 2000;

    /**
     * @param  string  $key  of the press: handed in twice, it is told once
     * @param  int  $after  the last fact of the run that was seen while it was typed
     * @param  list<string>  $ticked  what was seen ready, by id
     * @param  array<int, list<float|null>>  $read  by cup: what the display read after each line, grams
     * @param  array<string, array<int, CarbonImmutable>>  $moments  `met` (or off the heat) and `filled`, by cup
     * @param  array<int, float>  $heated  °C read as a cup came off the heat
     * @param  Fields|null  $grade  `grade`, `faults`, `pieces`, `note`
     * @param  list<string>  $sure  what was asked about, and was so
     */
    private function __construct(
        public string $key,
        public int $after,
        public array $ticked,
        public array $read,
        private array $moments,
        public array $heated,
        public ?CarbonImmutable $gelled,
        public ?CarbonImmutable $opened,
        public ?float $leftG,
        public ?Fields $grade,
        public string $note,
        public array $sure,
    ) {}

    /** @throws BadInput for what is no figure, no moment, or is still to come */
    public static function from(Fields $in, CarbonImmutable $now): self
    {
        $in->only('key', 'after', 'ticked', 'cups', 'gelled_ms', 'opened_ms', 'left_g', 'grade', 'note', 'sure');
        [$read, $moments, $heated] = [[], [], []];
        foreach ($in->objects('cups', self::MOST_CUPS) as $i => $cup) {
            $cup->only('read', 'met_ms', 'filled_ms', 'heated_c');
            $read[$i + 1] = $cup->has('read') ? $cup->numbersOrNull('read', 0.0, 1_000_000.0, self::MOST_LINES) : [];
            foreach (['met' => 'met_ms', 'filled' => 'filled_ms'] as $what => $field) {
                $at = self::moment($cup, $field, $now);
                $at === null || $moments[$what][$i + 1] = $at;
            }
            $c = $cup->numberOrNull('heated_c', -10.0, 400.0);
            $c === null || $heated[$i + 1] = $c;
        }

        return new self(
            $in->text('key', 40), (int) $in->number('after', 0.0, 1e15), $in->strings('ticked', self::MOST_TICKS), $read, $moments, $heated,
            self::moment($in, 'gelled_ms', $now), self::moment($in, 'opened_ms', $now),
            $in->numberOrNull('left_g', 0.0, 1_000_000.0),
            $in->objectOrNull('grade')?->only('grade', 'faults', 'pieces', 'note', 'each', 'scrap'),
            mb_substr($in->textOrNull('note') ?? '', 0, self::MOST_NOTE), $in->has('sure') ? $in->strings('sure', self::MOST_TICKS) : [],
        );
    }

    /** Where a cup met (came off the heat), or went in. */
    public function at(string $what, int $batch): ?CarbonImmutable
    {
        return $this->moments[$what][$batch] ?? null;
    }

    public function isSure(string $of): bool
    {
        return in_array($of, $this->sure, true);
    }

    private static function moment(Fields $in, string $key, CarbonImmutable $now): ?CarbonImmutable
    {
        $ms = $in->numberOrNull($key, 0.0, 1e14);
        $moment = $ms === null ? null : CarbonImmutable::createFromTimestampMs((int) $ms, 'UTC');

        return $moment !== null && $moment > $now->addMinute()
            ? throw BadInput::at($in->at($key), Phrase::of('bench.still_to_come'))
            : $moment?->min($now);
    }
}
