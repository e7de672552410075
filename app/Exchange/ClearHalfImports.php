<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Models\Import;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** A file that was half taken in when its worker died goes out again: none of it stays. */
final readonly class ClearHalfImports
{
    /** A worker that takes a file in says so at every step; who says nothing for so long is no more. */
    private const SILENT_S = 300;

    public function __construct(private SwatchImport $take, private Phrasebook $words) {}

    public function __invoke(CarbonImmutable $now): int
    {
        $silent = Import::query()
            ->where(
                static fn ($half) => $half->where('state', Import::RUNNING)->orWhere(
                    static fn ($stopped) => $stopped->where('state', Import::CANCELLED)->whereNotNull('made'),
                ),
            )
            ->where(static fn ($seen) => $seen->whereNull('seen_at')->orWhere('seen_at', '<', $now->subSeconds(self::SILENT_S)))
            ->get();

        return $silent->filter(fn (Import $import): bool => $this->one($import))->count();
    }

    /** @return bool false where somebody else has seen to it */
    public function one(Import $import): bool
    {
        return DB::transaction(function () use ($import): bool {
            $import = Import::query()->lockForUpdate()->findOrFail($import->id);
            $isStopped = $import->state === Import::CANCELLED && $import->made !== null;
            if (! $isStopped && ! in_array($import->state, [Import::RUNNING, Import::WAITING], true)) {
                return false;
            }
            $import->made === null || $this->take->takeOut($import->made);
            $import->update(
                $isStopped
                    ? ['made' => null]
                    : [
                        'state' => Import::REFUSED, 'made' => null,
                        'wrong' => $this->words->say(Phrase::of('bench.broke_off_bench_computer')),
                    ],
            );

            return true;
        });
    }
}
