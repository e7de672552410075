<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Contact\Findings;
use Apalos\Core\Contact\Rule;
use Apalos\Core\Contact\RuleGuard;
use Apalos\Core\Contact\States;
use Apalos\Core\Contact\Sure;
use Apalos\Core\Contact\SurfaceState;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is certain cannot be talked round, not even for half an hour. */
final class RuleGuardTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function rule(array $more = []): Rule
    {
        return Rule::from(Fields::of([
            ...[
                'id' => 'own', 'kind' => 'adhesion', 'fresh' => ['@silicone'], 'surface' => ['silicone-platinum'], 'gives' => 'lets-go',
                'sure' => 'usual', 'text' => 'We have done it.',
            ],
            ...$more,
        ]));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function talkedRound(): iterable
    {
        yield 'always' => [[]];
        yield 'for half an hour' => [['when' => ['hours_below' => 0.5]]];
        yield 'for a second' => [['when' => ['hours_below' => 0.0003]]];
        yield 'for a thousand years' => [['when' => ['hours_below' => 9e5]]];
        yield 'while it smells of solvent' => [['when' => ['solvent_below' => 0.1]]];
        yield 'when damp and sealed and young' => [['when' => ['damp' => true, 'sealed' => true, 'hours_below' => 3]]];
        yield 'when touched with latex' => [['when' => ['latex_touched' => true]]];
        yield 'for open pores' => [['fresh' => ['epoxy'], 'surface' => ['plaster'], 'when' => ['sealed' => false, 'hours_below' => 1]]];
        yield 'everything on everything, for a while' => [['fresh' => ['*'], 'surface' => ['*'], 'when' => ['hours_below' => 0.25]]];
    }

    /** @param  array<string, mixed>  $rule */
    #[DataProvider('talkedRound')]
    public function test_a_rule_that_overrules_what_is_certain_in_any_state_is_refused(array $rule): void
    {
        $this->expectException(BadInput::class);
        $this->expectExceptionMessage('contact.overrules_certain');
        (new RuleGuard(Shipped::knowledge()))->admit([self::rule($rule)]);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function allowed(): iterable
    {
        yield 'what nobody is certain of' => [['surface' => ['wax'], 'gives' => 'grips']];
        yield 'the same as the library says' => [['gives' => 'fuses', 'when' => ['hours_below' => 4]]];
        yield 'weaker words than a certain rule has' => [['fresh' => ['*'], 'surface' => ['*'], 'gives' => 'lets-go']];
        yield 'a cure that never comes' => [['kind' => 'inhibition', 'surface' => ['wax'], 'gives' => 'stops']];
    }

    /** @param  array<string, mixed>  $rule */
    #[DataProvider('allowed')]
    public function test_a_rule_may_say_more(array $rule): void
    {
        $this->expectNotToPerformAssertions();
        (new RuleGuard(Shipped::knowledge()))->admit([self::rule($rule)]);
    }

    public function test_two_own_rules_may_not_say_two_things_of_the_same_state(): void
    {
        $young = self::rule(['id' => 'young', 'surface' => ['wax'], 'gives' => 'grips', 'when' => ['hours_below' => 5]]);
        $younger = self::rule(['id' => 'younger', 'surface' => ['wax'], 'gives' => 'fuses', 'when' => ['hours_below' => 2]]);
        $old = self::rule(['id' => 'sealed', 'surface' => ['wax'], 'gives' => 'fuses', 'when' => ['sealed' => true, 'hours_below' => 2]]);
        $guard = new RuleGuard(Shipped::knowledge());
        $guard->admit([$young, $old]);

        $this->expectExceptionMessage('contact.rules_contradict');
        $guard->admit([$young, $younger]);
    }

    public function test_no_state_that_rules_tell_apart_is_left_out(): void
    {
        $rules = [self::rule(['when' => ['hours_below' => 24]]), self::rule(['when' => ['hours_below' => 72, 'damp' => true]])];
        $states = States::toldApartBy($rules, 'shellac');
        $hours = array_values(array_unique(array_map(static fn (SurfaceState $s): ?float => $s->hoursSinceCure, $states), SORT_REGULAR));

        self::assertSame([null, 12.0, 24.0, 72.0], $hours);
        self::assertCount(8, $states, 'Each dry and damp, and nothing the rules do not ask for.');
    }

    /** By another route: a brute sweep over hours finds no state in which an admitted rule stands above a certain one. */
    public function test_what_is_admitted_never_decides_against_what_is_certain(): void
    {
        $library = Shipped::knowledge();
        $rule = self::rule(['fresh' => ['*'], 'surface' => ['*'], 'gives' => 'lets-go']);
        (new RuleGuard($library))->admit([$rule]);
        $with = $library->with($rule);
        foreach ($library->families as $fresh) {
            foreach ($library->surfaces as $surface) {
                foreach ([null, 0.1, 1.0, 23.9, 24.0, 71.0, 500.0] as $hours) {
                    foreach ([null, 'shellac'] as $sealer) {
                        $state = new SurfaceState($hours, false, null, $sealer);
                        $was = Findings::on($fresh, $surface, $state, $library)->adhesion;
                        if ($was->sure === Sure::Certain) {
                            self::assertSame($was->gives, Findings::on($fresh, $surface, $state, $with)->adhesion->gives);
                        }
                    }
                }
            }
        }
    }
}
