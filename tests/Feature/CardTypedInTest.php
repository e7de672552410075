<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Fact;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Role;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesPeople;
use Tests\TestCase;

/** What was poured by its card becomes the run, each step at the time that stands on the card. */
final class CardTypedInTest extends TestCase
{
    use MakesPeople;

    /** A pour of this morning, begun by its card an hour and a half ago. */
    private function byCard(array $changes = [], int $minutesAgo = 90): Pour
    {
        $pour = $this->draft($changes)->refresh();
        $this->post("/pours/{$pour->id}/card?edition={$pour->edition}", [
            'began_ms' => (int) $this->now->subMinutes($minutesAgo)->getTimestampMs(),
        ])->assertRedirect("/pours/{$pour->id}/card");

        return $pour->refresh();
    }

    /** @return array<string, mixed> what stands on a card that went as it was planned; minutes since it was begun */
    private function filled(Pour $pour, int $met = 10, int $filled = 20): array
    {
        $page = $this->get("/pours/{$pour->id}/card")->assertOk();
        $at = static fn (int $minutes): int => (int) $pour->started_at?->addMinutes($minutes)->getTimestampMs();

        return [
            'key' => 'card-of-'.$pour->id, 'after' => $page->inertiaProps('run.last_fact_id'),
            'ticked' => ['gear', ...array_column($page->inertiaProps('run.checklist'), 'id')],
            'cups' => array_map(static fn (array $cup): array => [
                'read' => array_column($cup['lines'], 'running'), 'met_ms' => $at($met + 20 * ($cup['batch'] - 1)),
                'filled_ms' => $at($filled + 20 * ($cup['batch'] - 1)), 'heated_c' => null,
            ], $page->inertiaProps('card.cups')),
            'gelled_ms' => null, 'opened_ms' => null, 'left_g' => null, 'grade' => null, 'note' => '', 'sure' => [],
        ];
    }

    /** @param  array<string, mixed>  $card */
    private function typed(Pour $pour, array $card): TestResponse
    {
        return $this->postJson("/pours/{$pour->id}/card/typed", $card);
    }

    public function test_a_card_that_went_as_planned_is_the_run_and_its_times_are_those_of_the_card(): void
    {
        $pour = $this->byCard();
        $card = $this->filled($pour);
        $this->typed($pour, [
            ...$card, 'gelled_ms' => (int) $pour->started_at?->addMinutes(34)->getTimestampMs(), 'left_g' => 3.5,
            'note' => 'By the window.',
        ])->assertOk()->assertJsonPath('run.step.kind', 'wait');

        $pour->refresh();
        self::assertSame(
            ['2026-03-04 08:45', '08:55', '09:05', PourState::Waiting],
            [
                $pour->started_at?->format('Y-m-d H:i'), $pour->met_at?->format('H:i'), $pour->poured_at?->format('H:i'), $pour->state,
            ],
        );
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertEqualsWithDelta($run['planned_g'], $run['weighed_g'], 0.11);
        self::assertSame(3.5, $run['left_g']);
        self::assertSame((int) $pour->started_at?->addMinutes(34)->getTimestampMs(), $run['wait']['gelled_ms']);
        self::assertStringContainsString('Typed in from its card on 4 Mar 2026, 10:15. By the window.', $run['notes'][0]['text']);
        // What was told of it is told by hand, and once.
        $by = Fact::query()->where('kind', 'weighed')->get()->map(static fn (Fact $fact): mixed => $fact->payload['by']);
        self::assertSame(['hand'], $by->unique()->all());
        $count = Fact::query()->count();
        $this->typed($pour, [...$card, 'note' => 'Sent again.'])->assertOk();
        self::assertSame($count, Fact::query()->count());
        // The room is that of then, and the day of the log as well.
        self::assertEqualsWithDelta(20.0, $pour->room_c, 0.001);
    }

