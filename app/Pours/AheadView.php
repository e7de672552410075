<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Run\Unrolled;
use App\Log\RecordedRun;
use App\Room\CureClock;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * What a tablet needs to walk a run on where the bench computer does not answer: its steps to the end, what every cup holds and still
 * wants, what follows an over-pour, and how long after A met B each window is, in the room as it is now.
 */
final readonly class AheadView implements View
{
    /**
     * So many lines ahead it is known what follows an over-pour: more than is weighed before the network is back, or is said to be gone.
     */
    private const NEAR = 16;

    public function __construct(private RecordedRun $run, private CureClock $clock, private CarbonImmutable $now) {}

    /**
     * @return array{
     *     last_fact_id: int, began_ms: int, tolerance_pct: float, second_cup_g: float, laid: bool, heated: bool,
     *     names: array<string, string>,
     *     cautions: array<string, list<array{id: string, title: string, text: Phrase}>>,
     *     steps: list<array{kind: string, batch: int, left: int}>,
     *     cups: list<array{
     *         batch: int, planned: array<string, float>, poured: array<string, float>, weighings: int, display_g: float, k: float,
     *         met_ms: int|null,
     *         queue: list<array{
     *             add: string, grams: float,
     *             over: list<array{from_g: float, to_g: float, over: string, lines: list<string>, in: array<string, float>, least: float}>,
     *         }>
     *     }>,
     *     after_met: array{
     *         pot_ends_ms: int|null, open_low_ms: int|null, open_likely_ms: int|null, open_high_ms: int|null, service_ms: int|null,
     *     }
     * }
     */
    public function toArray(): array
    {
        $unrolled = Unrolled::of($this->run->state, self::NEAR);
        $frozen = $this->run->frozen;
        $names = [];
        foreach (array_keys($this->run->cupCodes()) as $code) {
            $names[(string) $code] = $frozen->called((string) $code);
        }
        $pot = $this->clock->from($this->now, $frozen->clock, Milestone::PotLife);
        $open = $this->clock->from($this->now, $frozen->clock, Milestone::Demould);

        return [
            'last_fact_id' => $this->run->lastFactId(), 'began_ms' => (int) ($this->run->at(0.0)?->getTimestampMs() ?? 0),
            'tolerance_pct' => $this->run->plan->tolerancePct, 'second_cup_g' => RunPlan::SECOND_CUP_G,
            'laid' => $this->run->plan->endsLaid, 'heated' => $this->run->plan->heat !== null, 'names' => $names,
            'cautions' => $this->cautions(), 'steps' => $unrolled->steps,
            'cups' => array_map(fn (array $cup): array => [
                'batch' => $cup['batch'], 'planned' => $cup['planned'], 'poured' => $cup['poured'], 'weighings' => $cup['weighings'],
                'display_g' => $cup['display_g'], 'k' => $cup['k'],
                'met_ms' => $cup['met_min'] === null ? null : (int) $this->run->at($cup['met_min'])?->getTimestampMs(),
                'queue' => $cup['queue'],
            ], $unrolled->cups),
            'after_met' => [
                'pot_ends_ms' => $this->after($pot?->likely()), 'open_low_ms' => $this->after($open?->low()),
                'open_likely_ms' => $this->after($open?->likely()), 'open_high_ms' => $this->after($open?->high()),
                'service_ms' => $this->after($this->clock->from($this->now, $frozen->clock, Milestone::Service)?->likely()),
            ],
        ];
    }

    /** @return array<string, list<array{id: string, title: string, text: Phrase}>> by the step they are of */
    private function cautions(): array
    {
        $by = [];
        foreach ($this->run->pour->snapshot->content['cautions'] ?? [] as $caution) {
            $by[$caution['at'] ?? StepKind::Gear->value][] = [
                'id' => $caution['id'], 'title' => $caution['title'], 'text' => Phrase::written($caution['text']),
            ];
        }

        return $by;
    }

    private function after(?CarbonImmutable $at): ?int
    {
        return $at === null ? null : (int) $at->getTimestampMs() - (int) $this->now->getTimestampMs();
    }
}
