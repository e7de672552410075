<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Store\Doubt;
use Apalos\Core\Store\LotFactKind;
use App\Facts\Happened;
use App\Facts\StepHasMoved;
use App\Facts\Stream;
use App\Facts\TakenBack;
use App\Models\Lot;
use App\Models\LotPart;
use Carbon\CarbonImmutable;

/** A lot on the shelf: what may be told of it. What runs draw from it is told in the runs. */
final readonly class LotStream implements Stream
{
    public function __construct(public RecordedLot $recorded) {}

    public static function name(): string
    {
        return RecordedLot::STREAM;
    }

    public static function believedHours(): int
    {
        return 48;
    }

    public function id(): int
    {
        return $this->recorded->lot->id;
    }

    public function beganAt(): CarbonImmutable
    {
        return $this->recorded->lot->created_at;
    }

    public function facts(): array
    {
        return $this->recorded->facts;
    }

    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array
    {
        $kind = Fields::of(['kind' => $kind])->choice('kind', LotFactKind::class);
        $lot = $this->recorded->lot;
        if ($lot->ended_at !== null && in_array($kind, [LotFactKind::Opened, LotFactKind::Took, LotFactKind::Ended], true)) {
            throw new StepHasMoved(Phrase::of('bench.used_up_thrown_out', ['label' => $lot->label()]));
        }
        if ($lot->recalled_at !== null && in_array($kind, [LotFactKind::Opened, LotFactKind::Took], true)) {
            throw new StepHasMoved(Phrase::of('bench.marked_bad', ['label' => $lot->label()]));
        }

        return match ($kind) {
            LotFactKind::Opened => ['on' => DayOnLabel::said($payload->only('on'), 'on', $lot->got_on)],
            LotFactKind::Counted => ['part' => $this->part($payload->only('part', 'left_g'))->part, 'left_g' => $payload->number('left_g')],
            LotFactKind::Took => $this->took($payload->only('part', 'grams', 'why')),
            LotFactKind::Doubted => ['what' => $payload->only('what')->choice('what', Doubt::class)->value],
            LotFactKind::Recalled => $lot->recalled_at === null
                ? ['why' => mb_substr($payload->only('why')->text('why'), 0, 500)]
                : throw new StepHasMoved(Phrase::of('bench.called_back_already', ['label' => $lot->label()])),
            LotFactKind::Noted => ['text' => mb_substr($payload->only('text')->text('text'), 0, 2000)],
            LotFactKind::Priced => ['price' => Money::written($payload->only('price'), 'price')->toString()],
            LotFactKind::Ended => ['why' => mb_substr($payload->only('why')->textOrNull('why') ?? '', 0, 500)],
            LotFactKind::Returned => $lot->ended_at !== null || $lot->recalled_at !== null
                ? []
                : throw new StepHasMoved(Phrase::of('bench.lot_is_in_use', ['label' => $lot->label()])),
            LotFactKind::Undone => TakenBack::of($payload, $this->recorded->state->takeBack),
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

    private function part(Fields $in): LotPart
    {
        $part = $in->text('part');

        return $this->recorded->lot->parts->first(static fn (LotPart $one): bool => $one->part === $part)
            ?? throw BadInput::at($in->at('part'), Phrase::of('bench.kit_has_no_part', ['part' => $part]));
    }

    /** @return array{part: string, grams: float, why: string} */
    private function took(Fields $in): array
    {
        $part = $this->part($in);
        $grams = $in->positive('grams');
        if ($grams > $part->left_g + 0.0005) {
            throw BadInput::at($in->at('grams'), Phrase::of('bench.lot_has_less', [
                'left' => Quantity::mass($part->left_g), 'asked' => Quantity::mass($grams),
            ]));
        }

        return ['part' => $part->part, 'grams' => $grams, 'why' => mb_substr($in->textOrNull('why') ?? '', 0, 500)];
    }
}
