<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Build\Care;
use Apalos\Core\Build\Operation;

/** Every hazard of what a step of a build touches: of what it mixes and what is weighed into that, of the sealer and the release it puts on. */
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
            $worked = $this->library->castingsHere()->choose($operation->mixing->casting ?? $base?->casting, $base->family ?? '', $base?->ratio->isOnePart() === true, false);
            $with = array_map(fn (array $one): array => ($shelf->additives[$one['code']] ?? null)?->sheet()->strings('hazards') ?? [], $worked->with);
            $hazards = array_merge($hazards, $base->hazards ?? [], $this->library->knowledge()->families[$base->family ?? '']->hazards ?? [], ...$with);
        }

        return array_values(array_unique([...$hazards, ...$this->putOn($recorded, $operation)]));
    }

    /** @return list<string> */
    private function putOn(RecordedBuild $recorded, Operation $operation): array
    {
        $asks = array_values(array_filter($operation->care, static fn (Care $care): bool => $care === Care::Release || $care === Care::Seal));
        if ($asks === []) {
            return [];
        }
        $impression = $recorded->build->impression;
        $chain = $this->contacts->chain($impression->job->loadMissing('impressions'));
        $hazards = [];
        foreach ($this->contacts->of($impression, $chain, $chain->link($impression->id)) as $contact) {
            $hazards = [...$hazards, ...(in_array(Care::Release, $asks, true) ? $contact->request->release->hazards ?? [] : []), ...(in_array(Care::Seal, $asks, true) ? $this->contacts->sealer($contact)->hazards ?? [] : [])];
        }

        return $hazards;
    }
}
