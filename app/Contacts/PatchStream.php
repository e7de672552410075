<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Contact\PatchFactKind;
use Apalos\Core\Input\Fields;
use App\Facts\Happened;
use App\Facts\Stream;
use App\Facts\TakenBack;
use Carbon\CarbonImmutable;

/** A test patch: what was read off it. Read again, the last word counts; taken back, the one before it. */
final readonly class PatchStream implements Stream
{
    public function __construct(public RecordedPatch $recorded) {}

    public static function name(): string
    {
        return RecordedPatch::STREAM;
    }

    public static function believedHours(): int
    {
        return 48;
    }

    public function id(): int
    {
        return $this->recorded->patch->id;
    }

    public function beganAt(): CarbonImmutable
    {
        return $this->recorded->patch->put_on_at;
    }

    public function facts(): array
    {
        return $this->recorded->facts;
    }

    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array
    {
        return match (Fields::of(['kind' => $kind])->choice('kind', PatchFactKind::class)) {
            PatchFactKind::Read => [
                'passed' => $payload->only('passed', 'note', 'photo')->bool('passed'), 'note' => $payload->textOrNull('note'),
                'photo' => $payload->textOrNull('photo'),
            ],
            PatchFactKind::Undone => TakenBack::of($payload, $this->recorded->takeBack()),
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
}
