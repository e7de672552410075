<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mould\MouldChooser;
use Apalos\Core\Mould\MouldLibrary;
use Apalos\Core\Mould\RankedMould;
use Apalos\Core\Phrase\Phrase;

/**
 * Puts together kinds, rubbers, casts and releases; what cannot be is left out, with its reason. Everything is asked of the engines that
 * stand.
 */
final class Combiner
{
    private const ALIKE_ON_THE_RACK = 2;

    /** @var array<string, RankedMould> */
    private array $ranked = [];

    private readonly Objections $objections;

    public function __construct(
        private readonly WaysRequest $asked,
        private readonly WaysBook $book,
        private readonly MouldLibrary $moulds,
        private readonly Knowledge $knowledge,
        private readonly Meetings $meetings,
        private readonly LeftOut $leftOut,
    ) {
        $this->objections = new Objections($asked, $book, $moulds, $knowledge);
        foreach ((new MouldChooser($moulds, $knowledge))->choose($asked->piece)->ranked as $mould) {
            $this->ranked[$mould->kind] = $mould;
        }
    }

    /** How the mould engine ranks a kind for this piece. */
    public function ranked(string $kind): ?RankedMould
    {
        return $this->ranked[$kind] ?? null;
    }

    /** @return \Generator<Combination> */
    public function all(): \Generator
    {
        foreach ($this->best($this->asked->rack) as $mould) {
            yield from $this->onTheRack($mould);
        }
        foreach ($this->ranked as $kind => $ranked) {
            if (isset($this->book->kinds[$kind])) {
                yield from $this->kind($kind, $this->book->kinds[$kind], $ranked);
            }
        }
    }

    /**
     * Of moulds of one kind and one rubber those that have most left: the others would be no other way.
     *
     * @param  list<array{id: string, kind: string, base: string, left: array{low: int, likely: int, high: int}}>  $rack
     * @return list<array{id: string, kind: string, base: string, left: array{low: int, likely: int, high: int}}>
     */
    private function best(array $rack): array
    {
        usort($rack, static fn (array $one, array $other): int => $other['left']['low'] <=> $one['left']['low']);
        $of = [];

        return array_values(array_filter($rack, static function (array $mould) use (&$of): bool {
            $of["{$mould['kind']}/{$mould['base']}"] = ($of["{$mould['kind']}/{$mould['base']}"] ?? 0) + 1;

            return $of["{$mould['kind']}/{$mould['base']}"] <= self::ALIKE_ON_THE_RACK;
        }));
    }

    /**
     * @param  array{id: string, kind: string, base: string, left: array{low: int, likely: int, high: int}}  $mould
     * @return \Generator<Combination>
     */
    private function onTheRack(array $mould): \Generator
    {
        $worked = $this->book->kinds[$mould['kind']] ?? null;
        $base = $this->asked->bases[$mould['base']] ?? null;
        if ($worked === null || ($base === null && ! $worked->isPrinted())) {
            $this->leftOut->add(
                "rack {$mould['id']}",
                Phrase::of($worked === null ? 'ways.unknown_kind' : 'ways.rubber_not_known', [
                    'kind' => $mould['kind'], 'base' => $mould['base'],
                ]),
                $this->each(),
            );

            return;
        }
        foreach ($this->asked->casts as $cast) {
            yield from $this->cast($mould['kind'], $worked, null, $base, $cast, [], ['id' => $mould['id'], 'left' => $mould['left']]);
        }
    }

    /** @return \Generator<Combination> */
    private function kind(string $kind, Worked $worked, RankedMould $ranked): \Generator
    {
        $takes = $worked->isPrinted()
            ? [null]
            : array_filter(
                $this->asked->bases,
                fn (BaseSheet $base): bool => in_array($base->family, $this->moulds->kinds[$kind]->chemistry, true)
                    && $worked->takes($base),
            );
        $forbids = max(1, count($takes)) * count($this->asked->casts) * $this->each();
        $why = $this->objections->toKind($kind, $worked, $ranked);
        if ($why !== null || $takes === []) {
            $this->leftOut->add($kind, $why ?? Phrase::of('ways.no_rubber_for', ['kind' => $ranked->name]), $forbids);

            return;
        }
        foreach ($takes as $base) {
            $why = $base === null ? null : $this->objections->toBase($kind, $base);
            $others = $why ?? $this->others($worked, $base);
            if ($others instanceof Phrase) {
                $this->leftOut->add(
                    $base === null ? $kind : "{$kind} in {$base->code}", $others, count($this->asked->casts) * $this->each(),
                );

                continue;
            }
            foreach ($this->asked->casts as $cast) {
                yield from $this->cast($kind, $worked, $ranked, $base, $cast, $others, null);
            }
        }
    }