    public function test_opened_and_graded_on_the_card_it_is_in_the_log(): void
    {
        $pour = $this->byCard([], 3000);
        $this->typed($pour, [
            ...$this->filled($pour), 'opened_ms' => (int) $pour->started_at?->addMinutes(600)->getTimestampMs(), 'left_g' => 2.0,
            'grade' => ['grade' => 'good', 'faults' => ['flash'], 'pieces' => 1, 'note' => ''],
        ])->assertOk()->assertJsonPath('run.step.kind', 'done')->assertJsonPath('run.grade.grade', 'good');
        $pour->refresh();
        self::assertSame([PourState::Graded, ['flash']], [$pour->state, $pour->faults]);
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertEqualsWithDelta($run['weighed_g'] - 2.0, $pour->used_g, 0.001);
        $this->get('/log')->assertOk()->assertSee('Owl brow');
        $this->artisan('facts:verify')->assertSuccessful();
    }

    public function test_what_really_ran_in_stands_there_and_not_what_was_planned(): void
    {
        $pour = $this->byCard();
        $card = $this->filled($pour);
        [$b, $a] = $card['cups'][0]['read'];
        // Two grams too much of the first; the second was poured on to what the card says.
        $card['cups'][0]['read'][0] = round($b + 2.0, 1);
        $this->typed($pour, $card)->assertOk()->assertJsonPath('run.step.kind', 'wait');
        $lines = array_values(array_map(
            static fn (array $one): float => $one['poured_g'], $this->getJson("/pours/{$pour->id}/state")->json('cup.fills'),
        ));
        self::assertEqualsWithDelta($b + 2.0, $lines[0], 0.001);
        self::assertEqualsWithDelta($a - $b - 2.0, $lines[1], 0.001);
        self::assertSame(1, Fact::query()->where('kind', 'kept')->count(), 'What ran over was left as it was.');
    }

    public function test_what_is_far_from_meant_is_asked_about_and_nothing_is_told_until_it_is_said(): void
    {
        $pour = $this->byCard();
        $card = $this->filled($pour);
        $card['cups'][0]['read'][1] += 40.0;
        $card['cups'][0]['read'][2] += 40.0;
        $this->typed($pour, $card)
            ->assertUnprocessable()
            ->assertJsonPath('error.field', 'sure.cup-1-1')
            ->assertJsonPath('error.message', static fn (string $says): bool => str_contains($says, 'was meant. Was it so'));
        self::assertSame(0, Fact::query()->count(), 'All of it, or nothing.');
        $this->typed($pour, [...$card, 'sure' => ['cup-1-1']])->assertOk();

        $late = $this->byCard([], 600);
        $card = $this->filled($late, 10, 500);
        $this->typed($late, $card)->assertUnprocessable()->assertJsonPath('error.field', 'sure.late-1');
        $this->typed($late, [...$card, 'sure' => ['late-1']])->assertOk();

        $gel = $this->byCard([], 600);
        $card = [...$this->filled($gel), 'gelled_ms' => (int) $gel->started_at?->addMinutes(550)->getTimestampMs()];
        $this->typed($gel, $card)->assertUnprocessable()->assertJsonPath('error.field', 'sure.gelled');
        $this->typed($gel, [...$card, 'sure' => ['gelled']])->assertOk()->assertJsonPath('run.step.kind', 'wait');
    }

    public function test_three_times_the_pigment_is_asked_about_however_little_that_is(): void
    {
        $pour = $this->byCard(['formula.additives' => [['code' => 'pi-fawn', 'amount' => 0.5, 'basis' => 'pct_of_total', 'into' => 'b']]]);
        $card = $this->filled($pour);
        $lines = $this->get("/pours/{$pour->id}/card")->inertiaProps('card.cups.0.lines');
        $pinch = array_search('Fawn pigment', array_column($lines, 'label'), true);
        self::assertLessThan(1.0, $lines[$pinch]['grams']);
        // A step of the scale is no slip; twice as much again is.
        $more = static fn (float $grams): array => array_map(
            static fn (float $read, int $i): float => round($i >= $pinch ? $read + $grams : $read, 1), $card['cups'][0]['read'],
            array_keys($lines),
        );
        $typed = $this->typed($pour, [...$card, 'cups' => [[...$card['cups'][0], 'read' => $more(2.0 * $lines[$pinch]['grams'])]]]);
        $typed->assertUnprocessable()->assertJsonPath('error.field', "sure.cup-1-{$pinch}");
        $this->typed($pour, [...$card, 'cups' => [[...$card['cups'][0], 'read' => $more(0.1)]]])->assertOk();
    }

