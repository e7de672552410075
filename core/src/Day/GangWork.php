<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * Many pieces from a few moulds: cycle after cycle, each a pour by hand, a wait in the mould, and an opening by hand. Whichever mould
 * is free first is filled next, as soon as hands are there; an opening that falls due goes before the next pour.
 */
final readonly class GangWork
{
    private const MOST_CYCLES = 2000;

    private function __construct(
        private int $cycles,
        public int $moulds,
        private float $pour,
        private float $chamber,
        private float $wait,
        private float $open,
        private float $now,
        private WorkingHours $hours,
        private int $hands,
    ) {}

    /** @throws BadInput for what makes no gang, or more cycles than a workshop lives to see */
    public static function from(Fields $in, WorkingHours $hours, float $now, int $hands): self
    {
        $in->only('pieces', 'pieces_a_mould', 'moulds', 'pour_min', 'chamber_min', 'wait_min', 'open_min');
        $cycles = (int) ceil($in->positive('pieces', 100_000.0) / $in->positive('pieces_a_mould', 1000.0));
        if ($cycles > self::MOST_CYCLES) {
            throw BadInput::at($in->at('pieces'), Phrase::of('day.too_many_cycles', ['cycles' => $cycles, 'most' => self::MOST_CYCLES]));
        }
        [$pour, $open] = [$in->positive('pour_min', 600.0), $in->number('open_min', 0.0, 600.0)];
        if (max($pour, $open) > $hours->longest()) {
            throw BadInput::at($in->at('pour_min'), Phrase::of('day.longer_than_a_day', [
                'op' => 'pour', 'minutes' => max($pour, $open), 'longest' => $hours->longest(),
            ]));
        }

        return new self(
            $cycles, (int) max(1.0, floor($in->number('moulds', 1.0, 200.0))), $pour, $in->numberOrNull('chamber_min', 0.0, 600.0) ?? 0.0,
            $in->number('wait_min', 0.0, 100_000.0), $open, $now, $hours, max(1, $hands),
        );
    }

    public function run(): GangResult
    {
        [$pours, $opens] = $this->laid();
        $end = $opens === [] ? INF : max($opens);
        $more = (
            new self(
                $this->cycles, $this->moulds + 1, $this->pour, $this->chamber, $this->wait, $this->open, $this->now, $this->hours,
                $this->hands,
            )
        )->laid()[1];
        // What each would take alone, were nothing else short: the one that takes longest holds the others up.
        $loads = [
            'hands' => $this->cycles * ($this->pour + $this->open) / $this->hands,
            'moulds' => ceil($this->cycles / $this->moulds) * ($this->pour + $this->wait + $this->open),
            'chamber' => $this->cycles * $this->chamber,
        ];
        arsort($loads);

        return new GangResult(
            $this->cycles, $pours, $end, $more === [] ? INF : max($more), (string) array_key_first($loads), $loads, $this->hours,
        );
    }

    /** @return array{list<float>, list<float>} starts of pours and ends of openings; empty where the hours given run out */
    private function laid(): array
    {
        $moulds = array_fill(0, $this->moulds, $this->now);
        $hands = array_fill(0, $this->hands, $this->now);
        $chamber = $this->now;
        /** @var list<array{float, int}> $due openings that are still to come: from when, and of which mould */
        $due = [];
        [$pours, $opens] = [[], []];
        while (count($opens) < $this->cycles) {
            asort($hands);
            $hand = (int) array_key_first($hands);
            $free = $moulds;
            asort($free);
            $mould = (int) array_key_first($free);
            sort($due);
            $pourAt = count($pours) < $this->cycles && $free[$mould] < INF
                ? $this->hours->fit(max($hands[$hand], $free[$mould], $this->chamber > 0.0 ? $chamber : -INF), $this->pour)
                : INF;
            $openAt = $due === [] ? INF : $this->hours->fit(max($hands[$hand], $due[0][0]), $this->open);
            if ($pourAt === INF && $openAt === INF) {
                return [[], []];
            }
            if ($openAt <= $pourAt) {
                $of = $due[0][1];
                $due = array_slice($due, 1);
                $opens[] = $hands[$hand] = $moulds[$of] = $openAt + $this->open;
            } else {
                $pours[] = $pourAt;
                $hands[$hand] = $pourAt + $this->pour;
                $chamber = $pourAt + $this->chamber;
                $moulds[$mould] = INF;
                $due[] = [$pourAt + $this->pour + $this->wait, $mould];
            }
        }

        return [$pours, $opens];
    }
}
