<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Care;
use Apalos\Core\Build\Operation;
use App\Contacts\JobContacts;
use App\Library\Library;

/**
 * Every hazard of what a step of a build touches: of what it mixes and what is weighed into that, of the sealer and the release it puts on.
 */
final readonly class StepHazards
{
    public function __construct(private Library $library, private JobContacts $contacts) {}

    /** @return list<string> ids of cautions, those of the step itself first */
    public function of(RecordedBuild $recorded, Operation $operation): array
    {
        $hazards = $operation->cautions;
        $shelf = $this->library->shelf();
        if ($operation->mixing !== null) {
            $base = $shelf->bases[$operation->mixing->base ?? $recorded->build->impression->material ?? ''] ?? null;
            $worked = $this->library->castingsHere()->choose(
                $operation->mixing->casting ?? $base?->casting, $base->family ?? '', $base?->ratio->isOnePart() === true, false,
            );
            $with = array_map(
                fn (array $one): array => ($shelf->additives[$one['code']] ?? null)?->sheet()->strings('hazards') ?? [], $worked->with,
            );
            $hazards = array_merge(
                $hazards, $base->hazards ?? [], $this->library->knowledge()->families[$base->family ?? '']->hazards ?? [], $worked->hazards,
                ...$with,
            );
        }

        return array_values(array_unique([...$hazards, ...$this->putOn($recorded, $operation)]));
    }

    /** @return list<string> */
    private function putOn(RecordedBuild $recorded, Operation $operation): array
    {
        [$release, $seal] = [in_array(Care::Release, $operation->care, true), in_array(Care::Seal, $operation->care, true)];

        return $release || $seal ? $this->contacts->putOn($recorded->build->impression, $release, $seal) : [];
    }
}
