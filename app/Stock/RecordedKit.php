<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Store\KitFactKind;
use Apalos\Core\Store\KitState;
use Apalos\Core\Units\Minutes;
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
        return self::from($kit, Happened::in(self::STREAM, [$kit->id])[$kit->id]);
    }

    /** The same with what was told since. */
    public function with(Happened $told): self
    {
        return self::from($this->kit, [...$this->facts, $told]);
    }

    /** @param  list<Happened>  $facts */
    private static function from(Kit $kit, array $facts): self
    {
        return new self($kit, KitState::of(Happened::read($facts, KitFactKind::class)), $facts);
    }

    /** Writes down what lists need to know of it. */
    public function write(): void
    {
        $this->kit->update([
            'price' => $this->state->price, 'mass_g' => $this->state->massG, 'reorder_g' => $this->state->reorderG,
            'priced_at' => $this->state->pricedAt === null
                ? null
                : CarbonImmutable::createFromTimestampMs(Minutes::ms($this->state->pricedAt), 'UTC'),
        ]);
    }
}
