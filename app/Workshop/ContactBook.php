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
use App\Models\OwnRule;
use App\Models\TestPatch;
use App\Models\Workshop;

/** Judges contacts with the library, the shop's own rules and its own tests. */
final class ContactBook
{
    private ?Knowledge $knowledge = null;

    /** @var list<array{fresh: string, surface: string, passed: bool}>|null */
    private ?array $tests = null;

    public function __construct(private readonly Library $library, private readonly Workshop $workshop) {}

    public function knowledge(): Knowledge
    {
        return $this->knowledge ??= $this->library->knowledge()->with(...$this->workshop->ownRules()->orderBy('id')->get()
            ->map(static fn (OwnRule $own): Rule => Rule::from(Fields::of($own->rule)))->all());
    }

    /** @return list<array{fresh: string, surface: string, passed: bool}> oldest first */
    public function tests(): array
    {
        return $this->tests ??= array_values($this->workshop->testPatches()->whereNotNull('passed')->orderBy('read_at')->orderBy('id')->get()
            ->map(static fn (TestPatch $patch): array => ['fresh' => $patch->fresh, 'surface' => $patch->surface, 'passed' => $patch->passed === true])->all());
    }

    /**
     * @param  array<string, mixed>  $question  as `contact` takes it, without `tests`
     *
     * @throws \Apalos\Core\Input\BadInput
     */
    public function asked(array $question): ContactRequest
    {
        return ContactRequest::from(Fields::of([...$question, 'tests' => $this->tests()]), $this->knowledge());
    }

    public function judge(ContactRequest $request): ContactResult
    {
        return (new ContactEngine($this->knowledge()))->judge($request);
    }

    /** With what would make it safe, from this shop's shelf. */
    public function answer(ContactRequest $request): ContactAnswer
    {
        return ContactAnswer::to($request, $this->knowledge(), $this->library->shelf());
    }
}
