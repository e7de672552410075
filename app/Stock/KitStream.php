<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Store\KitFactKind;
use App\Facts\Happened;
use App\Facts\Stream;
use App\Facts\TakenBack;
use Carbon\CarbonImmutable;

/** The kits of a sheet: what one costs, and at how much left the next is ordered. */
final readonly class KitStream implements Stream
{
    public function __construct(public RecordedKit $recorded) {}

    public static function name(): string
    {
        return RecordedKit::STREAM;
    }

    public static function believedHours(): int
    {
        return 48;
    }

    public function id(): int
    {
        return $this->recorded->kit->id;
    }

    public function beganAt(): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampUTC(0);
    }

    public function facts(): array
    {
        return $this->recorded->facts;
    }

    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array
    {
        return match (Fields::of(['kind' => $kind])->choice('kind', KitFactKind::class)) {
            KitFactKind::Priced => $this->priced($payload->only('price', 'mass_g')),
            KitFactKind::Reordered => ['reorder_g' => $payload->only('reorder_g')->numberOrNull('reorder_g')],
            KitFactKind::Undone => TakenBack::of($payload, $this->recorded->state->takeBack),
        };
    }

    public function with(Happened $told): static
    {
        return new self($this->recorded->with($told));
    }

    public function project(): void
    {
        $this->recorded->write();
    }

    /** @return array{price: string|null, mass_g: float|null} */
    private function priced(Fields $in): array
    {
        $price = ($in->toArray()['price'] ?? '') === '' || ! $in->has('price') ? null : Money::written($in, 'price')->toString();
        $mass = $in->positiveOrNull('mass_g');
        if ($price !== null && $mass === null) {
            throw BadInput::at('mass_g', Phrase::of('bench.say_how_much_price'));
        }

        return ['price' => $price, 'mass_g' => $mass];
    }
}
