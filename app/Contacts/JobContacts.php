<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Contact\Chain;
use Apalos\Core\Contact\ChainLink;
use Apalos\Core\Contact\Overruling;
use Apalos\Core\Contact\Sealer;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Contact\Touch;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use Carbon\CarbonImmutable;

/** The contacts of a job: what each link touches, what was chosen for it, and the verdict. */
final class JobContacts
{
    /** @var array<int, CarbonImmutable|null> when what was poured last of a link came out of its mould */
    private array $opened = [];

    /** @var array<int, \Illuminate\Database\Eloquent\Collection<int, Mould>> in use, by job */
    private array $moulds = [];

    private const SKIN = 'skin';

    public function __construct(private readonly Library $library, private readonly ContactBook $contacts) {}

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
        // What nobody has said is no reason for silence: it is judged as what nobody knows.
        $becomes = $fresh === null ? ($impression->surface ?? Surface::UNKNOWN) : $fresh->curesTo;

        return new ChainLink(
            $impression->id, $impression->name, $impression->kind->isPositive(), $impression->role, $fresh,
            $knowledge->surfaces[$becomes] ?? null, $impression->from_id,
            $knowledge->surfaces[$impression->wall ?? ''] ?? null, $knowledge->surfaces[$impression->bed ?? ''] ?? null,
            $impression->isHad(),
        );
    }

    /** One contact of a link, by its key; null where it touches no such thing. */
    public function one(Impression $impression, string $key): ?JudgedContact
    {
        // As it stands here, kept or not: what is being chosen is judged before it is written down.
        $job = $impression->job->load('impressions');
        $links = $job->impressions->map(static fn (Impression $link): Impression => $link->id === $impression->id ? $impression : $link);
        foreach ($this->of($impression, $this->chain($job->setRelation('impressions', $links))) as $contact) {
            if ($contact->touch->key === $key) {
                return $contact;
            }
        }

        return null;
    }

    /**
     * @param  ChainLink|null  $link  where the chain knows it as it is
     * @return list<JudgedContact>
     */
    public function of(Impression $impression, Chain $chain, ?ChainLink $link = null): array
    {
        $link ??= $this->link($impression);
        if ($link->fresh === null) {
            return [];
        }
        $base = $this->library->shelf()->bases[$impression->material ?? ''] ?? null;
        $judged = [];
        [$all, $now] = [$impression->contacts, CarbonImmutable::now()];
        foreach ($chain->touches($link, $this->contacts->knowledge()->surfaces[Surface::UNKNOWN] ?? null) as $touch) {
            $chosen = $all[$touch->key] ?? [];
            $opened = $this->openedAt($touch);
            $cured = self::latest($opened, self::moment($chosen['cured_at'] ?? null));
            $solvent = self::moment($chosen['solvent_at'] ?? null);
            $proved = $touch->surface->holdsWater() ? $this->provedDry($touch, $impression->job) : null;
            $worn = $impression->kind === ImpressionKind::Cast && $impression->job->skin;
            $request = $this->contacts->asked([
                'fresh' => ['family' => $link->fresh->id, 'skin_safe' => $base?->isForSkin() ?? false],
                'surface' => array_filter([
                    'id' => $touch->surface->id, 'hours_since_cure' => $cured === null ? null : self::since($cured, $now) / 60.0,
                    'solvent_min_ago' => $solvent === null ? null : self::since($solvent, $now),
                    'damp' => $chosen['damp'] ?? null, 'latex_touched' => $chosen['latex_touched'] ?? null,
                    'post_cured' => $chosen['post_cured'] ?? null, 'proved_dry' => $proved === null ? null : true,
                    'sealed_with' => ($chosen['sealed_with'] ?? '') === '' ? null : $chosen['sealed_with'],
                ], static fn (mixed $value): bool => $value !== null),
                'intent' => 'separate',
                'release' => is_string($chosen['release'] ?? null) && $chosen['release'] !== '' ? $chosen['release'] : null,
                'use' => [
                    'fine_detail' => $touch->link !== null, 'skin' => $worn || $touch->surface->id === self::SKIN,
                    'worn' => $impression->job->skin,
                ],
            ], $base?->code);
            $judged[] = new JudgedContact(
                $touch, $link->fresh, $request, $this->contacts->judge($request), $chosen, Overruling::from($chosen['overruled'] ?? null),
                $cured, $opened, $solvent, $proved,
            );
        }

        return $judged;
    }

    /** Since when the scale has proved dry what it touches: of several moulds that stand for each other, all of them. */
    private function provedDry(Touch $touch, Job $job): ?CarbonImmutable
    {
        if ($touch->link === null) {
            return null;
        }
        $moulds = $this->moulds[$job->id] ??= Mould::query()
            ->where('job_id', $job->id)
            ->whereNull('retired_at')
            ->get(['id', 'workshop_id', 'impression_id', 'proved_dry_at']);
        $own = $moulds->where('impression_id', $touch->link);
        $proofs = $own->isNotEmpty() && $own->whereNotNull('proved_dry_at')->isNotEmpty()
            ? $own->map(static fn (Mould $mould): ?CarbonImmutable => $mould->proved_dry_at)->all()
            : [];
        $link = $job->impressions->firstWhere('id', $touch->link)?->proved_dry_at;

        return $proofs === [] || in_array(null, $proofs, true) ? $link : max($proofs);
    }

    public function surface(?string $id): ?Surface
    {
        return $this->contacts->knowledge()->surfaces[$id ?? ''] ?? null;
    }

    /** The sealer that is planned for a contact. */
    public function sealer(JudgedContact $contact): ?Sealer
    {
        return $this->contacts->knowledge()->sealers[$contact->plannedSealer() ?? ''] ?? null;
    }

    /** @return list<string> the cautions of what is put on wherever this link touches: of its releases, of its sealers */
    public function putOn(Impression $impression, bool $release = true, bool $seal = true): array
    {
        $chain = $this->chain($impression->job->loadMissing('impressions'));
        $hazards = [];
        foreach ($this->of($impression, $chain, $chain->link($impression->id)) as $contact) {
            $hazards = [
                ...$hazards, ...($release ? $contact->request->release->hazards ?? [] : []),
                ...($seal ? $this->sealer($contact)->hazards ?? [] : []),
            ];
        }

        return array_values(array_unique($hazards));
    }

    /**
     * Asks at once when these links came out of their moulds.
     *
     * @param  array<int, int>  $links
     */
    public function look(array $links): void
    {
        $this->opened = array_fill_keys($links, null) + $this->opened;
        foreach (Pour::query()->whereIn('impression_id', $links)->whereNotNull('opened_at')->groupBy('impression_id')->selectRaw(
            'impression_id, max(opened_at) as opened_at',
        )->toBase()->get() as $row) {
            $this->opened[(int) $row->impression_id] = CarbonImmutable::parse((string) $row->opened_at, 'UTC');
        }
    }

    /** When the link it touches came out of its own mould, where it was poured here. */
    private function openedAt(Touch $touch): ?CarbonImmutable
    {
        if ($touch->link !== null && ! array_key_exists($touch->link, $this->opened)) {
            $this->look([$touch->link]);
        }

        return $touch->link === null ? null : $this->opened[$touch->link];
    }

    /** Minutes. */
    private static function since(CarbonImmutable $then, CarbonImmutable $now): float
    {
        return max(0.0, ((int) $now->getTimestampMs() - (int) $then->getTimestampMs()) / 60_000.0);
    }

    /** What was said last counts, and so does what happened since. */
    private static function latest(?CarbonImmutable $one, ?CarbonImmutable $other): ?CarbonImmutable
    {
        return $one === null ? $other : ($other === null ? $one : $one->max($other));
    }

    private static function moment(mixed $written): ?CarbonImmutable
    {
        return is_string($written) && $written !== '' ? CarbonImmutable::parse($written) : null;
    }
}
