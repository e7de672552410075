<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Phrase\Phrase;

/**
 * What would make a contact safe: every single change on the shelf that the engine then judges safe, and pairs of changes where no
 * single one does, quickest first. Overruling is no way out.
 */
final readonly class WaysOut
{
    private const DRYING_MIN = 1440.0;

    private const USUAL_TEST_MIN = 360.0;

    /** So many detours over more links are worth naming. */
    private const MOST_LINKS = 3;

    private const MOST = 12;

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
        if ($ways === []) {
            $ways = $this->pairs($request, $changes);
        }
        $ways = [...$ways, ...$this->links($request)];
        $behind = fn (Way $way): int => $request->worn && array_filter($way->steps, fn (array $step): bool => $step['kind'] === WayKind::Release && ! ($this->knowledge->releases[$step['id']]->skinSafe ?? true)) !== [] ? 1 : 0;
        usort($ways, static fn (Way $a, Way $b): int => [$behind($a), $a->addsMin, count($a->steps), $a->cost ?? 0.0, $a->steps[0]['id']] <=> [$behind($b), $b->addsMin, count($b->steps), $b->cost ?? 0.0, $b->steps[0]['id']]);

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
     * @return list<Way>
     */
    private function pairs(ContactRequest $request, array $changes): array
    {
        $ways = [];
        foreach ($changes as $first) {
            // What is left to ask after the first change, and only what comes later in the work.
            foreach ($this->changes($first->request, $this->engine->judge($first->request)) as $second) {
                if ($second->kind === $first->kind || $second->order() < $first->order()) {
                    continue;
                }
                $result = $this->engine->judge($second->request);
                if ($result->safe) {
                    $ways["{$first->kind->value}/{$first->id}/{$second->kind->value}"] ??= $first->then($second)->way($result);
                }
            }
        }

        return array_values($ways);
    }

    /** @return \Generator<Change> */
    private function changes(ContactRequest $request, ContactResult $result): \Generator
    {
        foreach (array_filter($this->knowledge->sealers, $this->knowledge->isAtHand(...)) as $sealer) {
            if ($request->state->sealedWith === null && $sealer->isFor($request->surface)) {
                $kind = $result->inhibition === Inhibition::None ? WayKind::Seal : WayKind::Barrier;
                yield new Change($kind, $sealer->id, Phrase::written($sealer->name), $sealer->minutes(), null, $request->with(state: $request->state->with(sealedWith: $sealer->id)));
            }
        }
        foreach ($result->releases as ['release' => $release]) {
            if ($request->release !== $release) {
                yield new Change(WayKind::Release, $release->id, Phrase::written($release->name), $release->minutes($request->isPorous(), $release->coats), $release->cost, $request->with(release: $release));
            }
        }
        yield from $this->waits($request);
        if ($result->verdict === Verdict::TestFirst && $request->tested === null) {
            yield new Change(WayKind::Test, $request->surface->id, Phrase::of('contact.way_test', ['fresh' => $request->fresh->name, 'surface' => $request->surface->name]), $this->testMin($request), null, $request->with(supposing: true));
        }
        foreach ($this->shelf as $base) {
            // Whatever it is on the way to, the other has to be good for as well.
            $standsIn = $base->family->makes === $request->fresh->makes && array_diff($request->fresh->serves, $base->family->serves) === [];
            if ($base->family !== $request->fresh && $standsIn) {
                yield new Change(WayKind::Base, $base->code, Phrase::written($base->name), 0.0, null, $request->with(fresh: $base->family, skinSafe: $base->skinSafe, base: $base->code));
            }
        }
    }

    /** @return \Generator<Change> until it is dry, until a solvent has gone, until it has cured long enough */
    private function waits(ContactRequest $request): \Generator
    {
        $state = $request->state;
        if ($state->damp) {
            yield new Change(WayKind::Wait, 'dry', Phrase::of('contact.way_dry', ['surface' => $request->surface->name]), self::DRYING_MIN, null, $request->with(state: $state->with(damp: false)));
        }
        foreach (['hours_below' => [$state->hoursSinceCure, 60.0], 'solvent_below' => [$state->solventMinAgo, 1.0]] as $condition => [$since, $minutes]) {
            foreach ($since === null ? [] : $this->bounds($request, $condition) as $bound) {
                if ($bound > $since) {
                    $later = $condition === 'hours_below' ? $state->with(hoursSinceCure: $bound) : $state->with(solventMinAgo: $bound);
                    yield new Change(WayKind::Wait, $condition, Phrase::of("contact.way_{$condition}"), ($bound - $since) * $minutes, null, $request->with(state: $later));
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
            $onSurface = $judged("{$first->family->id}/{$first->skinSafe}", $request->with(fresh: $first->family, skinSafe: $first->skinSafe, clearRelease: true));
            if ($onSurface === null) {
                continue;
            }
            foreach ($this->shelf as $second) {
                $copy = $this->knowledge->surfaces[$second->family->curesTo] ?? null;
                if ($copy === null || $copy === $request->surface || ! in_array('copy', $second->family->serves, true)) {
                    continue;
                }
                $inMould = $judged("{$second->family->id} in {$first->family->curesTo}/{$second->skinSafe}", $this->fresh($request, $second, $first->family->curesTo));
                $wanted = $inMould === null ? null : $judged("on {$copy->id}", new ContactRequest($request->fresh, $request->skinSafe, $copy, new SurfaceState, $request->intent, null, $request->onSkin, $request->paintAfter, $request->fineDetail));
                if ($inMould !== null && $wanted !== null) {
                    $minutes = ($first->demouldMin ?? self::USUAL_TEST_MIN) + ($second->demouldMin ?? self::USUAL_TEST_MIN) + $onSurface[1] + $inMould[1] + $wanted[1];
                    $ways[] = new Way([['kind' => WayKind::Link, 'id' => $first->code], ['kind' => WayKind::Link, 'id' => $second->code]], Phrase::of('contact.way_link', ['mould' => $first->name, 'copy' => $second->name]), $minutes, null, $wanted[0]);
                }
            }
        }
        usort($ways, static fn (Way $a, Way $b): int => $a->addsMin <=> $b->addsMin);

        return array_slice($ways, 0, self::MOST_LINKS);
    }

    private function fresh(ContactRequest $request, Candidate $base, string $surface): ContactRequest
    {
        return new ContactRequest($base->family, $base->skinSafe, $this->knowledge->surfaces[$surface], new SurfaceState, fineDetail: $request->fineDetail);
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

        return $release !== null && $released?->safe === true ? [$released, $release->minutes($request->isPorous(), $release->coats)] : null;
    }

    private function testMin(ContactRequest $request): float
    {
        $minutes = array_filter(array_map(static fn (Candidate $base): ?float => $base->family === $request->fresh ? $base->demouldMin : null, $this->shelf), static fn (?float $min): bool => $min !== null);

        return $minutes === [] ? self::USUAL_TEST_MIN : min($minutes);
    }
}
