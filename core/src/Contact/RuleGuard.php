<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/**
 * Lets the shop's own rules in beside the library's: they may say more, never otherwise where the library is certain, and never two
 * things at once. Held against every state that any rule can tell apart, so that no bound slips through between two samples.
 */
final readonly class RuleGuard
{
    private string $sealer;

    public function __construct(private Knowledge $library)
    {
        $this->sealer = (string) (array_key_first($library->sealers) ?? 'any');
    }

    /**
     * @param  array<int|string, Rule>  $own  by the place they were written at
     *
     * @throws BadInput where one would overrule what is certain, or two contradict each other
     */
    public function admit(array $own): void
    {
        foreach ($own as $place => $rule) {
            if ($rule->kind === RuleKind::Adhesion) {
                $this->refuseOverrulingCertain($rule, "rules.{$place}");
            }
        }
        $this->refuseContradictions(array_values(array_filter($own, static fn (Rule $rule): bool => $rule->kind === RuleKind::Adhesion)));
    }

    private function refuseOverrulingCertain(Rule $rule, string $field): void
    {
        foreach ($this->pairs([$rule]) as [$fresh, $surface, $speaking]) {
            $certain = array_filter($speaking, static fn (Rule $other): bool => $other->sure === Sure::Certain && $other->kind === RuleKind::Adhesion && $other->gives !== $rule->gives);
            if ($certain === []) {
                continue;
            }
            [$before, $after] = [$this->library->only($speaking), $this->library->only([...$speaking, $rule])];
            foreach (States::toldApartBy([...$speaking, $rule], $this->sealer) as $state) {
                if ($rule->speaksOf($fresh, $surface, $state) === null) {
                    continue;
                }
                $was = Findings::on($fresh, $surface, $state, $before)->adhesion;
                if ($was->sure === Sure::Certain && $was->gives !== $rule->gives && Findings::on($fresh, $surface, $state, $after)->adhesion === $rule) {
                    throw BadInput::at($field, Phrase::of('contact.overrules_certain', ['rule' => $rule->id, 'certain' => $was->id, 'fresh' => $fresh->name, 'surface' => $surface->name, 'why' => Phrase::written($was->text)]));
                }
            }
        }
    }

    /** @param  list<Rule>  $own */
    private function refuseContradictions(array $own): void
    {
        foreach ($own as $i => $one) {
            foreach (array_slice($own, $i + 1) as $other) {
                if ($one->gives === $other->gives) {
                    continue;
                }
                foreach ($this->pairs([$one, $other]) as [$fresh, $surface]) {
                    foreach (States::toldApartBy([$one, $other], $this->sealer) as $state) {
                        $exactly = $one->speaksOf($fresh, $surface, $state);
                        if ($exactly !== null && $exactly === $other->speaksOf($fresh, $surface, $state)) {
                            throw BadInput::at('rules', Phrase::of('contact.rules_contradict', ['one' => $one->id, 'other' => $other->id, 'fresh' => $fresh->name, 'surface' => $surface->name]));
                        }
                    }
                }
            }
        }
    }

    /**
     * The pairs all of some rules speak of in some state, each with the library's rules that do so too.
     *
     * @param  non-empty-list<Rule>  $rules
     * @return \Generator<array{Family, Surface, list<Rule>}>
     */
    private function pairs(array $rules): \Generator
    {
        foreach ($this->library->families as $fresh) {
            foreach ($this->library->surfaces as $surface) {
                foreach ($rules as $rule) {
                    if (! $rule->isAbout($fresh, $surface)) {
                        continue 2;
                    }
                }
                yield [$fresh, $surface, array_values(array_filter($this->library->rules, static fn (Rule $other): bool => $other->isAbout($fresh, $surface)))];
            }
        }
    }
}
