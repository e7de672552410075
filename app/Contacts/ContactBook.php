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
use App\Lists\Rows;
use App\Looks\Memo;

/** Judges contacts with the library, the shop's own rules and its own tests. */
final class ContactBook
{
    private ?Knowledge $knowledge = null;

    private ?OwnTests $tests = null;

    /**
     * @var list<array{fresh: string, surface: string, base?: string|null, sealed_with?: string|null, release?: string|null, passed: bool}>
     */
    private array $read = [];

    /** @var array<string, array<string, bool>> what was seen of a pair with any base: failed where one did */
    private array $seen = [];

    public function __construct(private readonly Library $library, private readonly Memo $memo) {}

    public function knowledge(): Knowledge
    {
        return $this->knowledge ??= $this->library->knowledge()->with(
            ...array_map(static fn (array $own): Rule => Rule::from(Fields::of($own)), $this->ownRules()),
        );
    }

    /** @return list<array<string, mixed>> the shop's own rules, as they were written, the oldest first */
    private function ownRules(): array
    {
        $written = [];
        foreach (Rows::of('own_rules')->orderBy('id')->pluck('rule') as $rule) {
            /** @var array<string, mixed>|null $read */
            $read = json_decode(is_string($rule) ? $rule : '', true);
            $written[] = is_array($read) ? $read : [];
        }

        return $written;
    }

    /** What the shop has seen of a pair with any base, sealer or release: failed where one did. */
    public function seen(string $fresh, string $surface): ?bool
    {
        $this->tests();

        return $this->seen[$fresh][$surface] ?? null;
    }

    /**
     * @return list<array{
     *     fresh: string, surface: string, base?: string|null, sealed_with?: string|null, release?: string|null, passed: bool,
     * }> what the last test of each combination said
     */
    public function ownTests(): array
    {
        $this->tests();

        return $this->read;
    }

    /** What the last test of each combination said. */
    private function tests(): OwnTests
    {
        if ($this->tests === null) {
            $same = implode(
                ' and ',
                array_map(
                    static fn (string $of): string => "coalesce(one.{$of}, '') = coalesce(test_patches.{$of}, '')",
                    ['base', 'sealed_with', 'released_with'],
                ),
            );
            $newest = "test_patches.id = (select one.id from test_patches as one where one.workshop_id = test_patches.workshop_id and one.fresh = test_patches.fresh and one.surface = test_patches.surface and {$same} and one.passed is not null order by one.read_at desc, one.id desc limit 1)";
            $tests = [];
            $asked = ['fresh', 'surface', 'base', 'sealed_with', 'released_with as release', 'passed'];
            foreach (Rows::of('test_patches')->whereNotNull('passed')->whereRaw($newest)->get($asked) as $patch) {
                $test = ['fresh' => (string) $patch->fresh, 'surface' => (string) $patch->surface, 'passed' => (bool) $patch->passed];
                $tests[] = [
                    ...$test, 'base' => self::text($patch->base), 'sealed_with' => self::text($patch->sealed_with),
                    'release' => self::text($patch->release),
                ];
                $this->seen[$test['fresh']][$test['surface']] = ($this->seen[$test['fresh']][$test['surface']] ?? true) && $test['passed'];
            }
            $this->tests = new OwnTests($this->read = $tests);
        }

        return $this->tests;
    }

    private static function text(mixed $said): ?string
    {
        return is_string($said) ? $said : null;
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
        return $this->memo->of(
            'board',
            [$this->library->stamp('contacts'), $this->ownRules(), $this->seenOf()],
            $this->judged(...),
        );
    }

    /** @return array<string, array<string, array{verdict: string, in_short: Phrase, tested: bool|null}>> */
    private function judged(): array
    {
        $cells = [];
        foreach ($this->knowledge()->families as $fresh) {
            foreach ($this->knowledge()->surfaces as $surface) {
                $result = $this->judge($this->asked([
                    'fresh' => ['family' => $fresh->id, 'skin_safe' => true], 'surface' => ['id' => $surface->id],
                ]));
                $cells[$fresh->id][$surface->id] = [
                    'verdict' => $result->verdict->value, 'in_short' => $result->inShort, 'tested' => $this->seen($fresh->id, $surface->id),
                ];
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
        return ContactRequest::from(
            Fields::of(array_diff_key($question, ['tests' => 0])), $this->knowledge(),
        )->with(tests: $this->tests(), base: $base);
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
