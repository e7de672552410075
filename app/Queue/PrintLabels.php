<?php

declare(strict_types=1);

namespace App\Queue;

use App\Labels\PrintQueue;
use App\Models\Workshop;
use App\People\ShopAtHand;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/** Hands what waits to the label printer, beside the bench. */
final class PrintLabels implements ShouldQueue
{
    use Dispatchable, Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(private readonly int $shop)
    {
        $this->onQueue(StudyPiece::AT_ONCE)->afterCommit();
    }

    public function handle(): void
    {
        ShopAtHand::enter(Workshop::query()->findOrFail($this->shop));
        app(PrintQueue::class)->drain();
    }
}
