<?php

declare(strict_types=1);

namespace App\Reads;

use App\Models\Pour;
use App\Models\PourState;

/**
 * A sheet that is being planned: an answer can be weighed for it and written into it.
 *
 * @phpstan-type DraftShape array{id: int, base: string, name: string}
 */
final readonly class DraftView implements View
{
    private const MOST = 40;

    public function __construct(private Pour $pour) {}

    /** @return list<DraftShape> the last touched first */
    public static function all(): array
    {
        $drafts = Pour::query()->where('state', PourState::Draft)->with('impression.job')->orderByDesc('updated_at')->limit(self::MOST)->get()
            ->filter(static fn (Pour $pour): bool => ! $pour->impression->trashed() && ! $pour->impression->job->trashed());

        return array_values($drafts->map(static fn (Pour $pour): array => (new self($pour))->toArray())->all());
    }

    /** @return DraftShape */
    public function toArray(): array
    {
        return ['id' => $this->pour->id, 'base' => $this->pour->baseCode() ?? '', 'name' => "{$this->pour->impression->job->name}, {$this->pour->impression->name}"];
    }
}
