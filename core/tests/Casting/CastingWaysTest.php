<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Casting;

use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Casting\WorkedResult;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Input\Fields;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Tests\Material\SheetsTest;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** Each process says its own steps, and none says another's. */
final class CastingWaysTest extends TestCase
{
    private const LIBRARY = __DIR__.'/../../../library';

    /** @return array<string, array<string, mixed>> */
    private static function read(): array
    {
        $read = [];
        foreach (glob(self::LIBRARY.'/casting/*.yaml') ?: [] as $file) {
            $read[basename($file, '.yaml')] = Yaml::parseFile($file);
        }

        return $read;
    }

    private static function worked(string $code, ?string $asked = null, bool $laid = false): WorkedResult
    {
        $base = SheetsTest::shelf()->bases[$code];

        return CastingWays::of(self::read())->choose(
            $asked ?? $base->casting, $base->family, $base->ratio->isOnePart(), $laid && $base->brushed,
        )->said();
    }

    public function test_every_way_is_valid_and_what_is_weighed_into_it_is_on_the_shelf(): void
    {
        $schema = json_decode((string) file_get_contents(self::LIBRARY.'/schema/casting.schema.json'));
        foreach (self::read() as $id => $way) {
            $result = (new Validator)->validate(Helper::toJSON($way), $schema);
            self::assertTrue(
                $result->isValid(),
                $id.' '.($result->error() === null ? '' : (string) json_encode((new ErrorFormatter)->format($result->error()))),
            );
            foreach ($way['with'] ?? [] as $one) {
                self::assertArrayHasKey($one['code'], SheetsTest::shelf()->additives);
            }
            foreach ($way['families'] ?? [] as $family) {
                self::assertArrayHasKey($family, Yaml::parseFile(self::LIBRARY.'/contacts/families.yaml'));
            }
        }
    }

    public function test_every_way_that_a_build_a_sheet_or_the_form_of_one_names_is_there(): void
    {
        $named = [];
        foreach ([...glob(self::LIBRARY.'/builds/*.yaml') ?: [], ...glob(self::LIBRARY.'/materials/*.yaml') ?: []] as $file) {
            preg_match_all("/casting: '?([a-z-]+)/", (string) file_get_contents($file), $found);
            $named = [...$named, ...$found[1]];
        }
        preg_match('/at: casting.*?of: \{(.*?)\}/', (string) file_get_contents(self::LIBRARY.'/sheet-fields.yaml'), $form);
        preg_match_all('/([a-z-]+): \'/', $form[1] ?? '', $offered);
        self::assertNotEmpty($offered[1]);
        self::assertSame([], array_values(array_diff([...$named, ...$offered[1]], array_keys(self::read()))));
    }

    /** @return iterable<string, array{string, string|null, string, bool}> base, asked, what its clock counts from, stirred before */
    public static function processes(): iterable
    {
        yield 'platinum, poured' => ['pr-10', null, 'since A met B', true];
        yield 'platinum putty' => ['pp-45', null, 'since the doughs met', false];
        yield 'one-part with starch' => ['sx-25', null, 'since silicone met starch', false];
        yield 'the same, of the other school' => ['sx-25', 'soap-putty', 'since silicone met the bath', false];
        yield 'one-part as paint' => ['ax-15', null, 'since it was opened', true];
        yield 'plaster' => ['cp-70', null, 'since powder met water', false];
        yield 'plaster as a jacket' => ['cp-70', 'jacket', 'since powder met water', false];
        yield 'alginate' => ['ag-1', null, 'since powder met water', false];
        yield 'film' => ['cf-3', null, 'since film met solvent', false];
        yield 'latex' => ['lx-60', null, 'since it was opened', true];
        yield 'hot vinyl' => ['hv-08', null, 'since it came off the heat', true];
        yield 'rotated urethane' => ['ur-35', 'rotated', 'since A met B', true];
        yield 'asked for a way nobody knows' => ['pr-10', 'no-such-way', 'since A met B', true];
    }

    #[DataProvider('processes')]
    public function test_its_clock_and_its_first_step_are_its_own(string $code, ?string $asked, string $since, bool $stirred): void
    {
        $worked = self::worked($code, $asked);
        self::assertSame($since, $worked->clock['since']);
        self::assertSame($stirred, $worked->premix !== null);
    }

    public function test_no_way_says_what_is_not_there(): void
    {
        foreach (SheetsTest::shelf()->bases as $code => $base) {
            $said = (string) json_encode(self::worked((string) $code)->toArray());
            if ($base->ratio->isOnePart()) {
                self::assertStringNotContainsString('A met', $said, "{$code} is of one part.");
                self::assertStringNotContainsString('A meets', $said, "{$code} is of one part.");
            }
            if (
                in_array($base->family, ['plaster', 'plastisol', 'alginate', 'latex', 'cap-plastic'], true)
                || in_array($code, ['pp-45', 'sx-25'], true)
            ) {
                self::assertStringNotContainsString('thin high stream', $said, "{$code} is not poured in a thin stream.");
                self::assertStringNotContainsString('Stir each part', $said);
            }
        }
    }

    public function test_a_jacket_of_plaster_is_slaked_like_plaster_and_laid_on_like_a_jacket(): void
    {
        $jacket = self::worked('cp-70', 'jacket', true);
        self::assertSame(self::worked('cp-70')->mix, $jacket->mix);
        self::assertStringContainsString('scrim', implode(' ', $jacket->fill['points']));
        self::assertSame('It is all on', $jacket->fill['done']);
        self::assertSame(30.0, self::worked('ur-35', 'rotated', true)->turnSeconds);
        self::assertSame('Lay it on', self::worked('br-28', null, true)->fill['title'], 'What is brushed is laid on.');
    }

    public function test_what_is_not_stirred_before_goes_straight_onto_the_scale(): void
    {
        $steps = function (bool $premixes): array {
            $plan = new RunPlan(
                [['water' => 70.0, 'powder' => 100.0], ['water' => 70.0, 'powder' => 100.0]], true, Minutes::of(2), Minutes::of(0),
                Grams::of(0.1), null, Density::of(1.59), premixes: $premixes,
            );
            $plan = RunPlan::from(Fields::of($plan->toArray()));
            $facts = [];
            $seen = [];
            for ($i = 1; $i < 20; $i++) {
                $state = RunState::of($plan, $facts);
                $seen[] = "{$state->step->batch}:{$state->step->kind->value}";
                $line = $state->step->kind === StepKind::Weigh ? $state->cup()->current() : null;
                if ($state->step->kind === StepKind::Wait) {
                    break;
                }
                $facts[] = new Fact(
                    $i, $line === null ? RunFactKind::Confirmed : RunFactKind::Weighed, (float) $i,
                    ['step' => $state->step->key(), ...($line === null ? [] : ['reading_g' => $line['running']])],
                );
            }

            return $seen;
        };
        self::assertSame(
            ['0:gear', '1:tare', '1:weigh', '1:weigh', '1:mix', '1:fill', '2:tare', '2:weigh', '2:weigh', '2:mix', '2:fill', '0:wait'],
            $steps(false),
        );
        self::assertContains('2:premix', $steps(true));
    }
}
