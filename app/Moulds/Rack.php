<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Run\Grade;
use App\Lists\Rows;
use App\Log\Tally;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\PourState;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;

/** Puts on the rack what has become a mould, and knows what is cast in which. */
final readonly class Rack
{
    public function groups(Job $job): MouldGroups
    {
        return MouldGroups::of(
            $job->impressions()->withTrashed()->get()->each(static fn (Impression $link): Impression => $link->setRelation('job', $job)),
        );
    }

    /**
     * After a pour of one of its links was graded, or its grade taken back: whole sets of good parts that are no mould yet become one; a
     * mould whose parts are good no longer goes, unless something happened with it since.
     */
    public function settle(Impression $link): void
    {
        $group = $this->groups($link->job)->with($link->id);
        if ($group === null || $group->poured() === []) {
            return;
        }
        $first = $group->first();
        $good = $this->good($group);
        $moulds = Mould::query()->where('impression_id', $first->id)->where('generation', '>', 0)->orderBy('generation')->get();
        foreach ($moulds as $mould) {
            $pours = array_filter(array_column($mould->parts, 'pour_id'));
            $isWhole = array_diff($pours, array_merge(...array_map(array_keys(...), $good))) === [];
            $isWhole || $this->isUsed($mould) || $mould->delete();
            $good = array_map(static fn (array $of): array => array_diff_key($of, array_flip($pours)), $good);
        }
        $before = $moulds->last(static fn (Mould $mould): bool => $mould->exists);
        for ($i = 0, $sets = min(array_map(count(...), $good)); $i < $sets; $i++) {
            $parts = array_map(static fn (array $of): Pour => array_values($of)[$i], $good);
            $before = Mould::query()->create([
                'impression_id' => $first->id, 'generation' => ($before->generation ?? 0) + 1, 'job_id' => $first->job_id,
                'name' => $group->name(), 'parts' => $this->parts($group, $parts),
                'material' => $parts[0]->base_code ?? $first->material, 'casting' => $group->cast,
                'remade_of' => $before->id ?? Mould::query()->where('impression_id', $first->id)->where('generation', 0)->value('id'),
                'made_at' => max([
                    '', ...array_map(static fn (Pour $pour): string => (string) $pour->graded_at?->format('Y-m-d H:i:s.v'), $parts),
                ]),
            ]);
        }
    }

    private function isUsed(Mould $mould): bool
    {
        return Rows::of('facts')
            ->where('stream', RecordedMould::STREAM)
            ->where('stream_id', $mould->id)
            ->where('key', '!=', Mould::FIRST)
            ->exists()
            || Rows::of('pour_moulds')->where('mould_id', $mould->id)->exists();
    }

    /** A mould that is there in truth, and of which the log knows no pour. */
    public function adopt(MouldGroup $group, CarbonImmutable $madeAt): Mould
    {
        $first = $group->first();

        return Mould::query()->firstOrCreate(['impression_id' => $first->id, 'generation' => 0], [
            'job_id' => $first->job_id, 'name' => $group->name(), 'parts' => $this->parts($group, []),
            'material' => ($first->material ?? '') === '' ? $first->surface : $first->material, 'casting' => $group->cast,
            'made_at' => $madeAt,
        ]);
    }

    /** @return Collection<int, Mould> in use, of the mould this link is cast in; the newest first */
    public function for(Impression $cast): Collection
    {
        $group = $cast->kind === ImpressionKind::Cast || $cast->kind === ImpressionKind::Copy
            ? $this->groups($cast->job)->before($cast)
            : null;

        return $group === null
            ? new Collection
            : Mould::query()
                ->where('impression_id', $group->first()->id)
                ->whereNull('retired_at')
                ->orderByDesc('generation')
                ->orderByDesc('id')
                ->limit(20)
                ->get();
    }

    /** The mould a new pour of this link goes into: the newest that is free. */
    public function usual(Pour $pour): ?Mould
    {
        $moulds = $this->for($pour->impression);
        $group = $moulds->isEmpty() && $pour->impression->kind->isPositive()
            ? $this->groups($pour->impression->job)->before($pour->impression)
            : null;
        if ($group !== null && $group->isHad()) {
            // Nobody poured it here: with the first cast in it, it lies on the rack.
            $moulds->push($this->adopt($group, CarbonImmutable::now()));
        }
        // Two pours may begin at once: the second waits here, and sees the mould of the first filled.
        $moulds->isEmpty() || Mould::query()->whereKey($moulds->modelKeys())->orderBy('id')->lockForUpdate()->get(['id']);
        $filled = $this->filledWith($moulds->modelKeys(), $pour->id);

        return $moulds->first(static fn (Mould $mould): bool => ! isset($filled[$mould->id]));
    }

    /**
     * What stands in them just now.
     *
     * @param  array<array-key, int>  $moulds
     * @return array<int, array{pour: int, job: string, link: string, job_id: int}> by mould
     */
    public function filledWith(array $moulds, ?int $butFor = null): array
    {
        $rows = $moulds === []
            ? []
            : Rows::of('pour_moulds')
                ->whereIn('mould_id', $moulds)
                ->where('live', true)
                ->when($butFor !== null, static fn ($q) => $q->where('pour_id', '!=', $butFor))
                ->join('pours', 'pours.id', '=', 'pour_moulds.pour_id')->join(
                    'impressions', 'impressions.id', '=', 'pours.impression_id',
                )->join('jobs', 'jobs.id', '=', 'impressions.job_id')
                ->get(['mould_id', 'pour_id', 'jobs.name as job', 'jobs.id as job_id', 'impressions.name as link'])->all();
        $filled = [];
        foreach ($rows as $row) {
            $filled[(int) $row->mould_id] = [
                'pour' => (int) $row->pour_id, 'job' => (string) $row->job, 'link' => (string) $row->link, 'job_id' => (int) $row->job_id,
            ];
        }

        return $filled;
    }

    /** Casts that are still to be made in it: what its job lacks, by so many pieces as a pour has given. */
    public function ahead(Mould $mould): ?int
    {
        if ($mould->job === null || $mould->job->trashed()) {
            return null;
        }
        $tallied = Tally::of($mould->job->id);
        $perPour = $tallied['pours'] > 0 ? max(1.0, $tallied['pieces'] / $tallied['pours']) : 1.0;

        return (int) ceil(max(0, $mould->job->quantity - ($tallied['pieces'] - $tallied['rejects'])) / $perPour);
    }

    /** @return non-empty-list<array<int, Pour>> the good pours of each of its links, oldest first, by their number */
    private function good(MouldGroup $group): array
    {
        $by = [];
        foreach ($group->poured() as $link) {
            // Put in order here: asked to, the database would walk through all that was ever graded.
            $by[] = Pour::query()
                ->where('impression_id', $link->id)
                ->where('state', PourState::Graded)
                ->whereIn('grade', array_filter(Grade::cases(), static fn (Grade $grade): bool => $grade->counts()))
                ->get(['id', 'workshop_id', 'impression_id', 'base_code', 'graded_at', 'operation'])
                ->sortBy(static fn (Pour $pour): array => [(int) $pour->graded_at?->getTimestampMs(), $pour->id])
                ->keyBy('id')
                ->all();
        }

        return $by === [] ? [[]] : $by;
    }

    /**
     * @param  list<Pour>  $pours
     * @return list<array{name: string, role: string, pour_id: int|null, base: string|null}>
     */
    private function parts(MouldGroup $group, array $pours): array
    {
        return array_map(static function (Impression $link) use ($pours): array {
            $pour = array_values(array_filter($pours, static fn (Pour $one): bool => $one->impression_id === $link->id))[0] ?? null;

            return [
                'name' => $link->name, 'role' => $link->role->value, 'pour_id' => $pour?->id,
                'base' => $pour->base_code ?? (($link->material ?? '') === '' ? $link->surface : $link->material),
            ];
        }, $group->links);
    }
}
