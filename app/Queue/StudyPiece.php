<?php

declare(strict_types=1);

namespace App\Queue;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\PhraseData;
use App\Models\Study;
use App\Studies\StudyDesk;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Throwable;

/** Studies a model beside the bench: small questions go a way of their own, so that they need not wait for a large one. */
final class StudyPiece implements ShouldQueue
{
    use Dispatchable, Queueable;

    /** The queue of small questions. */
    public const AT_ONCE = 'at-once';

    public int $tries = 1;

    public int $timeout = 700;

    public function __construct(private readonly int $study) {}

    public function handle(StudyDesk $desk): void
    {
        $desk->answer(Study::query()->with('modelFile')->findOrFail($this->study));
    }

    public function failed(Throwable $why): void
    {
        Study::query()->whereKey($this->study)->update([
            'state' => Study::REFUSED, 'wrong' => json_encode(PhraseData::of(Phrase::of('piece.broke_off'))),
        ]);
    }
}
