<?php

declare(strict_types=1);

namespace Tests;

use App\Models\PracticeTry;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** Walks a practice through the doors a screen uses, by the display as a hand would: well, or as badly as it is told to. */
trait WalksPractice
{
    private int $told = 0;

    private ?PracticeTry $try = null;

    private function begin(string $scenario): PracticeTry
    {
        $this->post('/practice', ['scenario' => $scenario])->assertRedirect()->assertSessionHasNoErrors();

        return $this->try = PracticeTry::query()->latest('id')->firstOrFail();
    }

    /** @param  array<string, mixed>  $payload */
    private function tell(string $where, string $kind, array $payload = []): TestResponse
    {
        return $this->postJson(
            $where.(str_starts_with($where, '/builds') ? '/facts' : '/events'),
            ['key' => 'told-'.(++$this->told), 'kind' => $kind, 'payload' => $payload],
        );
    }

    private function at(): array
    {
        return ['X-Practice' => (string) $this->try?->id];
    }

    private function act(string $act): void
    {
        $this->postJson('/practice/bench', ['act' => $act], $this->at())->assertOk();
    }

    private function pass(float $minutes): void
    {
        $this->postJson('/practice/bench', ['jump_min' => $minutes], $this->at())->assertOk();
    }

    private function pour(string $line, float $seconds = 6.0): void
    {
        $this->postJson('/devices/scale/hand', ['line' => $line], $this->at())->assertOk();
        $this->travel((int) (1000 * $seconds))->milliseconds();
    }

    /** @return array<string, mixed> */
    private function ends(): array
    {
        $this->post("/practice/tries/{$this->try?->id}/end")->assertRedirect("/practice/tries/{$this->try?->id}");

        return $this->try?->refresh()->came_to ?? [];
    }

    /**
     * Walks a run from where it stands to its end.
     *
     * @param  array<string, mixed>  $how what is done otherwise: `mix`, `air`, `wait` shares of what is meant; `slack` grams too much;
     *   `look` at contacts; `touch` before it goes in
     */
    private function walk(string $pour, array $how = [], string $until = 'done'): void
    {
        $run = "/pours/{$pour}";
        for ($i = 0; $i < 80; $i++) {
            $state = $this->getJson("{$run}/state")->assertOk()->json();
            $step = $state['step'];
            if (in_array($step['kind'], [$until, 'done', 'given_up'], true)) {
                return;
            }
            match ($step['kind']) {
                'gear' => [$this->pass($how['gear'] ?? 0.5), $this->tell($run, 'confirmed', ['step' => $step['key']])->assertOk()],
                'contacts' => $this->contacts($run, $state, $how),
                'tare' => [$this->pour('CLR', 2.0), $this->tell($run, 'confirmed', ['step' => $step['key']])->assertOk()],
                'weigh' => $this->weigh($run, $state, $how),
                'rescue' => $this->tell($run, ($how['keep'] ?? false) ? 'kept' : 'rescued', ['step' => $step['key']])->assertOk(),
                'heat' => $this->heats($run, $state, $how),
                'mix' => [
                    $this->calling() && $this->act($how['answer'] ?? 'stay'),
                    $this->pass($state['clock']['mix_min'] * ($how['mix'] ?? 1.0)),
                    $this->tell($run, 'confirmed', ['step' => $step['key']])->assertOk(),
                ],
                'degas' => [
                    $this->pass(0.4), ($how['let_air'] ?? true) && $this->act('let_air'),
                    $this->pass($state['clock']['degas_min'] * ($how['air'] ?? 1.0)),
                    $this->tell($run, 'confirmed', ['step' => $step['key']])->assertOk(),
                ],
                'fill' => [$this->pass($how['dawdle'] ?? 0.5), $this->tell($run, 'confirmed', ['step' => $step['key']])->assertOk()],
                'wait' => $this->wait($run, $state, $how),
                'grade' => $this->tell($run, 'graded', [
                    'step' => $step['key'], 'grade' => 'good', 'faults' => [], 'used_g' => $state['weighed_g'], 'pieces' => 1, 'note' => '',
                ])->assertOk(),
                default => $this->tell($run, 'confirmed', ['step' => $step['key']])->assertOk(),
            };
        }
        self::fail('It never came to an end.');
    }

    /** Heat on until the probe reads what it must: in steps, or as long as somebody thinks. */
    private function heats(string $run, array $state, array $how): void
    {
        $stove = fn (string $line) => $this->postJson('/devices/probe/hand', ['line' => $line], $this->at())->assertOk();
        $reads = fn (): float => (float) $this->getJson('/devices/probe', $this->at())->assertOk()->json('celsius');
        $stove('ON');
        if (isset($how['heat_min'])) {
            $this->pass($how['heat_min']);
        }
        for ($i = 0; ! isset($how['heat_min']) && $i < 60; $i++) {
            $this->pass(0.2);
            $c = $reads();
            $this->tell($run, 'heated', ['step' => $state['step']['key'], 'c' => round($c), 'by' => 'probe'])->assertOk();
            if ($c >= $state['heat']['from_c'] + 2.0) {
                break;
            }
        }
        isset($how['says_c']) && $this->tell($run, 'heated', ['step' => $state['step']['key'], 'c' => $how['says_c']])->assertOk();
        $this->tell($run, 'confirmed', ['step' => $state['step']['key'], 'sure' => true])->assertOk();
        isset($how['cools']) && $this->pass($how['cools']);
    }

