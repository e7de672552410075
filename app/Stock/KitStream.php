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
use App\Models\Kit;
use Carbon\CarbonImmutable;

/** The kits of a sheet: what one costs, and at how much left the next is ordered. */
final readonly class KitStream implements Stream
{
    private function __construct(public RecordedKit $recorded) {}

    /** With the turn taken to write to it; the first word makes it. */
    public static function open(string $code): self
    {
        $kit = Kit::query()->createOrFirst(['code' => $code]);

        return new self(RecordedKit::of(Kit::query()->lockForUpdate()->findOrFail($kit->id)));
    }

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

    public function appended(Happened $told): static
    {
        $recorded = RecordedKit::of($this->recorded->kit);
        $recorded->write();

        return new self($recorded);
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
