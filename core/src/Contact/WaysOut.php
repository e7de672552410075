<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Phrase\Phrase;

/**
 * What would make a contact safe: every single change on the shelf that the engine then judges safe, and two or three changes together
 * where no single one does, quickest first. Overruling is no way out.
 */
final readonly class WaysOut
{
    /** So many detours over more links are worth naming. */
    private const MOST_LINKS = 3;

    private const MOST = 12;

    private const MOST_CHANGES = 3;

    /** @param  list<Candidate>  $shelf */
    public function __construct(private ContactEngine $engine, private Knowledge $knowledge, private array $shelf) {}

    /** @return list<Way> none where it is safe already, or where nothing helps */
    public function of(ContactRequest $request): array
    {
        $result = $this->engine->judge($request);
        if ($result->safe || $request->intent === Intent::Bond) {
            return [];
        }
        $changes = iterator_to_array($this->changes($request, $result), false);
        $ways = $this->safe($changes);
        // Another base is another piece: where nothing else would do alone, two changes are looked for as well, and then three.
        $own = array_values(array_filter($changes, static fn (Change $change): bool => $ways === [] || $change->kind !== WayKind::Base));
        for (
            $changed = 2; $changed <= self::MOST_CHANGES
            && array_filter($ways, static fn (Way $way): bool => $way->steps[0]['kind'] !== WayKind::Base) === []; $changed++
        ) {
            $ways = [...$ways, ...$this->together($own, $changed)];
        }
        $ways = [...$ways, ...$this->links($request)];
        $behind = fn (Way $way): int => $request->worn
            && array_filter(
                $way->steps,
                fn (array $step): bool => $step['kind'] === WayKind::Release
                    && ! ($this->knowledge->releases[$step['id']]->skinSafe ?? true),
            ) !== []
            ? 1
            : 0;
        // What this shop holds where schools differ comes first.
        $own = fn (Way $way): int => count(
            array_filter($way->steps, fn (array $step): bool => $this->knowledge->schools()->prefers($step['id'])),
        ) === 0
            ? 0
            : 1;
        usort(
            $ways,
            static fn (Way $a, Way $b): int => [
                $behind($a), $own($b), $a->addsMin, count($a->steps), $a->cost ?? 0.0, $a->steps[0]['id'],
            ] <=> [$behind($b), $own($a), $b->addsMin, count($b->steps), $b->cost ?? 0.0, $b->steps[0]['id']],
        );

        return array_slice($ways, 0, self::MOST);
    }

    /**
     * @param  list<Change>  $changes
     * @return list<Way>
     */
    private function safe(array $changes): array
    {
        $ways = [];
        foreach ($changes as $change) {
            $result = $this->engine->judge($change->request);
            if ($result->safe) {
                $ways[] = $change->way($result);
            }
        }

        return $ways;
    }

    /**
     * @param  list<Change>  $changes
     * @param  int  $count  how many are made together
     * @return list<Way>
     */
    private function together(array $changes, int $count): array
    {
        $ways = [];
        foreach ($changes as $first) {
            foreach ($this->later($first, [$first->kind], $count - 1) as $kinds => $last) {
                $result = $this->engine->judge($last->request);
                if ($result->safe) {
                    $ways["{$first->id}/{$kinds}"] ??= $last->way($result);
                }
            }
        }

        return array_values($ways);
    }

    /**
     * What is left to change after one was made, and only what comes later in the work and is of another kind.
     *
     * @param  list<WayKind>  $made
     * @return \Generator<string, Change> the last of so many, by their kinds
     */
    private function later(Change $before, array $made, int $count): \Generator
    {
        foreach ($this->changes($before->request, $this->engine->judge($before->request)) as $next) {
            if (in_array($next->kind, $made, true) || $next->order() < $before->order()) {
                continue;
            }
            $kinds = [...$made, $next->kind];
            if ($count > 1) {
                yield from $this->later($before->then($next), $kinds, $count - 1);
            } else {
                yield implode('/', array_map(static fn (WayKind $kind): string => $kind->value, $kinds)) => $before->then($next);
            }
        }
    }

    /** @return \Generator<Change> */
    private function changes(ContactRequest $request, ContactResult $result): \Generator
    {
        foreach (array_filter($this->knowledge->sealers, $this->knowledge->isAtHand(...)) as $sealer) {
            if (
                $request->state->sealedWith === null
                && $sealer->isFor($request->surface)
                && $sealer->ruins($request->fresh, $request->surface) === null
            ) {
                $kind = $result->inhibition === Inhibition::None ? WayKind::Seal : WayKind::Barrier;
                yield new Change(
                    $kind, $sealer->id, Phrase::written($sealer->name), $sealer->minutes(), null,
                    $request->with(state: $request->state->with(sealedWith: $sealer->id)),
                );
            }
        }
        foreach ($result->releases as ['release' => $release]) {
            if ($request->release !== $release) {
                yield new Change(
                    WayKind::Release, $release->id, Phrase::written($release->name),
                    $release->minutes($request->isPorous(), $release->coats), $release->cost, $request->with(release: $release),
                );
            }
        }
        yield from $this->waits($request);
        if ($result->verdict === Verdict::TestFirst && $request->tested === null) {
            yield new Change(
                WayKind::Test, $request->surface->id,
                Phrase::of('contact.way_test', ['fresh' => $request->fresh->name, 'surface' => $request->surface->name]),
                $this->testMin($request), null, $request->with(supposing: true),
            );
        }
        foreach ($this->shelf as $base) {
            // Whatever it is on the way to, the other has to be good for as well.
            $standsIn = $base->family->makes === $request->fresh->makes
                && array_diff($request->fresh->serves, $base->family->serves) === [];
            if ($base->family !== $request->fresh && $standsIn) {
                yield new Change(
                    WayKind::Base, $base->code, Phrase::written($base->name), 0.0, null,
                    $request->with(fresh: $base->family, skinSafe: $base->skinSafe, base: $base->code),
                );
            }
        }
    }

    /** @return \Generator<Change> until it is dry, until a solvent has gone, until it has cured long enough */
    private function waits(ContactRequest $request): \Generator
    {
        $state = $request->state;
        if ($request->surface->holdsWater() || $this->knowledge->asks('proved_dry', $request->fresh, $request->surface)) {
            // What drank water is dry when the scale says so, and not after a night: no other wait is offered.
            if (! $state->isProvedDry() && ($state->damp || $this->knowledge->asks('proved_dry', $request->fresh, $request->surface))) {
                yield new Change(
                    WayKind::Wait, 'prove-dry', Phrase::of('contact.way_prove_dry', ['surface' => $request->surface->name]),
                    $this->knowledge->minutes('prove-dry'), null, $request->with(state: $state->with(damp: false, provedDry: true)),
                );
            }
        } elseif ($state->damp) {
            yield new Change(
                WayKind::Wait, 'dry', Phrase::of('contact.way_dry', ['surface' => $request->surface->name]),
                $this->knowledge->minutes('dry'), null, $request->with(state: $state->with(damp: false)),
            );
        }
        if (! $state->postCured && $this->knowledge->asks('post_cured', $request->fresh, $request->surface)) {
            yield new Change(
                WayKind::Wait, 'post-cure', Phrase::of('contact.way_post_cure', ['surface' => $request->surface->name]),
                $this->knowledge->minutes('post-cure'), null, $request->with(state: $state->with(postCured: true)),
            );
        }
        foreach ([
            'hours_below' => [$state->hoursSinceCure, 60.0], 'solvent_below' => [$state->solventMinAgo, 1.0],
        ] as $condition => [$since, $minutes]) {
            foreach ($since === null ? [] : $this->bounds($request, $condition) as $bound) {
                if ($bound > $since) {
                    $later = $condition === 'hours_below' ? $state->with(hoursSinceCure: $bound) : $state->with(solventMinAgo: $bound);
                    yield new Change(
                        WayKind::Wait, $condition, Phrase::of("contact.way_{$condition}"), ($bound - $since) * $minutes, null,
                        $request->with(state: $later),
                    );
                }
            }
        }
    }

    /** @return list<float> */
    private function bounds(ContactRequest $request, string $condition): array
    {
        $bounds = [];
        foreach ($this->knowledge->rules as $rule) {
            if (isset($rule->when[$condition]) && $rule->exactlyAbout($request->fresh, $request->surface) !== null) {
                $bounds[] = (float) $rule->when[$condition];
            }
        }
        sort($bounds);

        return array_values(array_unique($bounds));
    }

    /**
     * A mould of one base and a copy of another in it: then the wanted base meets the copy, not the surface.
     *
     * @return list<Way>
     */
    private function links(ContactRequest $request): array
    {
        $ways = [];
        // Several bases of one family meet a surface alike: each meeting is judged once.
        $known = [];
        /** @return array{ContactResult, float}|null */
        $judged = function (string $meeting, ContactRequest $asked) use (&$known): ?array {
            return array_key_exists($meeting, $known) ? $known[$meeting] : $known[$meeting] = $this->bestOn($asked);
        };
        foreach ($this->shelf as $first) {
            if (! in_array('mould', $first->family->serves, true) || ! isset($this->knowledge->surfaces[$first->family->curesTo])) {
                continue;
            }
            $onSurface = $judged(
                "{$first->family->id}/{$first->skinSafe}",
                $request->with(fresh: $first->family, skinSafe: $first->skinSafe, clearRelease: true),
            );
            if ($onSurface === null) {
                continue;
            }
            foreach ($this->shelf as $second) {
                $copy = $this->knowledge->surfaces[$second->family->curesTo] ?? null;
                if ($copy === null || $copy === $request->surface || ! in_array('copy', $second->family->serves, true)) {
                    continue;
                }
                $inMould = $judged(
                    "{$second->family->id} in {$first->family->curesTo}/{$second->skinSafe}",
                    $this->fresh($request, $second, $first->family->curesTo),
                );
                $wanted = $inMould === null
                    ? null
                    : $judged(
                        "on {$copy->id}",
                        new ContactRequest(
                            $request->fresh, $request->skinSafe, $copy, new SurfaceState, $request->intent, null, $request->onSkin,
                            $request->paintAfter, $request->fineDetail,
                        ),
                    );
                if ($inMould !== null && $wanted !== null) {
                    $minutes = ($first->demouldMin ?? $this->knowledge->minutes('test'))
                        + ($second->demouldMin ?? $this->knowledge->minutes('test')) + $onSurface[1] + $inMould[1] + $wanted[1];
                    $ways[] = new Way(
                        [['kind' => WayKind::Link, 'id' => $first->code], ['kind' => WayKind::Link, 'id' => $second->code]],
                        Phrase::of('contact.way_link', ['mould' => $first->name, 'copy' => $second->name]), $minutes, null, $wanted[0],
                    );
                }
            }
        }
        usort($ways, static fn (Way $a, Way $b): int => $a->addsMin <=> $b->addsMin);

        return array_slice($ways, 0, self::MOST_LINKS);
    }

    private function fresh(ContactRequest $request, Candidate $base, string $surface): ContactRequest
    {
        return new ContactRequest(
            $base->family, $base->skinSafe, $this->knowledge->surfaces[$surface], new SurfaceState, fineDetail: $request->fineDetail,
        );
    }

    /**
     * @return array{ContactResult, float}|null safe as it is or with the release that fits best, and the minutes that takes
     */
    private function bestOn(ContactRequest $request): ?array
    {
        $result = $this->engine->judge($request);
        if ($result->safe) {
            return [$result, 0.0];
        }
        $release = $result->verdict === Verdict::Release ? ($result->releases[0]['release'] ?? null) : null;
        $released = $release === null ? null : $this->engine->judge($request->with(release: $release));

        return $release !== null && $released?->safe === true
            ? [$released, $release->minutes($request->isPorous(), $release->coats)]
            : null;
    }

    private function testMin(ContactRequest $request): float
    {
        $minutes = array_filter(
            array_map(static fn (Candidate $base): ?float => $base->family === $request->fresh ? $base->demouldMin : null, $this->shelf),
            static fn (?float $min): bool => $min !== null,
        );

        return $minutes === [] ? $this->knowledge->minutes('test') : min($minutes);
    }
}
