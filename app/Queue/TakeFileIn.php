<?php

declare(strict_types=1);

namespace App\Queue;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrasebook;
use App\Exchange\ClearHalfImports;
use App\Exchange\SwatchImport;
use App\Machine\Cancelled;
use App\Models\Import;
use Carbon\CarbonImmutable;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\Storage;
use Throwable;

/** Takes a large file in beside the bench: in small steps, so that no fact waits for it, and it can be stopped between two. */
final class TakeFileIn implements ShouldQueue
{
    use Dispatchable, Queueable;

    public int $tries = 1;

    public int $timeout = 840;

    public function __construct(private readonly int $import) {}

    public function handle(SwatchImport $take, ClearHalfImports $clear, Phrasebook $words): void
    {
        $import = Import::query()->findOrFail($this->import);
        if ($import->state === Import::RUNNING) {
            // Whoever began it is no more.
            $clear->one($import);

            return;
        }
        if (
            Import::query()
                ->whereKey($import->id)
                ->where('state', Import::WAITING)
                ->update(['state' => Import::RUNNING, 'seen_at' => CarbonImmutable::now()]) === 0
        ) {
            return;
        }
        try {
            $new = $take->inSteps((string) Storage::get($import->file), CarbonImmutable::now(), static function (
                int $done,
                int $total,
            ) use ($import): void {
                if (
                    Import::query()
                        ->whereKey($import->id)
                        ->where('state', Import::RUNNING)
                        ->update(['done' => $done, 'total' => $total, 'seen_at' => CarbonImmutable::now()]) === 0
                ) {
                    throw new Cancelled;
                }
            }, static function (array $made) use ($import): void {
                Import::query()->whereKey($import->id)->update(['made' => json_encode($made, JSON_THROW_ON_ERROR)]);
            });
            $import->update(['state' => Import::DONE, 'new' => $new, 'made' => $take->made()]);
        } catch (Cancelled) {
            $import->update(['state' => Import::CANCELLED, 'made' => null]);
        } catch (BadInput $wrong) {
            $import->update(['state' => Import::REFUSED, 'wrong' => $wrong->ofFile($words), 'made' => null]);
        } finally {
            Storage::delete($import->file);
        }
    }

    public function failed(Throwable $why): void
    {
        $import = Import::query()->find($this->import);
        $import === null || app(ClearHalfImports::class)->one($import);
    }
}