    private function calling(): bool
    {
        return $this->getJson('/practice/bench', $this->at())->json('calling_min') !== null;
    }

    private function contacts(string $run, array $state, array $how): void
    {
        ($how['look'] ?? true)
            && $this->getJson('/practice/bench', $this->at())->json('said.0.code') !== null
            && str_starts_with((string) $this->getJson('/practice/bench', $this->at())->json('said.0.code'), 'ground_')
            && $this->act('other_ground');
        foreach ($state['checklist'] as $item) {
            if ($item['done']) {
                continue;
            }
            if ($item['minutes'] > 0) {
                $this->tell($run, 'begun', ['item' => $item['id']])->assertOk();
                $this->pass($item['minutes'] * ($how['wait_items'] ?? 1.0));
            }
            $this->pass($how['tick'] ?? 0.2);
            $this->tell($run, 'checked', ['item' => $item['id']])->assertOk();
        }
        $this->tell($run, 'confirmed', ['step' => $state['step']['key']])->assertOk();
    }

    private function weigh(string $run, array $state, array $how): void
    {
        $bench = $this->getJson('/practice/bench', $this->at())->assertOk()->json();
        if (($how['read_lids'] ?? true) && ! in_array($bench['lid'], [null, $state['line']['add']], true)) {
            $this->act('other_tub');
        }
        $shown = (float) ($this->getJson('/devices/scale', $this->at())->json('grams') ?? 0.0);
        $want = round(max(0.1, $state['line']['running'] - $shown), 2);
        ($how['keep'] ?? false) ? $this->pour("+{$want}") : $this->slowly($want, $how['careful'] ?? true);
        for ($i = 0; $i < 12; $i++) {
            $reading = $this->getJson('/devices/scale', $this->at())->json();
            if ($reading['lost'] !== null) {
                if ($how['blind'] ?? false) {
                    $this->tell($run, 'weighed', [
                        'step' => $state['step']['key'], 'reading_g' => $state['line']['running'], 'by' => 'hand', 'stable' => true,
                    ])->assertOk();

                    return;
                }
                $this->travel(10)->seconds();

                continue;
            }
            if (($how['careful'] ?? true) && $reading['grams'] > $state['line']['to'] + 5.0) {
                $this->act('clear_pan');
                $this->travel(3)->seconds();
                $reading = $this->getJson('/devices/scale', $this->at())->json();
            }
            if ($reading['grams'] >= $state['line']['from'] || ($how['short'] ?? false)) {
                $this->tell($run, 'weighed', [
                    'step' => $state['step']['key'], 'reading_g' => $reading['grams'], 'by' => 'hand', 'stable' => true,
                    'short' => $how['short'] ?? false,
                ])->assertOk();

                return;
            }
            $said = array_column($this->getJson('/practice/bench', $this->at())->json('said'), 'code');
            in_array('tube_empty', $said, true) && $this->act('other_tub');
            $this->slowly($state['line']['running'] - $reading['grams']);
        }
        self::fail('A line was never full.');
    }

    /** As a steady hand does: most of it as it comes, the last of it in a thread. */
    private function slowly(float $grams, bool $looks = true): void
    {
        if ($grams <= 27.0) {
            $this->thread($grams);

            return;
        }
        $this->postJson('/devices/scale/hand', ['line' => '>20'], $this->at())->assertOk();
        $this->travel((int) round(50 * ($grams - 22.0)))->milliseconds();
        $this->pour('|', 3.0);
        $looks && $this->act('clear_pan');
        $this->travel($looks ? 2 : 0)->seconds();
        $this->thread(null);
    }

    /** What is missing, as the display has it, at a gram a second. */
    private function thread(?float $grams): void
    {
        $state = $grams === null ? $this->getJson(str_replace('/run', '/state', (string) $this->underHands()))->json() : null;
        $reading = $grams === null ? $this->getJson('/devices/scale', $this->at())->json('grams') : null;
        $left = $grams ?? ($reading === null ? 0.0 : $state['line']['running'] - $reading);
        if ($left > 0.15) {
            $this->postJson('/devices/scale/hand', ['line' => '>1'], $this->at())->assertOk();
            $this->travel((int) round(1000 * max(0.1, $left - 0.1)))->milliseconds();
            $this->pour('|', 3.0);
        }
    }

    private function underHands(): string
    {
        $id = DB::table('pours')
            ->where('workshop_id', $this->try?->shop_id)
            ->whereIn('state', ['running', 'waiting'])
            ->orderByDesc('started_at')
            ->orderByDesc('id')
            ->value('id');

        return "/pours/{$id}/run";
    }

