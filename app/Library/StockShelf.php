<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\Workshop;
use Illuminate\Support\Facades\DB;

/** Says what of all sheets this shop has on its shelf. What it does not have is offered nowhere, and stays known where it was used. */
final readonly class StockShelf
{
    public function __construct(private Workshop $workshop) {}

    public function put(string $code, bool $here): void
    {
        $this->change(static fn (array $off): array => $here ? array_diff($off, [$code]) : [...$off, $code]);
    }

    /**
     * @param  list<string>  $off
     */
    public function leaveOut(array $off): void
    {
        $this->change(static fn (): array => $off);
    }

    /** @param  callable(list<string>): array<string>  $change */
    private function change(callable $change): void
    {
        DB::transaction(function () use ($change): void {
            $now = Workshop::query()->whereKey($this->workshop->id)->lockForUpdate()->firstOrFail();
            $this->workshop->update(['off_shelf' => array_values(array_unique($change($now->off_shelf ?? [])))]);
        }, 3);
    }
}
