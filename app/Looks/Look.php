<?php

declare(strict_types=1);

namespace App\Looks;

use App\Library\Library;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * What stands around every screen and on the bench is looked at by everybody, again and again: what was put together holds until the
 * database says that something of it has changed ({@see \App\Database\ChangeCount}), and never for longer than a moment of the day.
 */
final readonly class Look
{
    /** Raised where what is held looks otherwise. */
    private const EDITION = 4;

    public function __construct(private Workshop $workshop, private Library $library, private Memo $memo) {}

    /** How often anything changed. Asked before anything else is: what changes meanwhile is seen at the next look. */
    public function changes(): int
    {
        $changes = DB::table('workshops')->where('id', $this->workshop->id)->value('change_count');

        return is_numeric($changes) ? (int) $changes : 0;
    }

    /**
     * @template T
     *
     * @param  int  $holdsS  for how many seconds at most: what is planned and not begun does not stay in the past
     * @param  callable(): T  $put
     * @param  (callable(): bool)|null  $holds  whether it may be held; asked afterwards
     * @return T
     */
    public function of(string $what, int $changes, CarbonImmutable $now, int $holdsS, callable $put, ?callable $holds = null): mixed
    {
        $moment = intdiv((int) $now->getTimestamp(), $holdsS);

        return $this->memo->of(
            $what,
            [
                $this->workshop->edition, $changes, $this->library->stamp(), $this->library->stamp('contacts'),
                self::EDITION, $moment,
            ],
            $put, $holds,
        );
    }
}