    private function wait(string $run, array $state, array $how): void
    {
        ($how['clay'] ?? true) && $this->act('clay');
        $left = ($state['wait']['open_likely_ms'] - $state['clock']['met_ms']) / 60_000;
        $this->pass($left * ($how['wait'] ?? 1.02));
        for ($i = 0; ($how['finger'] ?? true) && $i < 40; $i++) {
            $this->act('touch');
            $said = $this->getJson('/practice/bench', $this->at())->json('said');
            if (in_array($said[count($said) - 1]['code'], ['touch_firm', 'touch_sticky'], true)) {
                break;
            }
            $this->pass(0.05 * $left);
        }
        $this->tell($run, 'opened', ['step' => $state['step']['key']])->assertOk();
    }

    /** @return list<string> */
    private function codes(array $came, bool $good): array
    {
        return array_values(
            array_unique(array_column(array_filter($came['findings'], static fn (array $one): bool => $one['good'] === $good), 'code')),
        );
    }

    /**
     * Walks a build: each operation in its order, touched or laid by the clock.
     *
     * @param  array<string, mixed>  $how `touch` the coat below until it is tacky; `after` minutes on top of what the clock says; `answer`
     *   what is said at the door
     */
    private function build(string $place, array $how = []): void
    {
        for ($i = 0; $i < 60; $i++) {
            $build = $this->getJson("{$place}/state")->assertOk()->json();
            $open = array_values(
                array_filter($build['operations'], static fn (array $one): bool => ! in_array($one['state'], ['done', 'left_out'], true)),
            );
            if ($open === []) {
                return;
            }
            $bench = $this->getJson('/practice/bench', $this->at())->json();
            if ($bench['calling_min'] !== null) {
                $this->act($how['answer'] ?? 'stay');

                continue;
            }
            $ready = array_values(
                array_filter(
                    $open, static fn (array $one): bool => in_array($one['state'], ['ready', 'closing', 'missed', 'under_way'], true),
                ),
            );
            if ($ready === [] && ($how['hurry'] ?? false)) {
                $ready = array_values(
                    array_filter($open, static fn (array $one): bool => $one['state'] === 'waits' && $one['waits_for'] === []),
                );
            }
            if ($ready === []) {
                $opens = min(array_filter(array_column($open, 'opens_ms')));
                $this->pass(max(0.1, ($opens - $build['now_ms']) / 60_000 + 0.1));

                continue;
            }
            $next = $ready[0];
            $felt = array_filter($next['after'], static fn (array $wait): bool => $wait['from'] === 'recoat_open');
            if ($felt !== []) {
                $this->pass($how['after'] ?? 0.0);
            }
            for ($j = 0; $felt !== [] && ($how['touch'] ?? true) && $j < 40; $j++) {
                $this->act('touch');
                $said = $this->getJson('/practice/bench', $this->at())->json('said');
                $finger = str_replace('finger_', '', $said[count($said) - 1]['code']);
                $this->tell($place, 'fingered', ['op' => $felt[0]['op'], 'finger' => $finger, 'sure' => true])->assertOk();
                if ($finger !== 'comes_off') {
                    break;
                }
                $this->pass(4.0);
            }
            // What is opened is felt first: the clock of the screen is what it believes.
            $opens = array_filter($next['after'], static fn (array $wait): bool => $wait['from'] === 'demould');
            for ($j = 0; $opens !== [] && ! ($how['hurry'] ?? false) && ($how['touch'] ?? true) && $j < 40; $j++) {
                $this->act('touch');
                $said = $this->getJson('/practice/bench', $this->at())->json('said');
                if (str_starts_with($said[count($said) - 1]['code'], 'touch_')) {
                    break;
                }
                $this->pass(5.0);
            }
            if ($next['mixes']) {
                $this->post("{$place}/operations/{$next['id']}/pour", [], $this->at())->assertRedirect();
                $pour = DB::table('pours')->where('operation', $next['id'])->orderByDesc('id')->value('id');
                // What still sweats out of fresh epoxy stops it at a practice as at the bench: it stands another day.
                for ($day = 0; $day < 9; $day++) {
                    $this->flushSession();
                    $begun = $this->post(
                        "/pours/{$pour}/run?edition=".DB::table('pours')->where('id', $pour)->value('edition'),
                        $next['state'] === 'missed' || ($how['hurry'] ?? false) ? ['early' => 'Told so.'] : [],
                    );
                    if (DB::table('pours')->where('id', $pour)->value('started_at') !== null) {
                        break;
                    }
                    self::assertStringContainsString(
                        'does not go on', json_encode($begun->baseResponse->getSession()?->get('errors')?->all()) ?: '',
                    );
                    $this->pass(1440.0);
                }
                $this->walk((string) $pour, $how);
            } else {
                $this->pass(max(1.0, $next['minutes']));
                $this->tell($place, 'done', ['op' => $next['id'], 'early' => true])->assertOk();
            }
        }
        self::fail('The build never came to an end.');
    }
}
