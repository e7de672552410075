<?php

declare(strict_types=1);

namespace App\PourSheets;

use App\Models\Pour;
use App\Models\PourState;
use App\Room\CureClock;

/** The sheets that are being planned, asked for once a request. */
final class Drafts
{
    private const MOST = 30;

    /** @var list<Pour>|null */
    private ?array $pours = null;

    public function __construct(private readonly CureClock $clock) {}

    /** @return list<Pour> the one touched last first */
    public function all(): array
    {
        if ($this->pours === null) {
            $planned = Pour::query()->withTitle()->where('state', PourState::Draft)->atHand()
                // A coat that is planned is on the bench with its build.
                ->plain()->orderByDesc('pours.updated_at')->orderByDesc('pours.id')->limit(self::MOST)->get();
            $this->clock->learn(
                array_values(array_filter($planned->map(static fn (Pour $pour): ?string => $pour->baseCode())->all(), is_string(...))),
            );
            $this->pours = array_values($planned->all());
        }

        return $this->pours;
    }
}
