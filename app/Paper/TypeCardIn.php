<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;
use App\Facts\AppendFact;
use App\Facts\Happened;
use App\Facts\StepHasMoved;
use App\Facts\ToldLate;
use App\Log\RecordedRun;
use App\Models\Outdated;
use App\Models\Pour;
use App\Models\Workshop;
use App\Pours\RunStreams;
use App\Pours\StartPour;
use App\Room\CureClock;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** What was poured by a card is typed in afterwards: it becomes the run, each step at its own time. All of it, or nothing. */
final readonly class TypeCardIn
{
    public function __construct(
        private AppendFact $append,
        private RunStreams $runs,
        private StartPour $start,
        private CureClock $clock,
        private Phrasebook $words,
        private Workshop $shop,
    ) {}

    /**
     * The run begins when the card says it was begun.
     *
     * @param  Fields  $in  `began_ms`, `stamp`, `early`
     *
     * @throws BadInput
     * @throws Outdated
     */
    public function begins(Pour $pour, int $edition, Fields $in, CarbonImmutable $now): Pour
    {
        $in->only('began_ms', 'stamp', 'early');
        $began = ToldLate::read(Fields::of([ToldLate::FIELD => $in->number('began_ms', 0.0, 1e14)]), $now, $now)->at;

        return ($this->start)($pour, $edition, $in->textOrNull('stamp'), $began, $in->textOrNull('early'));
    }

    /**
     * @throws BadInput for what cannot have been, or is asked about
     * @throws StepHasMoved where somebody told something of this run meanwhile
     */
    public function __invoke(int $pour, Fields $in, CarbonImmutable $now): RecordedRun
    {
        $card = FilledCard::from($in, $now);

        return DB::transaction(function () use ($pour, $card, $now): RecordedRun {
            $run = $this->runs->open($pour, $now)->run;
            $isTold = array_filter($run->facts, static fn (Happened $fact): bool => str_starts_with($fact->key, "card/{$card->key}/"));
            if ($isTold !== []) {
                return $run;
            }
            if (count($run->plan->batches) > FilledCard::MOST_CUPS) {
                throw BadInput::at('cups', Phrase::of('bench.card_too_many_cups', ['most' => FilledCard::MOST_CUPS]));
            }
            if ($run->lastFactId() !== $card->after || in_array($run->state->step->kind, [StepKind::Done, StepKind::GivenUp], true)) {
                throw new StepHasMoved(Phrase::of('bench.card_run_moved'));
            }
            $at = $run->facts === [] ? ($run->at(0.0) ?? $now) : $run->facts[count($run->facts) - 1]->at();
            $stream = ($this->append)($this->runs, $pour, Fields::of([
                'key' => "card/{$card->key}/typed", 'kind' => RunFactKind::Noted->value,
                'payload' => [
                    'text' => trim($this->words->say(Phrase::of('bench.card_typed', [
                        'at' => $now->setTimezone($this->shop->zone())->format('j M Y, H:i'),
                    ])).' '.$card->note),
                ],
            ]), $at);
            $was = $stream->run->lastFactId();
            $run = (new CardWalk($this->append, $this->clock, $card, $stream, $at))->walk();

            return $run->lastFactId() === $was ? throw BadInput::at('cups', Phrase::of('bench.card_says_nothing')) : $run;
        }, 3);
    }
}
