<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Contact\ContactAnswer;
use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\OwnTests;
use Apalos\Core\Contact\Rule;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Looks\Memo;
use App\Models\OwnRule;
use App\Models\Workshop;

/** Judges contacts with the library, the shop's own rules and its own tests. */
final class ContactBook
{
    private ?Knowledge $knowledge = null;

    private ?OwnTests $tests = null;

    /** @var list<array{fresh: string, surface: string, base?: string|null, sealed_with?: string|null, release?: string|null, passed: bool}> */
    private array $read = [];

    /** @var array<string, array<string, bool>> what was seen of a pair with any base: failed where one did */
    private array $seen = [];

    public function __construct(private readonly Library $library, private readonly Workshop $workshop, private readonly Memo $memo) {}

    public function knowledge(): Knowledge
    {
        return $this->knowledge ??= $this->library->knowledge()->with(...$this->workshop->ownRules()->orderBy('id')->get()
            ->map(static fn (OwnRule $own): Rule => Rule::from(Fields::of($own->rule)))->all());
    }

    /** What the shop has seen of a pair with any base, sealer or release: failed where one did. */
    public function seen(string $fresh, string $surface): ?bool
    {
        $this->tests();

        return $this->seen[$fresh][$surface] ?? null;
    }

    /** @return list<array{fresh: string, surface: string, base?: string|null, sealed_with?: string|null, release?: string|null, passed: bool}> what the last test of each combination said */
    public function ownTests(): array
    {
        $this->tests();

        return $this->read;
    }

    /** What the last test of each combination said. */
    private function tests(): OwnTests
    {
        if ($this->tests === null) {
            $same = implode(' and ', array_map(static fn (string $of): string => "coalesce(one.{$of}, '') = coalesce(test_patches.{$of}, '')", ['base', 'sealed_with', 'released_with']));
            $newest = "id = (select one.id from test_patches as one where one.workshop_id = test_patches.workshop_id and one.fresh = test_patches.fresh and one.surface = test_patches.surface and {$same} and one.passed is not null order by one.read_at desc, one.id desc limit 1)";
            $tests = [];
            foreach ($this->workshop->testPatches()->whereNotNull('passed')->whereRaw($newest)->get(['id', 'fresh', 'surface', 'base', 'sealed_with', 'released_with', 'passed']) as $patch) {
                $tests[] = ['fresh' => $patch->fresh, 'surface' => $patch->surface, 'base' => $patch->base, 'sealed_with' => $patch->sealed_with, 'release' => $patch->released_with, 'passed' => $patch->passed === true];
                $this->seen[$patch->fresh][$patch->surface] = ($this->seen[$patch->fresh][$patch->surface] ?? true) && $patch->passed === true;
            }
            $this->tests = new OwnTests($this->read = $tests);
        }

        return $this->tests;
    }

    /** @return array<string, array<string, bool>> */
    private function seenOf(): array
    {
        $this->tests();

        return $this->seen;
    }

    /**
     * Every fresh material on every surface as it usually is. It takes a moment, so it is kept until a rule or a test changes.
     *
     * @return array<string, array<string, array{verdict: string, in_short: Phrase, tested: bool|null}>>
     */
    public function board(): array
    {
        return $this->memo->of("board:{$this->workshop->id}", [$this->library->stamp('contacts'), $this->workshop->ownRules()->orderBy('id')->pluck('rule')->all(), $this->seenOf()], $this->judged(...));
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
        return ContactRequest::from(Fields::of(array_diff_key($question, ['tests' => 0])), $this->knowledge())->with(tests: $this->tests(), base: $base);
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
