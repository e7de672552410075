<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Contact\Candidate;
use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\Sure;
use Apalos\Core\Contact\Way;
use Apalos\Core\Contact\WayKind;
use Apalos\Core\Contact\WaysOut;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * What has to be put between two things of a way so that they part, or bond, as the contact engine judges it; each pair is asked once.
 */
final class Meetings
{
    /** Of the releases that part a pair, so many are tried at most. */
    private const MOST = 6;

    private ContactEngine $engine;

    /** @var array<string, list<PutBetween>|Phrase> */
    private array $known = [];

    /** @param  list<Candidate>  $shelf */
    public function __construct(private readonly Knowledge $knowledge, private readonly array $shelf, private readonly WaysBook $book)
    {
        $this->engine = new ContactEngine($knowledge);
    }

    /**
     * @param  array<string, mixed>  $asked  as `contact` asks
     * @return list<PutBetween>|Phrase all that make it safe, the best first; or why nothing does
     */
    public function between(array $asked): array|Phrase
    {
        return $this->known[json_encode($asked, JSON_THROW_ON_ERROR)] ??= $this->found($asked);
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return list<PutBetween>|Phrase
     */
    private function found(array $asked): array|Phrase
    {
        $request = ContactRequest::from(Fields::of($asked), $this->knowledge);
        $result = $this->engine->judge($request);
        $ways = $result->safe ? [new PutBetween($asked, null, 0.0, 0.0, 0.0, 0.0, 0.0, 1, null, null)] : [];
        foreach ($result->releases as ['release' => $release]) {
            $with = [...$asked, 'release' => $release->id];
            if ($this->engine->judge(ContactRequest::from(Fields::of($with), $this->knowledge))->safe) {
                $ways[] = new PutBetween(
                    $with, $release->id, $release->minutes($request->isPorous(), $release->coats), $release->coats * $this->book->coatMin,
                    0.0, 0.0, $release->cost, $release->every, null, null, $release->sure === Sure::Disputed,
                );
            }
        }
        if ($ways === []) {
            foreach ((new WaysOut($this->engine, $this->knowledge, $this->shelf))->of($request) as $out) {
                $way = $this->through($asked, $out, $request);
                $way === null || $ways[] = $way;
            }
        }

        return $ways === [] ? self::why($result) : self::few($ways);
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return PutBetween|null null where it would be another piece, or another chain
     */
    private function through(array $asked, Way $out, ContactRequest $request): ?PutBetween
    {
        $surface = is_array($asked['surface'] ?? null) ? $asked['surface'] : [];
        [$release, $hands, $test] = [null, 0.0, null];
        foreach ($out->steps as ['kind' => $kind, 'id' => $id]) {
            if (in_array($kind, [WayKind::Base, WayKind::Link], true)) {
                return null;
            }
            match ($kind) {
                WayKind::Seal, WayKind::Barrier => $surface['sealed_with'] = $id,
                WayKind::Release => $release = $this->knowledge->release($id),
                WayKind::Wait => $surface = [...$surface, ...match ($id) {
                    'prove-dry' => ['damp' => false, 'proved_dry' => true],
                    'dry' => ['damp' => false],
                    'post-cure' => ['post_cured' => true],
                    default => [],
                }],
                default => $test = Phrase::of('ways.test', ['fresh' => $request->fresh->name, 'surface' => $request->surface->name]),
            };
            $hands += in_array($kind, [WayKind::Seal, WayKind::Barrier], true) ? $this->book->sealMin : 0.0;
        }
        $with = [...$asked, 'surface' => $surface, ...($release === null ? [] : ['release' => $release->id])];

        $each = $release?->minutes($request->isPorous(), $release->coats) ?? 0.0;

        return new PutBetween(
            $with, $release?->id, $each, ($release->coats ?? 0) * $this->book->coatMin, max(0.0, $out->addsMin - $each),
            $hands + ($test === null ? 0.0 : $this->book->testHands),
            $release->cost ?? 0.0, $release->every ?? 1, $test, $out->what, $release?->sure === Sure::Disputed,
        );
    }

    /**
     * @param  non-empty-list<PutBetween>  $ways
     * @return list<PutBetween>
     */
    private static function few(array $ways): array
    {
        // Without a test comes before one with a test, whatever it takes.
        // What only some hold to part is taken where nothing else is there.
        foreach ([
            static fn (PutBetween $one): bool => $one->test === null, static fn (PutBetween $one): bool => ! $one->isDisputed,
        ] as $better) {
            $ways = array_values(array_filter($ways, $better)) ?: $ways;
        }
        // Behind the best stays what saves time, hands or money against all before it.
        $kept = [];
        foreach ($ways as $way) {
            $its = self::takes($way);
            $isWorse = array_filter(
                $kept,
                static fn (PutBetween $one): bool => ! in_array(
                    true, array_map(static fn (float $there, float $here): bool => $here < $there, self::takes($one), $its), true,
                ),
            ) !== [];
            if (! $isWorse) {
                $kept[] = $way;
            }
        }

        return array_slice($kept, 0, self::MOST);
    }

    /** @return list<float> minutes and money, each time and once */
    private static function takes(PutBetween $way): array
    {
        return [$way->waits, $way->hands / $way->every, $way->waitsOnce, $way->handsOnce, $way->cost / $way->every];
    }

    private static function why(ContactResult $result): Phrase
    {
        return $result->because[0]['text'] ?? $result->inShort;
    }
}
