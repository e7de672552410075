<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exchange\SwatchExport;
use App\Models\Import;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesSwatches;
use Tests\TestCase;

/** No question, however long, keeps the bench from what it is for. */
final class SmallQuestionsTest extends TestCase
{
    use MakesSwatches;

    /** Nothing that is answered at once takes longer. */
    private const AT_ONCE_S = 2.0;

    /** @return iterable<string, array{string, array<string, mixed>, int}> */
    public static function long(): iterable
    {
        $pucks = static fn (int $n): array => array_map(
            static fn (int $i): array => ['pct_of_ab' => $i % 100, 'reading' => 10 + $i * 7 % 80, 'scale' => '00'], range(1, $n),
        );
        $harden = ['base' => ['shore' => 10, 'scale' => 'A', 'max_pct' => 100]];
        yield 'as many pucks as a shop could ever cast' => ['/api/reckon/harden', [...$harden, 'swatches' => $pucks(400)], 200];
        yield 'twice as many' => ['/api/reckon/harden', [...$harden, 'swatches' => $pucks(800)], 422];
        yield 'fifty thousand coats' => [
            '/api/reckon/volume', ['method' => 'coats', 'coats' => array_fill(0, 50_000, ['area_mm2' => 1, 'thickness_mm' => 1])], 413,
        ];
        yield 'two hundred drawdowns' => [
            '/api/reckon/tint',
            [
                'base' => [
                    'drawdowns' => array_fill(0, 200, ['thickness_mm' => 1, 'over_white' => [90, 0, 0], 'over_black' => [50, 0, 0]]),
                ],
                'pigments' => [], 'loads' => [],
            ],
            422,
        ];
        yield 'a long row of numbers' => ['/api/reckon/harden', [...$harden, 'at_pct_of_ab' => range(0, 499, 0.1)], 422];
    }

    /** @param  array<string, mixed>  $question */
    #[DataProvider('long')]
    public function test_it_is_answered_or_refused_within_a_moment(string $to, array $question, int $status): void
    {
        $begun = hrtime(true);
        $answer = $this->postJson($to, $question);

        self::assertSame($status, $answer->getStatusCode(), (string) $answer->getContent());
        self::assertLessThan(self::AT_ONCE_S, (hrtime(true) - $begun) / 1e9);
        $status === 200 || self::assertMatchesRegularExpression('/at most|too much/', (string) $answer->json('error.message'));
    }

    public function test_two_at_a_time_are_worked_out_and_facts_never_wait(): void
    {
        $held = [];
        foreach ([0, 1] as $place) {
            $held[$place] = fopen(storage_path("framework/cache/place-{$place}"), 'c');
            self::assertNotFalse($held[$place]);
            flock($held[$place], LOCK_EX);
        }
        $question = ['base' => ['shore' => 10, 'scale' => 'A', 'max_pct' => 100], 'at_pct_of_ab' => [0]];
        $begun = hrtime(true);
        $this->postJson('/api/reckon/harden', $question)->assertStatus(503)->assertHeader('Retry-After')->assertJsonPath('error.field', '');
        self::assertLessThan(self::AT_ONCE_S, (hrtime(true) - $begun) / 1e9);
        $pour = $this->begun();
        $this->getJson('/frame')->assertOk();
        $this->record($pour, 'noted', ['text' => 'still here'])->assertOk();

        fclose($held[1]);
        $this->postJson('/api/reckon/harden', $question)->assertOk();
    }

    public function test_a_hundred_own_rules_about_everything_are_read_in_a_moment(): void
    {
        $when = [['damp' => true], ['damp' => true, 'sealed' => true], ['latex_touched' => true], ['hours_below' => 3]];
        $rules = array_map(
            static fn (int $i): array => [
                'id' => "own-{$i}", 'kind' => 'adhesion', 'fresh' => ['*'], 'surface' => ['*'],
                'when' => [...$when[$i % 4], 'solvent_below' => $i + 1], 'gives' => 'fuses', 'sure' => 'usual', 'text' => 'Ours.',
            ],
            range(1, 100),
        );
        $begun = hrtime(true);
        $this->from('/contacts')->post('/contacts/import', ['text' => json_encode(['rules' => $rules])])->assertRedirect('/contacts');
        self::assertLessThan(2 * self::AT_ONCE_S, (hrtime(true) - $begun) / 1e9);

        $this->from('/contacts')->post('/contacts/import', [
            'text' => json_encode(['rules' => array_fill(0, 101, $rules[0])]),
        ])->assertSessionHasErrors('file');
    }

    /** A file of so many pucks, each read twice. */
    private function file(int $pucks, string $lastScale = '00'): UploadedFile
    {
        $swatches = array_map(static fn (int $i): array => [
            'name' => "Puck {$i}", 'formula' => 'Many · '.$i,
            'recipe' => [
                'base' => 'pr-10', 'additives' => [['code' => 'sf-1', 'amount' => $i / 10, 'basis' => 'pct_of_ab', 'into' => 'after']],
            ],
            'poured_at' => '2026-01-05T10:00:00Z',
            'readings' => [
                [
                    'kind' => 'hardness', 'at' => '2026-01-06T10:00:00Z', 'scale' => $i === $pucks ? $lastScale : '00',
                    'readings' => [30, 31],
                ],
            ],
        ], range(1, $pucks));

        return UploadedFile::fake()->createWithContent(
            'many.json', (string) json_encode(['format' => SwatchExport::FORMAT, 'version' => 1, 'swatches' => $swatches]),
        );
    }

