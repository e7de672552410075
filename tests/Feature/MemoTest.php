<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Looks\Memo;
use App\Models\Workshop;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Tests\TestCase;

/** What takes a moment is kept beside what it rests on, for the shop it was reckoned for and no other. */
final class MemoTest extends TestCase
{
    use RefreshDatabase;

    private int $reckoned = 0;

    private function asked(mixed $rests): int
    {
        // As the next request finds it.
        $this->app->forgetScopedInstances();
        $this->app->forgetInstance(Memo::class);

        return $this->app->make(Memo::class)->of('pucks', $rests, fn (): int => ++$this->reckoned);
    }

    public function test_it_is_reckoned_once_and_again_when_what_it_rests_on_is_another(): void
    {
        self::assertSame([1, 1, 2, 3], [$this->asked(['a']), $this->asked(['a']), $this->asked(['b']), $this->asked(['a'])]);
    }

    /** A fresh demo, a shop of one's own beside it, a backup put back: the same numbers, another database. */
    public function test_another_database_on_the_same_computer_has_answers_of_its_own(): void
    {
        self::assertSame([1, 1], [$this->asked(['a']), $this->asked(['a'])]);
        Workshop::query()->firstOrFail()->forceFill(['mark' => (string) Str::ulid()])->save();
        self::assertSame([2, 2], [$this->asked(['a']), $this->asked(['a'])]);
    }

    public function test_what_may_not_be_kept_is_reckoned_each_time(): void
    {
        $memo = $this->app->make(Memo::class);
        $ask = fn (bool $holds): int => $memo->of('unsure', [], fn (): int => ++$this->reckoned, static fn (): bool => $holds);
        self::assertSame([1, 2, 3, 3], [$ask(false), $ask(false), $ask(true), $ask(false)]);
    }
}
