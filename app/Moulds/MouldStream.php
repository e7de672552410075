<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\Act;
use Apalos\Core\Care\Condition;
use Apalos\Core\Care\MouldFactKind;
use Apalos\Core\Care\MouldMark;
use Apalos\Core\Care\RetiredWhy;
use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Facts\Happened;
use App\Facts\StepHasMoved;
use App\Facts\Stream;
use App\Facts\TakenBack;
use App\Models\Mould;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Storage;

/** A mould on the rack: what may be told of it. Its casts are told in their runs. */
final readonly class MouldStream implements Stream
{
    public function __construct(
        private Rack $rack,
        private CountMould $count,
        private Workshop $workshop,
        public RecordedMould $recorded,
    ) {}

    public static function name(): string
    {
        return RecordedMould::STREAM;
    }

    /** What was washed in the evening may be told in the morning. */
    public static function believedHours(): int
    {
        return 48;
    }

    public function id(): int
    {
        return $this->recorded->mould->id;
    }

    public function beganAt(): CarbonImmutable
    {
        return $this->recorded->mould->made_at;
    }

    public function facts(): array
    {
        return $this->recorded->facts;
    }

    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array
    {
        $kind = Fields::of(['kind' => $kind])->choice('kind', MouldFactKind::class);
        $mould = $this->recorded->mould;
        if ($mould->retired_at !== null && in_array($kind, [MouldFactKind::Cared, MouldFactKind::Retired], true)) {
            throw new StepHasMoved(Phrase::of('bench.retired_bring_back_first', ['name' => $mould->name]));
        }

        return match ($kind) {
            MouldFactKind::Cared => $this->cared($payload->only('act', 'note')),
            MouldFactKind::Looked => $this->looked($payload->only('condition', 'marks', 'note')),
            MouldFactKind::Counted => ['casts' => $this->whole($payload->only('casts'))],
            MouldFactKind::Placed => ['place' => mb_substr($payload->only('place')->text('place'), 0, 120)],
            MouldFactKind::Named => ['name' => mb_substr($payload->only('name')->text('name'), 0, 160)],
            MouldFactKind::Photographed => ['photo' => self::photo($payload->only('photo'))],
            MouldFactKind::Weighed => [
                'mass_g' => $payload->only('mass_g')->positive('mass_g', 1e7), 'step_g' => $this->workshop->scale_division_g,
            ],
            MouldFactKind::Noted => ['text' => mb_substr($payload->only('text')->text('text'), 0, 2000)],
            MouldFactKind::Priced => ['cost' => Money::written($payload->only('cost'), 'cost')->toString()],
            MouldFactKind::Retired => $this->retired($payload->only('why', 'note')),
            MouldFactKind::Returned => $mould->retired_at !== null
                ? []
                : throw new StepHasMoved(Phrase::of('bench.mould_is_in_use', ['name' => $mould->name])),
            MouldFactKind::Undone => TakenBack::of($payload, $this->recorded->state->takeBack),
        };
    }

    public function with(Happened $told): static
    {
        return new self($this->rack, $this->count, $this->workshop, $this->recorded->with($told));
    }

    public function project(): void
    {
        $this->recorded->write();
        ($this->count)($this->recorded->mould);
    }

    /** Only what was kept as a photo of a mould: no other file of this computer is shown as one. */
    private static function photo(Fields $in): string
    {
        $path = $in->text('photo');

        return preg_match('#^moulds/[0-9A-Za-z]{26}\.jpg$#', $path) === 1 && Storage::exists($path)
            ? $path
            : throw BadInput::at($in->at('photo'), Phrase::of('bench.photo_sent_as_picture'));
    }

    private function whole(Fields $in): int
    {
        $casts = $in->number('casts', 0.0, 100_000.0);

        return $casts === floor($casts) ? (int) $casts : throw BadInput::at($in->at('casts'), Phrase::of('care.whole_casts'));
    }

    /** @return array{act: string, note: string} */
    private function cared(Fields $in): array
    {
        $act = $in->choice('act', Act::class);
        if ($act === Act::Rested) {
            throw BadInput::at($in->at('act'), Phrase::of('bench.nobody_does_rest_counts'));
        }

        return ['act' => $act->value, 'note' => mb_substr($in->textOrNull('note') ?? '', 0, 500)];
    }

    /** @return array{condition: string, marks: list<string>, note: string} */
    private function looked(Fields $in): array
    {
        foreach ($in->strings('marks') as $i => $mark) {
            MouldMark::tryFrom($mark) ?? throw BadInput::at($in->at("marks.{$i}"), Phrase::of('bench.what_a_mark_may_be'));
        }

        return [
            'condition' => $in->choice('condition', Condition::class)->value, 'marks' => array_values(array_unique($in->strings('marks'))),
            'note' => mb_substr($in->textOrNull('note') ?? '', 0, 500),
        ];
    }

    /** @return array{why: string, note: string} */
    private function retired(Fields $in): array
    {
        $mould = $this->recorded->mould;
        $filled = $this->rack->filledWith([$mould->id])[$mould->id] ?? null;
        if ($filled !== null) {
            throw BadInput::at('why', Phrase::of('bench.mould_is_being_cast', [
                'name' => $mould->name, 'job' => $filled['job'], 'link' => $filled['link'],
            ]));
        }

        return ['why' => $in->choice('why', RetiredWhy::class)->value, 'note' => mb_substr($in->textOrNull('note') ?? '', 0, 500)];
    }
}
