<?php

declare(strict_types=1);

namespace App\PourSheets;

use App\Models\Pour;
use App\Types\View;

/**
 * A sheet that is being planned: an answer can be weighed for it and written into it.
 *
 * @phpstan-type DraftShape array{id: int, base: string, name: string}
 */
final readonly class DraftView implements View
{
    public function __construct(private Pour $pour) {}

    /** @return list<DraftShape> the last touched first */
    public static function all(Drafts $drafts): array
    {
        return array_map(static fn (Pour $pour): array => (new self($pour))->toArray(), $drafts->all());
    }

    /** @return DraftShape */
    public function toArray(): array
    {
        return [
            'id' => $this->pour->id, 'base' => $this->pour->baseCode() ?? '',
            'name' => "{$this->pour->jobName()}, {$this->pour->linkName()}",
        ];
    }
}
