<?php

declare(strict_types=1);

namespace App\Ways;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Ways\Ground;
use Apalos\Core\Ways\WaysFinder;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Looks\Memo;
use App\Models\Job;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/**
 * Asks for whole ways: what a maker says of the piece, and what the shop brings to it.
 *
 * @phpstan-import-type WaysShape from WaysFinder
 */
final readonly class WaysDesk
{
    public function __construct(
        private Library $library,
        private ContactBook $contacts,
        private ShopSays $shop,
        private Workshop $workshop,
        private Memo $memo,
    ) {}

    /**
     * @param  Fields  $in  `piece`, `casts` (`ready_on`, a day, in place of hours), `gear`, `shelf` (some of it), `buy_in`, `why_not`
     * @return WaysShape
     *
     * @throws BadInput
     */
    public function ask(Job $job, Fields $in, CarbonImmutable $now): array
    {
        $ground = new Ground(
            $this->contacts->knowledge(), $this->library->moulds(), $this->library->shelf(), $this->library->wear(), $this->library->ways(),
            $this->library->castingsHere(),
        );

        $question = $this->question($job, $in, $now);

        // Whoever takes what was just answered does not keep all others from writing while it is reckoned once more.
        return $this->memo->of(
            "ways:{$job->id}",
            [
                $this->library->stamp(), $this->library->stamp('contacts'),
                $this->workshop->ownRules()->orderBy('id')->pluck('rule')->all(), $question,
            ],
            static fn (): array => (new WaysFinder($ground))->ask(Fields::of($question)),
        );
    }

    /**
     * @return array<string, mixed> as the verb takes it
     *
     * @throws BadInput
     */
    public function question(Job $job, Fields $in, CarbonImmutable $now): array
    {
        $in->only('piece', 'casts', 'gear', 'shelf', 'buy_in', 'why_not');
        $casts = $in->object('casts')->only('count', 'code', 'family', 'heat_c', 'ready_on');
        $said = $casts->toArray();
        unset($said['ready_on']);
        $gear = $in->object('gear')->only('pot', 'oven', 'printer', 'vacuum')->toArray();

        return [
            ...$this->shop->toArray($job, $in->has('shelf') ? $in->strings('shelf', 200) : null, $now),
            'piece' => $in->object('piece')->toArray(), 'casts' => [...$said, 'ready_by_h' => $this->due($casts, $now)],
            'gear' => ['vacuum' => $this->workshop->vacuum === true, 'scale_g' => $this->workshop->scale_division_g, ...$gear],
            'tests' => array_slice($this->contacts->ownTests(), 0, 500),
            ...($in->has('buy_in') ? ['buy_in' => $in->toArray()['buy_in']] : []),
            ...($in->has('why_not') ? ['why_not' => $in->object('why_not')->toArray()] : []),
        ];
    }

    /** Hours from midnight until the end of the working day it is wanted on. */
    private function due(Fields $casts, CarbonImmutable $now): ?float
    {
        $day = $casts->textOrNull('ready_on');
        if ($day === null) {
            return null;
        }
        $on = CarbonImmutable::canBeCreatedFromFormat($day, 'Y-m-d')
            ? CarbonImmutable::createFromFormat('!Y-m-d', $day, $this->workshop->zone())
            : null;
        $on?->toDateString() === $day || throw BadInput::at($casts->at('ready_on'), Phrase::of('bench.give_each_day_so'));

        return $on < $this->shop->midnight($now)
            ? throw BadInput::at($casts->at('ready_on'), Phrase::of('ways.due_gone_by'))
            : ($this->shop->midnight($now)->diffInMinutes($on) + $this->workshop->day_ends_min) / 60.0;
    }

    /** A minute of the answer as a day. */
    public function day(float $minutes, CarbonImmutable $now): CarbonImmutable
    {
        return $this->shop->midnight($now)->addMinutes((int) floor($minutes));
    }
}