    /** @return iterable<string, array{callable(array<string, mixed>, callable(int): int): array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'a contact nobody ticked' => [
            static fn (array $card, callable $at): array => [...$card, 'ticked' => ['gear']], 'ticked',
        ];
        yield 'no gear' => [static fn (array $card, callable $at): array => [...$card, 'ticked' => []], 'ticked'];
        yield 'no word of when it met' => [
            static fn (array $card, callable $at): array => [...$card, 'cups' => [[...$card['cups'][0], 'met_ms' => null]]],
            'cups.0.met_ms',
        ];
        yield 'met before it was begun' => [
            static fn (array $card, callable $at): array => [...$card, 'cups' => [[...$card['cups'][0], 'met_ms' => $at(-30)]]],
            'cups.0.met_ms',
        ];
        yield 'in before it met' => [
            static fn (array $card, callable $at): array => [...$card, 'cups' => [[...$card['cups'][0], 'filled_ms' => $at(5)]]],
            'cups.0.filled_ms',
        ];
        yield 'in tomorrow' => [
            static fn (array $card, callable $at): array => [...$card, 'cups' => [[...$card['cups'][0], 'filled_ms' => $at(2000)]]],
            'cups.0.filled_ms',
        ];
        yield 'opened before it was in' => [
            static fn (array $card, callable $at): array => [...$card, 'opened_ms' => $at(12)], 'opened_ms',
        ];
        yield 'a display that went back' => [
            static fn (array $card, callable $at): array => [
                ...$card, 'cups' => [[...$card['cups'][0], 'read' => [$card['cups'][0]['read'][0], 20.0]]],
            ],
            'cups.0.read.1',
        ];
        yield 'nothing at all' => [static fn (array $card, callable $at): array => [...$card, 'cups' => []], ''];
        yield 'a figure that is a word' => [
            static fn (array $card, callable $at): array => [...$card, 'cups' => [[...$card['cups'][0], 'read' => ['lots']]]],
            'cups.0.read.0',
        ];
        yield 'a grade nobody gives' => [
            static fn (array $card, callable $at): array => [
                ...$card, 'opened_ms' => $at(85), 'grade' => ['grade' => 'grand', 'faults' => [], 'pieces' => 1, 'note' => ''],
            ],
            'grade.grade',
        ];
    }

    /** @param  callable(array<string, mixed>, callable(int): int): array<string, mixed>  $wrong */
    #[DataProvider('wrong')]
    public function test_what_cannot_have_been_is_a_sentence_at_its_field_and_nothing_is_told(callable $wrong, string $field): void
    {
        $pour = $this->byCard();
        $at = static fn (int $minutes): int => (int) $pour->started_at?->addMinutes($minutes)->getTimestampMs();
        $answer = $this->typed($pour, $wrong($this->filled($pour), $at));
        if ($field === '') {
            // Gear and contacts alone were seen: that stands, and the run waits at its first cup.
            $answer->assertOk()->assertJsonPath(
                'run.step.kind', static fn (string $kind): bool => in_array($kind, ['premix', 'tare'], true),
            );

            return;
        }
        $answer->assertUnprocessable()->assertJsonPath('error.field', $field);
        self::assertSame(0, Fact::query()->count());
    }

