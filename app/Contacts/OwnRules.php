<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\Family;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\Rule;
use Apalos\Core\Contact\RuleGuard;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Models\OwnRule;
use App\Models\Workshop;

/** Contact rules of the shop's own, written on the screen: what one would change is shown before it is kept. */
final readonly class OwnRules
{
    private const MOST = 100;

    public function __construct(private Workshop $workshop, private Library $library, private ContactBook $contacts) {}

    /**
     * The cells of the board that would read otherwise.
     *
     * @return list<array{fresh: string, surface: string, was: string, becomes: string, in_short: Phrase}>
     *
     * @throws BadInput
     */
    public function changes(Fields $in): array
    {
        $rule = $this->admitted($in);
        [$before, $after] = [$this->contacts->knowledge(), $this->without($rule->id)->with($rule)];
        $changes = [];
        foreach ($before->families as $fresh) {
            foreach ($before->surfaces as $surface) {
                if ($rule->exactlyAbout($fresh, $surface) === null) {
                    continue;
                }
                [$was, $becomes] = [self::judged($fresh, $surface, $before, $rule), self::judged($fresh, $surface, $after, $rule)];
                if ($was->verdict !== $becomes->verdict) {
                    $changes[] = [
                        'fresh' => $fresh->id, 'surface' => $surface->id, 'was' => $was->verdict->value,
                        'becomes' => $becomes->verdict->value, 'in_short' => $becomes->inShort,
                    ];
                }
            }
        }

        return $changes;
    }

    /** @throws BadInput */
    public function keep(Fields $in): OwnRule
    {
        $rule = $this->admitted($in);
        if (! $this->workshop->ownRules()->where('name', $rule->id)->exists() && $this->workshop->ownRules()->count() >= self::MOST) {
            throw BadInput::at('id', Phrase::of('input.too_many', ['most' => self::MOST, 'there' => self::MOST + 1]));
        }

        return $this->workshop->ownRules()->updateOrCreate(['name' => $rule->id], ['rule' => $in->toArray()]);
    }

    /** Read, and let in beside the library and all other rules of the shop. */
    private function admitted(Fields $in): Rule
    {
        $rule = Rule::from($in);
        if (mb_strlen($rule->id) > 60) {
            throw BadInput::at('id', Phrase::of('bench.name_the_rule_in_short'));
        }
        foreach ($this->library->knowledge()->rules as $shipped) {
            if ($shipped->id === $rule->id) {
                throw BadInput::at('id', Phrase::of('bench.already_rule_named_give', ['id' => $rule->id]));
            }
        }
        $others = $this->workshop
            ->ownRules()
            ->where('name', '!=', $rule->id)
            ->orderBy('id')
            ->get()
            ->map(static fn (OwnRule $own): Rule => Rule::from(Fields::of($own->rule)))
            ->all();
        (new RuleGuard($this->library->knowledge()))->admit([...$others, $rule]);
        $speaks = array_filter(
            $this->library->knowledge()->families,
            fn (Family $fresh): bool => array_filter(
                $this->library->knowledge()->surfaces, static fn (Surface $surface): bool => $rule->exactlyAbout($fresh, $surface) !== null,
            ) !== [],
        );
        if ($speaks === []) {
            throw BadInput::at('surface', Phrase::of('bench.rule_speaks_nothing_say'));
        }

        return $rule;
    }

    /** What is known without the rule of this name, where there is one already. */
    private function without(string $id): Knowledge
    {
        $known = $this->contacts->knowledge();

        return $known->only(array_values(array_filter($known->rules, static fn (Rule $rule): bool => $rule->id !== $id)));
    }

    /** As it usually is, in the state the rule speaks of. */
    private static function judged(Family $fresh, Surface $surface, Knowledge $knowledge, Rule $rule): \Apalos\Core\Contact\ContactResult
    {
        $state = [];
        foreach ($rule->when as $name => $value) {
            $state += match ($name) {
                'sealed' => $value === true ? ['sealed_with' => (string) array_key_first($knowledge->sealers)] : [],
                'hours_below' => ['hours_since_cure' => (float) $value / 2.0],
                'solvent_below' => ['solvent_min_ago' => (float) $value / 2.0],
                default => [$name => $value],
            };
        }

        return (new ContactEngine($knowledge))->judge(
            ContactRequest::from(
                Fields::of(['fresh' => ['family' => $fresh->id, 'skin_safe' => true], 'surface' => ['id' => $surface->id, ...$state]]),
                $knowledge,
            ),
        );
    }
}
