<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Situation;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Minutes;
use App\Models\PracticeTry;
use App\Types\View;
use Carbon\CarbonImmutable;

/** The bench of a practice as one sees it beside the screen: what is in the hand, what happens, what one can do, and how its time runs. */
final readonly class PracticeBenchView implements View
{
    /** Of what happened, the last stand there. */
    private const SAID = 5;

    public function __construct(
        private PracticeTry $try,
        private PracticeBench $bench,
        private Situation $at,
        private ?CarbonImmutable $next,
        private CarbonImmutable $now,
    ) {}

    /**
     * @return array{
     *     id: int, rate: int, now_ms: int, next_ms: int|null, lid: string|null, calling_min: float|null,
     *     said: list<array{at_ms: int, code: string, text: Phrase}>, acts: list<string>, weighs: bool, idle: bool,
     * }
     */
    public function toArray(): array
    {
        $looks = $this->bench->looks($this->at);
        $zero = (int) $this->try->began_at->getTimestampMs();

        return [
            'id' => $this->try->id, 'rate' => $this->try->rate, 'now_ms' => (int) $this->now->getTimestampMs(),
            'next_ms' => $this->next === null ? null : (int) $this->next->getTimestampMs(),
            'lid' => $looks['lid'], 'calling_min' => $looks['calling'],
            'said' => array_map(
                static fn (array $one): array => [
                    'at_ms' => $zero + Minutes::ms($one['at_min']), 'code' => $one['code'], 'text' => $one['text'],
                ],
                array_slice($looks['said'], -self::SAID),
            ),
            'acts' => [...($looks['calling'] === null ? [] : ['stay', 'go']), ...self::acts($this->at)],
            'weighs' => $this->at->line > 0,
            // Between two operations of a build hours and days pass.
            'idle' => $this->at->step === null,
        ];
    }

    /** @return list<string> what one can do at it, beside weighing */
    private static function acts(Situation $at): array
    {
        $canTouch = $at->laidAt !== null
            || ($at->metAt !== null && in_array($at->step, [StepKind::Mix, StepKind::Degas, StepKind::Fill, StepKind::Wait], true));

        return [
            ...match ($at->step) {
                StepKind::Weigh => ['other_tub', 'clear_pan'],
                StepKind::Contacts => ['other_ground'],
                StepKind::Degas => ['let_air'],
                StepKind::Fill, StepKind::Wait => $at->filledAt === null ? [] : ['clay'],
                default => [],
            },
            ...($canTouch ? ['touch'] : []),
        ];
    }
}