    public function test_a_large_file_is_taken_in_beside_the_bench_and_says_how_far_it_is(): void
    {
        Storage::fake();
        Queue::fake();
        $this->from('/swatches/drawer')
            ->post('/exchange', ['file' => $this->file(450)])
            ->assertRedirect('/swatches/drawer')
            ->assertSessionHasNoErrors();
        $import = Import::query()->firstOrFail();
        self::assertSame($import->id, $this->get('/swatches/drawer')->inertiaProps('taking'));
        self::assertNull($this->get('/swatches/drawer')->inertiaProps('taking'), 'it is named once');
        $this->getJson("/exchange/imports/{$import->id}")->assertJsonPath('state', 'waiting');
        self::assertSame(0, $this->workshop->swatches()->count());

        $steps = [];
        DB::listen(static function ($asked) use (&$steps): void {
            if (preg_match('/^update "imports" set "done" = \?/', $asked->sql) === 1) {
                $steps[] = $asked->bindings[0];
            }
        });
        app()->call([new \App\Queue\TakeFileIn($import->id), 'handle']);

        $this->getJson("/exchange/imports/{$import->id}")->assertJsonPath('state', 'done')->assertJsonPath(
            'says', 'New: 0 formula versions, 450 swatches, 450 readings, 0 colours.',
        );
        self::assertSame(450, $this->workshop->swatches()->count());
        self::assertGreaterThan(10, count($steps), 'in small steps');
        self::assertSame([], Storage::allFiles(), 'the file is gone');
        self::assertSame(
            100, count($this->postJson('/swatches/hardness', ['base' => 'pr-10', 'softener' => 'sf-1'])->json('pucks')),
            'the newest hundred draw the curve',
        );
    }

    public function test_one_that_is_stopped_or_refused_half_way_leaves_nothing(): void
    {
        Storage::fake();
        Queue::fake();
        $this->puck(60, '00', 26);
        foreach (['refused' => $this->file(450, 'Z'), 'cancelled' => $this->file(450)] as $end => $file) {
            $this->post('/exchange', ['file' => $file]);
            $import = Import::query()->orderByDesc('id')->firstOrFail();
            $seen = 0;
            $end === 'refused' || DB::listen(function ($asked) use (&$seen, $import): void {
                if (preg_match('/^update "imports" set "done"/', $asked->sql) === 1 && ++$seen === 4) {
                    $this->postJson("/exchange/imports/{$import->id}/stop")->assertOk();
                }
            });
            app()->call([new \App\Queue\TakeFileIn($import->id), 'handle']);

            $this->getJson("/exchange/imports/{$import->id}")->assertJsonPath('state', $end);
            self::assertSame(['Puck 60 %'], $this->workshop->swatches()->pluck('name')->all());
            self::assertSame(['pr-10 pucks'], $this->workshop->formulas()->pluck('name')->all());
            self::assertSame(1, DB::table('swatch_digests')->count());
        }
    }

    public function test_half_a_file_never_stays_however_its_worker_died(): void
    {
        Storage::fake();
        Queue::fake();
        foreach ([
            'the queue gives it up', 'it is handed to another worker', 'nobody asks any more',
            'it was stopped, and then its worker was killed',
        ] as $how) {
            $this->post('/exchange', ['file' => $this->file(450)]);
            $import = Import::query()->orderByDesc('id')->firstOrFail();
            // Killed after its first steps: what was in by then stands, with word of it.
            $take = app(\App\Exchange\SwatchImport::class);
            $take((string) $this->file(60)->getContent(), $this->now);
            self::assertSame(60, $this->workshop->swatches()->count());
            $import->update([
                'state' => str_starts_with($how, 'it was stopped') ? Import::CANCELLED : Import::RUNNING, 'made' => $take->made(),
                'seen_at' => $this->now->subMinutes(6),
            ]);
            match ($how) {
                'the queue gives it up' => (new \App\Queue\TakeFileIn($import->id))->failed(new \RuntimeException('killed')),
                'it is handed to another worker' => app()->call([new \App\Queue\TakeFileIn($import->id), 'handle']),
                default => app(\App\Exchange\ClearHalfImports::class)($this->now),
            };
            self::assertSame([0, 0], [$this->workshop->swatches()->count(), $this->workshop->formulas()->count()], $how);
            str_starts_with($how, 'it was stopped')
                || $this->getJson("/exchange/imports/{$import->id}")
                    ->assertJsonPath('state', 'refused')
                    ->assertJsonPath('says', fn (string $says): bool => str_contains($says, 'out again'));
        }
    }

    public function test_a_worker_that_still_says_so_is_left_to_it(): void
    {
        $import = Import::query()->create([
            'file' => 'imports/x', 'state' => Import::RUNNING, 'made' => ['formulas' => []], 'seen_at' => $this->now->subMinute(),
        ]);
        self::assertSame(0, app(\App\Exchange\ClearHalfImports::class)($this->now));
        self::assertSame(Import::RUNNING, $import->refresh()->state);
    }

    public function test_it_can_be_taken_in_again_after_that(): void
    {
        Storage::fake();
        Queue::fake();
        $this->post('/exchange', ['file' => $this->file(450)]);
        app()->call([new \App\Queue\TakeFileIn(Import::query()->orderByDesc('id')->firstOrFail()->id), 'handle']);
        self::assertSame(450, $this->workshop->swatches()->count());
        self::assertSame(450, DB::table('swatch_readings')->count());
    }
}