    public function test_several_cups_one_beside_the_other_keep_their_own_clocks(): void
    {
        $pour = $this->byCard(['volume.volume_ml' => 900, 'plan.vessel.capacity_ml' => 600], 240);
        $card = $this->filled($pour);
        self::assertGreaterThan(1, count($card['cups']));
        $at = static fn (int $minutes): int => (int) $pour->started_at?->addMinutes($minutes)->getTimestampMs();
        // The second met while the first was still being poured.
        $card['cups'][1] = [...$card['cups'][1], 'met_ms' => $at(15), 'filled_ms' => $at(26)];
        $this->typed($pour, $card)->assertOk()->assertJsonPath('run.step.kind', 'wait');
        $cups = $this->getJson("/pours/{$pour->id}/state")->json('cups');
        self::assertSame([$at(10), $at(15)], array_slice(array_column($cups, 'met_ms'), 0, 2));
        self::assertSame([$at(20), $at(26)], array_slice(array_column($cups, 'filled_ms'), 0, 2));
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertEqualsWithDelta($run['planned_g'], $run['weighed_g'], 0.05 * count($cups) * 2 + 0.1);
    }

    public function test_half_a_card_goes_on_in_the_run_and_the_rest_is_typed_later(): void
    {
        $pour = $this->byCard();
        $card = $this->filled($pour);
        $read = [$card['cups'][0]['read'][0], null];
        $first = [...$card, 'cups' => [[...$card['cups'][0], 'read' => $read, 'met_ms' => null, 'filled_ms' => null]]];
        $this->typed($pour, $first)->assertOk()->assertJsonPath('run.step.kind', 'weigh')->assertJsonPath('card.cups.0.lines.1.read', null);
        $rest = $this->filled($pour);
        $this->typed($pour, [...$rest, 'key' => 'the-rest'])->assertOk()->assertJsonPath('run.step.kind', 'wait');
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertEqualsWithDelta($run['planned_g'], $run['weighed_g'], 0.11);
    }

    public function test_what_somebody_told_meanwhile_is_seen_before_anything_is_typed_over_it(): void
    {
        $pour = $this->byCard();
        $card = $this->filled($pour);
        $this->record($pour, 'confirmed', ['step' => '0:gear'])->assertOk();
        $this->typed($pour, $card)
            ->assertConflict()
            ->assertJsonPath('error.field', 'after')
            ->assertJsonPath('card.gear_on', true);
        self::assertSame(1, Fact::query()->count());
        $this->typed($pour, [...$this->filled($pour), 'key' => 'seen-anew'])->assertOk()->assertJsonPath('run.step.kind', 'wait');
    }

    public function test_a_card_of_something_heated_says_how_warm_it_came_off_the_heat(): void
    {
        $pour = $this->byCard(['formula.base' => 'hv-08', 'formula.additives' => []]);
        $card = $this->filled($pour, 10, 13);
        self::assertNotNull($this->get("/pours/{$pour->id}/card")->inertiaProps('run.heat'));
        $this->typed($pour, $card)->assertUnprocessable()->assertJsonPath('error.field', 'sure.heat-1');
        $to = $this->get("/pours/{$pour->id}/card")->inertiaProps('run.heat.to_c');
        $card['cups'][0]['heated_c'] = $to;
        $this->typed($pour, $card)->assertOk()->assertJsonPath('run.step.kind', 'wait');
        self::assertSame('08:55', $pour->refresh()->met_at?->format('H:i'));
    }

    public function test_a_card_cannot_have_been_begun_tomorrow_or_half_a_year_ago(): void
    {
        $pour = $this->draft()->refresh();
        foreach ([$this->now->addHours(5), $this->now->subDays(180)] as $when) {
            $this->from("/pours/{$pour->id}")
                ->post("/pours/{$pour->id}/card?edition={$pour->edition}", ['began_ms' => (int) $when->getTimestampMs()])
                ->assertRedirect("/pours/{$pour->id}")
                ->assertSessionHasErrors('card');
        }
        self::assertNull($pour->refresh()->started_at);
        $this->get("/pours/{$pour->id}/card")->assertRedirect("/pours/{$pour->id}");
    }

    public function test_the_room_of_then_is_the_room_of_the_run(): void
    {
        $this->travelTo($this->now->subHours(3));
        $this->warm(15.0);
        $this->travelTo($this->now);
        $this->warm(27.0);
        self::assertEqualsWithDelta(15.0, $this->byCard()->room_c, 0.001);
    }

