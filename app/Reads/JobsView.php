<?php

declare(strict_types=1);

namespace App\Reads;

use App\Models\Job;
use App\Workshop\JobContacts;
use App\Workshop\Library;
use Illuminate\Support\Collection;

/** All jobs, each with its chain in small. */
final readonly class JobsView implements View
{
    /** @param  Collection<int, Job>  $jobs */
    public function __construct(private Collection $jobs, private Library $library, private JobContacts $contacts) {}

    /**
     * @return array{jobs: list<array{
     *     id: int, name: string, purpose: string, quantity: int, due_on: string|null, cast: int,
     *     chain: list<array{positive: bool, name: string, colour: string, status: string, stopped: bool}>
     * }>}
     */
    public function toArray(): array
    {
        return ['jobs' => array_values($this->jobs->map(function (Job $job): array {
            $whole = (new JobView($job, $this->library, $this->contacts))->toArray();

            return [
                'id' => $whole['id'], 'name' => $whole['name'], 'purpose' => $whole['purpose'], 'quantity' => $whole['quantity'],
                'due_on' => $whole['due_on'], 'cast' => $whole['cast'],
                'chain' => array_map(static fn (array $link): array => ['positive' => $link['positive'], 'name' => $link['name'], 'colour' => $link['colour'], 'status' => $link['status'], 'stopped' => in_array(true, array_column($link['contacts'], 'blocks'), true)], $whole['chain']),
            ];
        })->all())];
    }
}
