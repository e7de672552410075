<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Facts\Fact as CoreFact;
use Apalos\Core\Store\KitFactKind;
use Apalos\Core\Store\KitState;
use App\Facts\Happened;
use App\Models\Kit;
use Carbon\CarbonImmutable;

/** What was said of the kits of a sheet. */
final readonly class RecordedKit
{
    public const STREAM = 'kit';

    /** @param  list<Happened>  $facts */
    private function __construct(public Kit $kit, public KitState $state, public array $facts) {}

    public static function of(Kit $kit): self
    {
        $facts = Happened::in(self::STREAM, [$kit->id])[$kit->id];

        return new self($kit, KitState::of(array_map(static fn (Happened $fact): CoreFact => new CoreFact($fact->id, KitFactKind::from($fact->kind), $fact->atMs / 60_000.0, $fact->payload), $facts)), $facts);
    }

    /** Writes down what lists need to know of it. */
    public function write(): void
    {
        $this->kit->update([
            'price' => $this->state->price, 'mass_g' => $this->state->massG, 'reorder_g' => $this->state->reorderG,
            'priced_at' => $this->state->pricedAt === null ? null : CarbonImmutable::createFromTimestampMs((int) round($this->state->pricedAt * 60_000.0), 'UTC'),
        ]);
    }
}
