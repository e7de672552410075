<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Care;
use Apalos\Core\Build\Operation;
use Apalos\Core\Contact\Release;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;

/**
 * What an operation that prepares has to be done with: the sealer and the release that are chosen for each contact, with coats and times.
 */
final readonly class CareAsked
{
    public function __construct(private JobContacts $contacts) {}

    /**
     * @return list<array{
     *     key: string, link: int, edition: int, act: string, with: string, what: Phrase|null, coats: int, minutes: float,
     *     chosen: string|null, choices: list<array{id: string, name: string}>, blocks: bool,
     * }>
     */
    public function of(RecordedBuild $recorded, Operation $operation): array
    {
        $impression = $recorded->build->impression;
        $asked = [];
        foreach ($operation->care === [] ? [] : $this->meetings($recorded) as $contact) {
            foreach ($operation->care as $care) {
                $one = match ($care) {
                    Care::Release => $this->release($contact),
                    Care::Seal => $this->seal($contact),
                    default => null,
                };
                if ($one !== null) {
                    $asked[] = [
                        'key' => $contact->touch->key, 'link' => $impression->id, 'edition' => $impression->edition, 'act' => $care->value,
                        'with' => $contact->touch->with, ...$one,
                    ];
                }
            }
        }

        return $asked;
    }

    /** @return list<string> what stands in the mould this is cast in: cores, inserts, plugs */
    public function inside(RecordedBuild $recorded): array
    {
        $job = $recorded->build->impression->job->loadMissing('impressions');
        $roles = [];
        foreach ($job->impressions as $link) {
            $roles[$link->id] = $link->role->isInside();
        }

        return array_values(
            array_map(
                static fn (JudgedContact $contact): string => $contact->touch->with,
                array_filter(
                    $this->meetings($recorded),
                    static fn (JudgedContact $contact): bool => $contact->touch->link !== null && ($roles[$contact->touch->link] ?? false),
                ),
            ),
        );
    }

    /** @return list<JudgedContact> of the link, with what it touches outside this build */
    private function meetings(RecordedBuild $recorded): array
    {
        $impression = $recorded->build->impression;
        $job = $impression->job->loadMissing('impressions');
        $chain = $this->contacts->chain($job);

        return $this->contacts->of($impression, $chain, $chain->link($impression->id));
    }

    /**
     * @return array{
     *     what: Phrase|null, coats: int, minutes: float, chosen: string|null, choices: list<array{id: string, name: string}>,
     *     blocks: bool,
     * }
     */
    private function release(JudgedContact $contact): array
    {
        $chosen = $contact->request->release;
        $step = array_values(array_filter($contact->result->plan, static fn ($one): bool => $one->do === 'release'))[0] ?? null;

        return [
            'what' => $chosen === null ? null : Phrase::written($chosen->name), 'coats' => $step->coats ?? $chosen->coats ?? 1,
            'minutes' => $step->minutes ?? 0.0, 'chosen' => $chosen?->id,
            'choices' => array_map(static fn (array $one): array => self::choice($one['release']), $contact->result->releases),
            'blocks' => $contact->blocks,
        ];
    }

    /**
     * @return array{
     *     what: Phrase|null, coats: int, minutes: float, chosen: string|null, choices: list<array{id: string, name: string}>,
     *     blocks: bool,
     * }|null
     */
    private function seal(JudgedContact $contact): ?array
    {
        $sealer = $this->contacts->sealer($contact);

        return $sealer === null || $contact->sealedAt !== null
            ? null
            : [
                'what' => Phrase::written($sealer->name), 'coats' => $sealer->coats, 'minutes' => $sealer->minutes(),
                'chosen' => $sealer->id, 'choices' => [], 'blocks' => false,
            ];
    }

    /** @return array{id: string, name: string} */
    private static function choice(Release $release): array
    {
        return ['id' => $release->id, 'name' => $release->name];
    }
}
