<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Build\Against;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Contact\Intent;
use Apalos\Core\Contact\Touch;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Material\BaseSheet;

/** What lies on what in a build, and whether it bonds, or lets go, as it is meant to. */
final readonly class Layers
{
    public function __construct(private Library $library, private ContactBook $contacts) {}

    /** The contact of a layer with the one below it, judged; null where it lies on something else. */
    public function under(RecordedBuild $recorded, Operation $operation): ?JudgedContact
    {
        $below = $operation->mixing?->against === Against::Last ? $this->below($recorded, $operation) : null;
        $fresh = $this->base($recorded, $operation);
        $lies = $below === null ? null : $this->base($recorded, $below);
        if ($below === null || $fresh === null || $lies === null) {
            return null;
        }
        $knowledge = $this->contacts->knowledge();
        $surface = $knowledge->surfaces[$knowledge->family($lies->family)->curesTo] ?? null;
        if ($surface === null) {
            return null;
        }
        $ended = $recorded->at($recorded->state->operations[$below->id]->endedAt ?? null);
        try {
            $request = $this->contacts->asked([
                'fresh' => ['family' => $fresh->family, 'skin_safe' => $fresh->isForSkin()],
                'surface' => ['id' => $surface->id, 'hours_since_cure' => $ended === null ? 0.5 : max(0.0, $ended->diffInMinutes($recorded->now) / 60.0)],
                'intent' => $operation->mixing->intent->value, 'release' => null,
            ], $fresh->code);
        } catch (BadInput) {
            return null;
        }

        return new JudgedContact(new Touch("layer-{$below->id}", $below->name, $surface, null), $knowledge->family($fresh->family), $request, $this->contacts->judge($request), [], null, $ended, null, null);
    }

    /** What usually saves it where the window of the layer below has shut, and what that risks. */
    public function save(RecordedBuild $recorded, Operation $operation, BuildBook $book): ?string
    {
        $below = $this->below($recorded, $operation);
        $fresh = $this->base($recorded, $operation);
        $lies = $below === null ? null : $this->base($recorded, $below);
        $save = $fresh === null || $lies === null || $operation->mixing?->intent !== Intent::Bond ? null : $book->saves($lies->family, $fresh->family);

        return $save === null ? null : "{$save->text('do')} {$save->text('risks')}";
    }

    /** Whether it meets the original: because it is meant to, or because all that was to lie between was left out. */
    public function meetsOriginal(RecordedBuild $recorded, Operation $operation): bool
    {
        return match ($operation->mixing?->against) {
            Against::Original => true,
            Against::Last => $this->below($recorded, $operation) === null,
            default => false,
        };
    }

    /** The layer it really lies on: what was left out is not there. */
    private function below(RecordedBuild $recorded, Operation $operation): ?Operation
    {
        do {
            $operation = $recorded->state->plan->layerBefore($operation);
        } while ($operation !== null && $recorded->state->operations[$operation->id]->state === OperationState::LeftOut);

        return $operation;
    }

    public function base(RecordedBuild $recorded, Operation $operation): ?BaseSheet
    {
        return $operation->mixing === null ? null : $this->library->shelf()->bases[$recorded->baseOf($operation) ?? ''] ?? null;
    }
}
