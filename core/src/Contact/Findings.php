<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** The rules that speak of a pair, and what they come to together. */
final readonly class Findings
{
    /**
     * @param  list<Rule>  $inhibitors  every rule that slows or stops, worst first
     * @param  list<Rule>  $doubts  every rule that asks for a test, whatever it may be of
     * @param  list<Rule>  $forbidden
     * @param  list<Rule>  $contradictions  adhesion rules that say something else just as exactly as the one that decides
     */
    private function __construct(
        public Rule $adhesion,
        public Rule $cure,
        public array $inhibitors,
        public array $doubts,
        public array $forbidden,
        public array $contradictions,
    ) {}

    public static function on(Family $fresh, Surface $surface, SurfaceState $state, Knowledge $knowledge): self
    {
        $adhesion = [];
        $cure = [];
        $forbidden = [];
        $doubts = [];
        foreach ($knowledge->rules as $rule) {
            $exactly = $rule->speaksOf($fresh, $surface, $state);
            if ($exactly === null) {
                continue;
            }
            match ($rule->kind) {
                RuleKind::Adhesion => $adhesion[] = ['rule' => $rule, 'exactly' => $exactly],
                RuleKind::Inhibition => $cure[] = ['rule' => $rule, 'exactly' => $exactly],
                RuleKind::Doubt => $doubts[] = $rule,
                RuleKind::Forbid => $forbidden[] = $rule,
            };
        }
        $decides = self::exactest($adhesion);
        $inhibitors = array_values(
            array_filter(array_column($cure, 'rule'), static fn (Rule $rule): bool => $rule->gives !== Inhibition::None->value),
        );
        usort(
            $inhibitors,
            static fn (Rule $a, Rule $b): int => Inhibition::from($b->gives)->isWorseThan(Inhibition::from($a->gives)) ? 1 : -1,
        );
        $against = [];
        foreach ($adhesion as $entry) {
            if ($entry['exactly'] === $decides['exactly'] && $entry['rule']->gives !== $decides['rule']->gives) {
                $against[] = $entry['rule'];
            }
        }

        return new self($decides['rule'], $inhibitors[0] ?? self::exactest($cure)['rule'], $inhibitors, $doubts, $forbidden, $against);
    }

    /**
     * The rule that says most; of equals the later one, because the shop's own come last.
     *
     * @param  list<array{rule: Rule, exactly: int}>  $spoken
     * @return array{rule: Rule, exactly: int}
     */
    private static function exactest(array $spoken): array
    {
        $best = null;
        foreach ($spoken as $entry) {
            $best = $best === null || $entry['exactly'] >= $best['exactly'] ? $entry : $best;
        }

        return $best ?? throw BadInput::at('rules', Phrase::of('contact.no_rule'));
    }
}
