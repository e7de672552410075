<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Contact\Chain;
use Apalos\Core\Contact\ChainLink;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Contact\Touch;
use Apalos\Core\Contact\Verdict;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Pour;
use Carbon\CarbonImmutable;

/** The contacts of a job: what each link touches, what was chosen for it, and the verdict. */
final readonly class JobContacts
{
    /** What a maker may say of a surface on the job page. */
    public const STATE = ['hours_since_cure', 'damp', 'solvent_min_ago', 'latex_touched', 'sealed_with'];

    public function __construct(private Library $library, private ContactBook $contacts) {}

    /** @throws \Apalos\Core\Input\BadInput when the chain goes round in a circle */
    public function chain(Job $job): Chain
    {
        return Chain::of(array_values($job->impressions->map($this->link(...))->all()));
    }

    public function link(Impression $impression): ChainLink
    {
        $knowledge = $this->contacts->knowledge();
        $base = $this->library->shelf()->bases[$impression->material ?? ''] ?? null;
        $fresh = $impression->kind === ImpressionKind::Original || $base === null ? null : $knowledge->family($base->family);
        $becomes = $fresh === null ? $impression->surface : $fresh->curesTo;

        return new ChainLink(
            $impression->id, $impression->name, $impression->kind->isPositive(), $impression->role, $fresh,
            $knowledge->surfaces[$becomes ?? ''] ?? null, $impression->from_id,
            $knowledge->surfaces[$impression->wall ?? ''] ?? null, $knowledge->surfaces[$impression->bed ?? ''] ?? null,
        );
    }

    /** @return list<JudgedContact> */
    public function of(Impression $impression, Chain $chain): array
    {
        $link = $this->link($impression);
        if ($link->fresh === null) {
            return [];
        }
        $base = $this->library->shelf()->bases[$impression->material ?? ''] ?? null;
        $judged = [];
        foreach ($chain->touches($link) as $touch) {
            $chosen = $impression->contacts[$touch->key] ?? [];
            $state = array_filter(array_intersect_key($chosen, array_flip(self::STATE)), static fn (mixed $value): bool => $value !== null && $value !== '');
            $known = $this->hoursSinceOpened($touch);
            $result = $this->contacts->judge([
                'fresh' => ['family' => $link->fresh->id, 'skin_safe' => $base?->sheet()->bool('skin_safe') ?? false],
                'surface' => ['id' => $touch->surface->id, ...($known === null ? [] : ['hours_since_cure' => $known]), ...$state],
                'intent' => 'separate',
                'release' => is_string($chosen['release'] ?? null) && $chosen['release'] !== '' ? $chosen['release'] : null,
                'use' => ['fine_detail' => $touch->link !== null],
            ]);
            $judged[] = new JudgedContact($touch, $link->fresh, $result, $chosen, self::blocks($result, $chosen), $known);
        }

        return $judged;
    }

    /** How long ago the link it touches came out of its own mould, where it was poured here; what the maker says outranks it. */
    private function hoursSinceOpened(Touch $touch): ?float
    {
        $pour = $touch->link === null ? null : Pour::query()->where('impression_id', $touch->link)->whereNotNull('opened_at')->orderByDesc('opened_at')->first();

        return $pour?->opened_at === null ? null : round(max(0.0, $pour->opened_at->diffInHours(CarbonImmutable::now())), 1);
    }

    /** @param  array<string, mixed>  $chosen */
    private static function blocks(ContactResult $result, array $chosen): bool
    {
        $unsafe = $result->verdict === Verdict::Stop || (in_array($result->verdict, [Verdict::Release, Verdict::SealAndRelease], true) && ! $result->safe);
        $overruled = is_string($chosen['overruled'] ?? null) && $chosen['overruled'] !== '';

        return $unsafe && ! $overruled;
    }
}
