<?php

declare(strict_types=1);

namespace App\Day;

use App\Library\Library;
use App\Models\Workshop;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;

/**
 * The frame of every screen, asked for by each of them every few seconds: what was drawn of the strip holds until the database
 * says that something of it has changed.
 *
 * @phpstan-import-type DrawnStrip from DrawStrip
 */
final readonly class KeptFrame
{
    /** Raised where the strip is drawn otherwise. */
    private const EDITION = 3;

    public function __construct(private Workshop $workshop, private Library $library, private Repository $cache) {}

    public function at(CarbonImmutable $now): FrameView
    {
        // Asked before anything else is: what changes meanwhile is seen at the next look.
        $turn = DB::table('workshops')->where('id', $this->workshop->id)->value('turn');
        // What is planned and not begun does not stay in the past.
        $rests = sprintf('%s/%d/%s/%s/%d/%d', $this->workshop->mark, $this->workshop->edition, is_numeric($turn) ? $turn : '', $this->library->stamp(), self::EDITION, intdiv((int) $now->getTimestamp(), KeptDay::HOLDS_S));
        $kept = $this->cache->get($key = "frame:{$this->workshop->id}");
        if (! is_array($kept) || ($kept['rests'] ?? null) !== $rests) {
            app(KeptDay::class)->turn = is_numeric($turn) ? (int) $turn : null;
            $kept = ['rests' => $rests, 'room_c' => app(RoomTemperature::class)->now()->degrees, 'drawn' => app(DrawStrip::class)()];
            // One that is of the plan before is drawn anew at the next look.
            app(KeptDay::class)->isOfBefore || $this->cache->forever($key, $kept);
        }
        /** @var array{room_c: float, drawn: DrawnStrip} $kept */

        return new FrameView($this->workshop, is_numeric($turn) ? (int) $turn : 0, $kept['room_c'], new StripView($kept['drawn'], (int) $now->getTimestampMs()));
    }
}
