<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Contact\ContactAnswer;
use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\Rule;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\OwnRule;
use App\Models\Workshop;
use Illuminate\Contracts\Cache\Repository;

/** Judges contacts with the library, the shop's own rules and its own tests. */
final class ContactBook
{
    private ?Knowledge $knowledge = null;

    /** @var array<string, array<string, array<string, bool>>>|null by family, surface and base; `` where no base was said */
    private ?array $tests = null;

    public function __construct(private readonly Library $library, private readonly Workshop $workshop, private readonly Repository $cache) {}

    public function knowledge(): Knowledge
    {
        return $this->knowledge ??= $this->library->knowledge()->with(...$this->workshop->ownRules()->orderBy('id')->get()
            ->map(static fn (OwnRule $own): Rule => Rule::from(Fields::of($own->rule)))->all());
    }

    /**
     * What the last test of just this said; null where it was never tested. A test clears that very surface under that very base, not
     * all of its kind: one put on without a base counts where no base is asked for.
     */
    public function tested(string $fresh, string $surface, ?string $base = null): ?bool
    {
        return $this->tests()[$fresh][$surface][$base ?? ''] ?? null;
    }

    /** What the shop has seen of a pair with any base: failed where one did. */
    public function seen(string $fresh, string $surface): ?bool
    {
        $tests = $this->tests()[$fresh][$surface] ?? [];

        return $tests === [] ? null : ! in_array(false, $tests, true);
    }

    /** @return array<string, array<string, array<string, bool>>> what the last test of each said */
    private function tests(): array
    {
        if ($this->tests === null) {
            $this->tests = [];
            $newest = 'id = (select one.id from test_patches as one where one.workshop_id = test_patches.workshop_id and one.fresh = test_patches.fresh and one.surface = test_patches.surface and coalesce(one.base, \'\') = coalesce(test_patches.base, \'\') and one.passed is not null order by one.read_at desc, one.id desc limit 1)';
            foreach ($this->workshop->testPatches()->whereNotNull('passed')->whereRaw($newest)->get(['id', 'fresh', 'surface', 'base', 'passed']) as $patch) {
                $this->tests[$patch->fresh][$patch->surface][$patch->base ?? ''] = $patch->passed === true;
            }
        }

        return $this->tests;
    }

    /**
     * Every fresh material on every surface as it usually is. It takes a moment, so it is kept until a rule or a test changes.
     *
     * @return array<string, array<string, array{verdict: string, in_short: Phrase, tested: bool|null}>>
     */
    public function board(): array
    {
        $rests = md5(json_encode([$this->library->stamp('contacts'), $this->workshop->ownRules()->orderBy('id')->pluck('rule')->all(), $this->tests()], JSON_THROW_ON_ERROR));
        $kept = $this->cache->get("board:{$this->workshop->id}");
        if (! is_array($kept) || ($kept['rests'] ?? null) !== $rests) {
            $kept = ['rests' => $rests, 'cells' => $this->judged()];
            $this->cache->forever("board:{$this->workshop->id}", $kept);
        }

        /** @var array<string, array<string, array{verdict: string, in_short: Phrase, tested: bool|null}>> */
        return $kept['cells'];
    }

    /** @return array<string, array<string, array{verdict: string, in_short: Phrase, tested: bool|null}>> */
    private function judged(): array
    {
        $cells = [];
        foreach ($this->knowledge()->families as $fresh) {
            foreach ($this->knowledge()->surfaces as $surface) {
                $result = $this->judge($this->asked(['fresh' => ['family' => $fresh->id, 'skin_safe' => true], 'surface' => ['id' => $surface->id]]));
                $cells[$fresh->id][$surface->id] = ['verdict' => $result->verdict->value, 'in_short' => $result->inShort, 'tested' => $this->seen($fresh->id, $surface->id)];
            }
        }

        return $cells;
    }

    /**
     * @param  array<string, mixed>  $question  as `contact` takes it, without `tests`
     * @param  string|null  $base  house code of what is really poured, whose own tests count
     *
     * @throws \Apalos\Core\Input\BadInput
     */
    public function asked(array $question, ?string $base = null): ContactRequest
    {
        $asked = ContactRequest::from(Fields::of(array_diff_key($question, ['tests' => 0])), $this->knowledge());

        return $asked->with(tested: $this->tested($asked->fresh->id, $asked->surface->id, $base));
    }

    public function judge(ContactRequest $request): ContactResult
    {
        return (new ContactEngine($this->knowledge()))->judge($request);
    }

    /** With what would make it safe, from this shop's shelf. */
    public function answer(ContactRequest $request): ContactAnswer
    {
        return ContactAnswer::to($request, $this->knowledge(), $this->library->atHand());
    }
}
