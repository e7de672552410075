<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Contact\ContactAnswer;
use Apalos\Core\Contact\Way;
use Apalos\Core\Contact\WayKind;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;

/**
 * The ways out of a contact that break nothing further on: each is judged through to the last cast of its job. A base that makes
 * this contact safe and the next one fuse, or that is not for skin where the piece is worn, is no way out.
 */
final readonly class WaysThrough
{
    /** Where it stands worse than here, the way is left out. */
    private const SEVERITY = ['clear' => 0, 'release' => 1, 'seal-and-release' => 2, 'test-first' => 3, 'stop' => 4];

    public function __construct(private ContactBook $book, private JobContacts $contacts, private Library $library) {}

    /** @return array{ways: list<Way>, left_out: int, answer: ContactAnswer} */
    public function of(Impression $impression, JudgedContact $contact): array
    {
        $answer = $this->book->answer($contact->request);
        $before = $this->standing($impression->job);
        $ways = array_values(array_filter($answer->ways, fn (Way $way): bool => $this->holds($impression, $way, $before)));

        return ['ways' => $ways, 'left_out' => count($answer->ways) - count($ways), 'answer' => $answer];
    }

    /** @param  array<string, int>  $before */
    private function holds(Impression $impression, Way $way, array $before): bool
    {
        $code = null;
        foreach ($way->steps as $step) {
            $code = $step['kind'] === WayKind::Base ? $step['id'] : $code;
        }
        if ($code === null) {
            return true;
        }
        $sheet = $this->library->shelf()->bases[$code] ?? null;
        if ($impression->kind === ImpressionKind::Cast && $impression->job->skin && $sheet?->isForSkin() !== true) {
            return false;
        }
        $links = $impression->job->impressions->map(static function (Impression $link) use ($impression, $code): Impression {
            if ($link->id !== $impression->id) {
                return $link;
            }
            // The same link as it would be, and not the one that is kept.
            $other = clone $link;

            return $other->setAttribute('material', $code);
        });
        $job = clone $impression->job;
        foreach ($this->standing($job->setRelation('impressions', $links)) as $meeting => $severity) {
            $own = str_starts_with($meeting, "{$impression->id}/");
            if (! $own && $severity > ($before[$meeting] ?? 0)) {
                return false;
            }
        }

        return true;
    }

    /** @return array<string, int> how severe each contact of a job is, as it stands with what was chosen for it */
    private function standing(Job $job): array
    {
        $chain = $this->contacts->chain($job);
        $severity = [];
        foreach ($job->impressions as $link) {
            foreach ($this->contacts->of($link->setRelation('job', $job), $chain, $chain->link($link->id)) as $contact) {
                $severity["{$link->id}/{$contact->touch->key}"] = $contact->blocks
                    ? 10 + self::SEVERITY[$contact->result->verdict->value]
                    : 0;
            }
        }

        return $severity;
    }
}
