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
        foreach ($this->pairs() as [$fresh, $surface]) {
            $exactly = $rule->exactlyAbout($fresh, $surface);
            if ($exactly === null) {
                continue;
            }
            $speaking = array_values(
                array_filter($this->library->rules, static fn (Rule $other): bool => $other->exactlyAbout($fresh, $surface) !== null),
            );
            // Only what speaks no more exactly than it can be overruled by it.
            $certain = array_filter(
                $speaking,
                static fn (Rule $other): bool => $other->sure === Sure::Certain
                    && $other->kind === RuleKind::Adhesion
                    && $other->gives !== $rule->gives
                    && $other->exactlyAbout($fresh, $surface) <= $exactly,
            );
            if ($certain === []) {
                continue;
            }
            [$before, $after] = [$this->library->only($speaking), $this->library->only([...$speaking, $rule])];
            foreach (States::toldApartBy([...$speaking, $rule], $this->sealer) as $state) {
                if (! $state->meets($rule->when)) {
                    continue;
                }
                $was = Findings::on($fresh, $surface, $state, $before)->adhesion;
                if (
                    $was->sure === Sure::Certain
                    && $was->gives !== $rule->gives
                    && Findings::on($fresh, $surface, $state, $after)->adhesion === $rule
                ) {
                    throw BadInput::at($field, Phrase::of('contact.overrules_certain', [
                        'rule' => $rule->id, 'certain' => $was->id, 'fresh' => $fresh->name, 'surface' => $surface->name,
                        'why' => Phrase::written($was->text),
                    ]));
                }
            }
        }
    }

    /** @param  list<Rule>  $own */
    private function refuseContradictions(array $own): void
    {
        $pairs = [...$this->pairs()];
        $exactly = array_map(
            static fn (Rule $rule): array => array_filter(
                array_map(static fn (array $pair): ?int => $rule->exactlyAbout(...$pair), $pairs), is_int(...),
            ),
            $own,
        );
        foreach ($own as $i => $one) {
            for ($j = $i + 1; $j < count($own); $j++) {
                $alike = $one->gives === $own[$j]->gives ? [] : array_intersect_assoc($exactly[$i], $exactly[$j]);
                if ($alike !== [] && $this->meetAtOnce($one, $own[$j])) {
                    [$fresh, $surface] = $pairs[array_key_first($alike)];
                    throw BadInput::at('rules', Phrase::of('contact.rules_contradict', [
                        'one' => $one->id, 'other' => $own[$j]->id, 'fresh' => $fresh->name, 'surface' => $surface->name,
                    ]));
                }
            }
        }
    }

    /** There is a state of a surface in which both speak. */
    private function meetAtOnce(Rule $one, Rule $other): bool
    {
        foreach (States::toldApartBy([$one, $other], $this->sealer) as $state) {
            if ($state->meets($one->when) && $state->meets($other->when)) {
                return true;
            }
        }

        return false;
    }

    /** @return \Generator<array{Family, Surface}> */
    private function pairs(): \Generator
    {
        foreach ($this->library->families as $fresh) {
            foreach ($this->library->surfaces as $surface) {
                yield [$fresh, $surface];
            }
        }
    }
}