    public function test_a_card_of_many_cups_and_many_lines_is_typed_in_in_good_time(): void
    {
        $lines = array_map(
            static fn (string $code): array => ['code' => $code, 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'b'],
            ['pi-fawn', 'pi-bone', 'pi-lichen', 'pi-oxblood', 'pi-russet', 'pi-soot', 'fl-red', 'fl-blue'],
        );
        $pour = $this->byCard(
            ['volume.volume_ml' => 24 * 470, 'plan.vessel.capacity_ml' => 600, 'formula.additives' => $lines], 24 * 60,
        );
        $card = $this->filled($pour);
        self::assertGreaterThan(18, count($card['cups']));
        self::assertLessThanOrEqual(24, count($card['cups']));
        self::assertGreaterThan(180, array_sum(array_map(static fn (array $cup): int => count($cup['read']), $card['cups'])));
        $from = microtime(true);
        $this->typed($pour, $card)->assertOk()->assertJsonPath('run.step.kind', 'wait');
        self::assertLessThan(6.0, microtime(true) - $from);
    }

    public function test_coats_of_a_build_are_typed_in_one_after_the_other_and_their_windows_follow(): void
    {
        $cast = $this->impression('cast', 'br-28');
        $this->travelTo($this->now->subHours(6));
        $this->post("/impressions/{$cast->id}/builds", ['kind' => 'spread-cast', 'measured' => ['area_mm2' => 42000]])
            ->assertSessionHasNoErrors();
        $this->travelTo($this->now);
        $build = Build::query()->where('plain', false)->latest('id')->firstOrFail();
        $tell = fn (string $kind, array $payload) => $this->postJson("/builds/{$build->id}/facts", [
            'key' => $kind.json_encode($payload), 'kind' => $kind, 'payload' => $payload,
        ]);
        $at = fn (int $minutesAgo): int => (int) $this->now->subMinutes($minutesAgo)->getTimestampMs();
        $tell('done', ['op' => 'release', 'done_ms' => $at(300), 'early' => true])->assertOk();
        $byCard = function (string $op, int $began) use ($build, $at): Pour {
            $this->post("/builds/{$build->id}/operations/{$op}/pour")->assertRedirect();
            $pour = $build->pours()->where('operation', $op)->firstOrFail();
            $this->post("/pours/{$pour->id}/card?edition={$pour->edition}", ['began_ms' => $at($began)])->assertSessionHasNoErrors();

            return $pour->refresh();
        };
        $first = $byCard('detail', 240);
        $this->typed($first, [...$this->filled($first, 5, 15), 'left_g' => 1.0])
            ->assertOk()
            ->assertJsonPath('run.step.kind', 'done')
            ->assertJsonPath('card.stops', true);
        $stands = fn (string $op): array => array_values(array_filter(
            $this->getJson("/builds/{$build->id}/state")->json('operations'), static fn (array $one): bool => $one['id'] === $op,
        ))[0];
        self::assertSame($at(225), $stands('detail')['ended_ms'], 'It lay when the card says.');
        $window = $stands('body-1');
        self::assertGreaterThan($at(225), $window['opens_ms']);
        self::assertSame('missed', $window['state'], 'By now its window has shut.');
        // The next one was laid within it, and the card says so.
        $open = (int) round(($window['opens_ms'] - $at(300)) / 60_000);
        $began = 300 - $open;
        $second = $byCard('body-1', $began);
        $this->typed($second, $this->filled($second, 2, 6))->assertOk();
        self::assertContains($stands('body-1')['state'], ['done'], 'Laid in its window.');
    }

    public function test_a_guest_types_nothing_in(): void
    {
        $pour = $this->byCard();
        $card = $this->filled($pour);
        $this->person('Odila', Role::Owner);
        $this->as($this->person('Somebody', Role::Guest));
        $this->typed($pour, $card)->assertForbidden();
        self::assertSame(0, Fact::query()->count());
    }
}