    /** @return list<Combination>|Phrase just this, with every release or with one; or the first thing that forbids it */
    public function just(string $kind, Worked $worked, ?BaseSheet $base, BaseSheet $cast, ?string $release): array|Phrase
    {
        $ranked = $this->ranked[$kind] ?? null;
        $chemistry = ($this->moulds->kinds[$kind] ?? null)->chemistry ?? [];
        if (
            $ranked === null
            || (! $worked->isPrinted() && ($base === null || ! in_array($base->family, $chemistry, true) || ! $worked->takes($base)))
        ) {
            return Phrase::of('ways.not_of_that', ['kind' => $ranked->name ?? $kind, 'base' => $base->name ?? '']);
        }
        $why = $this->objections->toKind($kind, $worked, $ranked) ?? ($base === null ? null : $this->objections->toBase($kind, $base));
        $others = $why ?? $this->others($worked, $base);
        if ($others instanceof Phrase) {
            return $others;
        }
        if ($release !== null) {
            $asked = [...$this->casting($worked, $base, $cast), 'release' => $release];
            $result = (new ContactEngine($this->knowledge))->judge(ContactRequest::from(Fields::of($asked, 'why_not'), $this->knowledge));
            if (! $result->safe) {
                return $result->because[0]['text'] ?? $result->inShort;
            }
            $of = $this->knowledge->release($release);
            $way = new PutBetween(
                $asked, $release, $of->minutes(false, $of->coats), $of->coats * $this->book->coatMin, 0.0, 0.0, $of->cost, $of->every, null,
                null,
            );

            return array_map(
                static fn (int $pieces): Combination => new Combination($kind, $worked, $ranked, $base, $cast, $way, $others, $pieces),
                $worked->gang,
            );
        }
        $left = new LeftOut;
        $found = iterator_to_array(
            (new self($this->asked, $this->book, $this->moulds, $this->knowledge, $this->meetings, $left))->cast(
                $kind, $worked, $ranked, $base, $cast, $others, null,
            ),
            false,
        );

        return $found === [] ? ($left->toArray()[0]['why'] ?? Phrase::of('ways.no_way')) : $found;
    }

    /** The same way for a piece of which more is known; null where it is then forbidden. */
    public function again(Combination $way): ?Combination
    {
        if ($way->rack === null && $way->base !== null && $this->objections->toBase($way->kind, $way->base) !== null) {
            return null;
        }

        return new Combination(
            $way->kind, $way->worked, $way->rack === null ? $this->ranked($way->kind) : null, $way->base, $way->cast, $way->release,
            $way->others, $way->gang, $way->rack,
        );
    }

    /** So many releases there are, and none. */
    private function each(): int
    {
        return count($this->knowledge->releases) + 1;
    }

    /** @return list<PutBetween>|Phrase what the rubber of a mould meets on its way, the original first; or why that cannot be */
    private function others(Worked $worked, ?BaseSheet $base): array|Phrase
    {
        if ($base === null) {
            return [];
        }
        $family = $this->knowledge->family($base->family);
        $fresh = ['family' => $base->family, 'skin_safe' => $base->isForSkin()];
        $use = ['fine_detail' => $this->asked->mould['detail'] !== 'plain', 'worn' => $this->asked->piece->flags['skin']];
        $asked = [['fresh' => $fresh, 'surface' => ['id' => $this->asked->piece->words['original_surface']], 'use' => $use]];
        foreach ($worked->meets as $what) {
            $asked[] = match ($what) {
                'half' => ['fresh' => $fresh, 'surface' => ['id' => $family->curesTo], 'use' => $use],
                'layer' => ['fresh' => $fresh, 'surface' => ['id' => $family->curesTo, 'hours_since_cure' => 0.5], 'intent' => 'bond'],
                'jacket' => [
                    'fresh' => ['family' => $worked->jacket ?? 'plaster', 'skin_safe' => false], 'surface' => ['id' => $family->curesTo],
                ],
                default => ['fresh' => $fresh, 'surface' => ['id' => $this->book->surface($what)]],
            };
        }
        $others = [];
        foreach ($asked as $one) {
            $tests = $one['fresh'] === $fresh ? $this->asked->tests($base, $one['surface']['id']) : [];
            $ways = $this->meetings->between($tests === [] ? $one : [...$one, 'tests' => $tests]);
            if ($ways instanceof Phrase) {
                return $ways;
            }
            $others[] = $ways[0];
        }

        return $others;
    }

    /**
     * @param  list<PutBetween>  $others
     * @param  array{id: string, left: array{low: int, likely: int, high: int}}|null  $rack
     * @return \Generator<Combination>
     */
    private function cast(
        string $kind,
        Worked $worked,
        ?RankedMould $ranked,
        ?BaseSheet $base,
        BaseSheet $cast,
        array $others,
        ?array $rack,
    ): \Generator {
        $what = $rack === null ? "{$cast->code} in ".($base->code ?? $kind) : "{$cast->code} in rack {$rack['id']}";
        if ($this->asked->piece->flags['skin'] && ! $cast->isForSkin()) {
            $this->leftOut->add($cast->code, Phrase::of('ways.not_for_skin', ['base' => $cast->name]), $this->each());

            return;
        }
        $ways = $this->meetings->between($this->casting($worked, $base, $cast));
        if ($ways instanceof Phrase) {
            $this->leftOut->add($what, $ways, $this->each());

            return;
        }
        foreach ($ways as $release) {
            foreach ($worked->gang as $pieces) {
                yield new Combination($kind, $worked, $ranked, $base, $cast, $release, $others, $pieces, $rack);
            }
        }
    }

    /** @return array<string, mixed> the question to `contact`: the cast on its mould */
    public function casting(Worked $worked, ?BaseSheet $base, BaseSheet $cast): array
    {
        $skin = $this->asked->piece->flags['skin'];
        $surface = $base === null ? ($worked->surface ?? 'print-resin') : $this->knowledge->family($base->family)->curesTo;

        $tests = $this->asked->tests($cast, $surface);

        return [
            ...($tests === [] ? [] : ['tests' => $tests]),
            'fresh' => ['family' => $cast->family, 'skin_safe' => $cast->isForSkin()], 'surface' => ['id' => $surface],
            'use' => ['fine_detail' => $this->asked->mould['detail'] !== 'plain', 'skin' => $skin, 'worn' => $skin],
        ];
    }
}
