<?php

declare(strict_types=1);

namespace App\Ways;

use App\Models\Build;
use App\Models\Impression;
use App\PourSheets\PlanPour;

/** What taking a way wrote, so that all of it can be had back. */
final class Written
{
    /** @var list<int> */
    private array $links = [];

    /** @var list<int> */
    private array $replaced = [];

    /** @var list<int> */
    private array $builds = [];

    /** @var list<int> */
    private array $sheets = [];

    /** @var list<array{id: int, material: string|null}> */
    private array $casts = [];

    /** @var array<int, array{id: int, contacts: array<string, array<string, mixed>>|null}> */
    private array $contacts = [];

    public function link(Impression $link): void
    {
        $this->links[] = $link->id;
    }

    public function replaced(Impression $link): void
    {
        $this->replaced[] = $link->id;
    }

    /** As it was, before its material is another. */
    public function cast(Impression $link): void
    {
        $this->casts[] = ['id' => $link->id, 'material' => $link->material];
    }

    /** As it was, before something else is chosen for its contacts. */
    public function contacts(Impression $link): void
    {
        $this->contacts[$link->id] ??= ['id' => $link->id, 'contacts' => $link->contacts];
    }

    public function build(Build $build): void
    {
        $this->builds[] = $build->id;
    }

    /** @param  array<string, mixed>  $volume  how much of it, as its sheet has it */
    public function sheet(PlanPour $plan, Impression $link, array $volume): void
    {
        $there = $link->pours()->where('state', 'draft')->exists();
        $draft = $plan($link);
        if (! $there) {
            $draft->update(['sheet' => [...$draft->sheet, 'volume' => $volume]]);
            $this->sheets[] = $draft->id;
        }
    }

    /**
     * @return array{
     *     links: list<int>, replaced: list<int>, builds: list<int>, sheets: list<int>, casts: list<array{id: int, material: string|null}>,
     *     contacts: list<array{id: int, contacts: array<string, array<string, mixed>>|null}>,
     * }
     */
    public function toArray(): array
    {
        return [
            'links' => $this->links, 'replaced' => $this->replaced, 'builds' => $this->builds, 'sheets' => $this->sheets,
            'casts' => $this->casts, 'contacts' => array_values($this->contacts),
        ];
    }
}
