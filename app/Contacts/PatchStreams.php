<?php

declare(strict_types=1);

namespace App\Contacts;

use App\Facts\Streams;
use App\Models\TestPatch;
use Carbon\CarbonImmutable;

/**
 * What is told of test patches.
 *
 * @implements Streams<PatchStream>
 */
final readonly class PatchStreams implements Streams
{
    /** @param  int|null  $edition  as the patch was shown; null where what is told names the fact it is about */
    public function __construct(private ?int $edition = null) {}

    /** Those which stand as they were shown: one another screen has read since is told of by nobody. */
    public static function asShown(int $edition): self
    {
        return new self($edition);
    }

    /** @throws \App\Models\Outdated */
    public function open(int $id, CarbonImmutable $now): PatchStream
    {
        $patch = $this->edition === null ? TestPatch::query()->lockForUpdate()->findOrFail($id) : TestPatch::asShown($id, $this->edition);

        return new PatchStream(RecordedPatch::of($patch));
    }
}
