<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Against;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Build\Part;
use Apalos\Core\Contact\Intent;
use Apalos\Core\Contact\Touch;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use App\Contacts\ContactBook;
use App\Contacts\JudgedContact;
use App\Library\Library;

/** What lies on what in a build, and whether it bonds, or lets go, as it is meant to. */
final readonly class Layers
{
    public function __construct(private Library $library, private ContactBook $contacts) {}

    /**
     * What of this build a mixing operation touches beside the original: the layer below, the other half, the shells that stand there
     * already; judged.
     *
     * @return list<JudgedContact>
     */
    public function contacts(RecordedBuild $recorded, Operation $operation): array
    {
        $fresh = $this->base($recorded, $operation);
        if ($fresh === null) {
            return [];
        }
        $judged = [];
        foreach ($this->touched($recorded, $operation) as $other) {
            $contact = $this->judged($recorded, $operation, $fresh, $other);
            if ($contact !== null) {
                $judged[] = $contact;
            }
        }

        return $judged;
    }

    /** Whether it lies on a bed: the first half of a mould that is built in halves does. */
    public function liesOnBed(RecordedBuild $recorded, Operation $operation): bool
    {
        if ($operation->mixing?->part !== Part::Half) {
            return false;
        }
        foreach ($recorded->state->plan->operations as $one) {
            if ($one->mixing?->part === Part::Half) {
                return $one->id === $operation->id;
            }
        }

        return false;
    }

    /** @return list<Operation> */
    private function touched(RecordedBuild $recorded, Operation $operation): array
    {
        if ($operation->mixing === null) {
            return [];
        }
        $below = $operation->mixing->against === Against::Last || $operation->mixing->part === Part::Half
            ? $this->below($recorded, $operation)
            : null;
        $before = [];
        foreach ($recorded->state->plan->operations as $one) {
            if ($one->id === $operation->id) {
                break;
            }
            $there = $one->mixing !== null && $recorded->state->operations[$one->id]->state !== OperationState::LeftOut;
            // What is cast in a tray touches no shell; everything else touches every shell and half that stands there.
            $stands = $there
                && (
                    $one->isJacket()
                    ? $operation->mixing->against !== Against::Tray || $operation->isJacket()
                    : $one->mixing->part === Part::Half && $operation->mixing->part === Part::Half
                );
            if ($stands && $one !== $below) {
                $before[] = $one;
            }
        }

        return [...$below === null ? [] : [$below], ...$before];
    }

    private function judged(RecordedBuild $recorded, Operation $operation, BaseSheet $fresh, Operation $other): ?JudgedContact
    {
        $lies = $this->base($recorded, $other);
        $knowledge = $this->contacts->knowledge();
        $surface = $lies === null ? null : $knowledge->surfaces[$knowledge->family($lies->family)->curesTo] ?? null;
        if ($surface === null) {
            return null;
        }
        $ended = $recorded->at($recorded->state->operations[$other->id]->endedAt ?? null);
        // A half lets go of the other, and everything of a shell, whatever it is meant to do with the layer below.
        $intent = $other->isJacket() || $other->mixing?->part === Part::Half ? 'separate' : $operation->mixing->intent->value ?? 'separate';
        try {
            $request = $this->contacts->asked([
                'fresh' => ['family' => $fresh->family, 'skin_safe' => $fresh->isForSkin()],
                'surface' => [
                    'id' => $surface->id,
                    'hours_since_cure' => $ended === null ? 0.5 : max(0.0, $ended->diffInMinutes($recorded->now) / 60.0),
                ],
                'intent' => $intent, 'release' => null,
            ], $fresh->code);
        } catch (BadInput) {
            return null;
        }

        return new JudgedContact(
            new Touch("layer-{$other->id}", $other->name, $surface, null), $knowledge->family($fresh->family), $request,
            $this->contacts->judge($request), [], null, $ended, null, null,
        );
    }

    /** What usually saves it where the window of the layer below has shut, and what that risks. */
    public function save(RecordedBuild $recorded, Operation $operation, BuildBook $book): ?string
    {
        $save = $this->saves($recorded, $operation, $book);

        return $save === null ? null : "{$save->text('do')} {$save->text('risks')}";
    }

    /** How thick the thin coat is that usually saves it, in mm; null where something else does. */
    public function savingCoat(RecordedBuild $recorded, Operation $operation, BuildBook $book): ?float
    {
        return $operation->mixing === null ? null : $this->saves($recorded, $operation, $book)?->numberOrNull('coat_mm');
    }

    private function saves(RecordedBuild $recorded, Operation $operation, BuildBook $book): ?Fields
    {
        $below = $operation->mixing === null ? $recorded->state->plan->layerBefore($operation) : $this->below($recorded, $operation);
        $lies = $below === null ? null : $this->base($recorded, $below);
        // What mixes nothing and has a window is more of what lies already: another mist from the same jar.
        $fresh = $operation->mixing === null ? $lies : $this->base($recorded, $operation);

        return $fresh === null || $lies === null || ($operation->mixing !== null && $operation->mixing->intent !== Intent::Bond)
            ? null
            : $book->saves($lies->family, $fresh->family);
    }

    /** Whether it meets the original: because it is meant to, or because all that was to lie between was left out. */
    public function meetsOriginal(RecordedBuild $recorded, Operation $operation): bool
    {
        return match ($operation->mixing?->part === Part::Half ? Against::Original : $operation->mixing?->against) {
            Against::Original => true,
            Against::Last => $this->below($recorded, $operation) === null,
            default => false,
        };
    }

    /** The layer it really lies on: what was left out is not there. */
    private function below(RecordedBuild $recorded, Operation $of): ?Operation
    {
        $operation = $of;
        do {
            $operation = $recorded->state->plan->layerBefore($operation);
        } while (
            $operation !== null
            && (
                $recorded->state->operations[$operation->id]->state === OperationState::LeftOut
                || ($operation->isJacket() && $of->isJacket())
            )
        );

        return $operation;
    }

    public function base(RecordedBuild $recorded, Operation $operation): ?BaseSheet
    {
        return $operation->mixing === null ? null : $this->library->shelf()->bases[$recorded->baseOf($operation) ?? ''] ?? null;
    }
}
