<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Build;

use Apalos\Core\Build\Against;
use Apalos\Core\Build\BuildDoubts;
use Apalos\Core\Build\BuildPlan;
use Apalos\Core\Build\Measured;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\ReadyMade;
use Apalos\Core\Build\Wait;
use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\Intent;
use Apalos\Core\Contact\Verdict;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Material\SheetsTest;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** The builds that ship with the application: valid, complete, and possible. */
final class ReadyMadeTest extends TestCase
{
    private const LIBRARY = __DIR__.'/../../../library';

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach (glob(self::LIBRARY.'/builds/*.yaml') ?: [] as $file) {
            yield basename($file, '.yaml') => [$file];
        }
    }

    private static function planned(string $file): BuildPlan
    {
        $made = ReadyMade::from(basename($file, '.yaml'), Fields::of(Yaml::parseFile($file)));
        $base = SheetsTest::shelf()->bases[$made->base ?? ''];

        return $made->plan(new Measured(80_000.0, 20_000.0, 30.0, 600.0), $base, $base->forCuring()->times);
    }

    #[DataProvider('files')]
    public function test_it_is_valid_and_its_cautions_and_bases_are_there(string $file): void
    {
        $read = Yaml::parseFile($file);
        $result = (new Validator)->validate(
            Helper::toJSON($read), json_decode((string) file_get_contents(self::LIBRARY.'/schema/build.schema.json')),
        );
        self::assertTrue(
            $result->isValid(), $result->error() === null ? '' : (string) json_encode((new ErrorFormatter)->format($result->error())),
        );

        $cautions = Yaml::parseFile(self::LIBRARY.'/cautions.yaml');
        foreach (self::planned($file)->operations as $operation) {
            foreach ($operation->cautions as $caution) {
                self::assertArrayHasKey($caution, $cautions);
            }
            self::assertTrue($operation->mixing?->base === null || isset(SheetsTest::shelf()->bases[$operation->mixing->base]));
        }
    }

    /** What waits for a window waits for something that has one. */
    #[DataProvider('files')]
    public function test_every_window_stands_on_a_sheet(string $file): void
    {
        $made = ReadyMade::from('x', Fields::of(Yaml::parseFile($file)));
        $plan = self::planned($file);
        foreach ($plan->operations as $operation) {
            foreach ($operation->after as $wait) {
                $other = $plan->operation($wait->operation) ?? self::fail();
                foreach (array_filter([$wait->from, $wait->until], static fn (mixed $edge): bool => $edge instanceof Milestone) as $edge) {
                    self::assertTrue($other->kind->mixes(), "{$operation->id} waits for a time of {$other->id}, which mixes nothing.");
                    $base = SheetsTest::shelf()->bases[$other->mixing->base ?? $made->base ?? ''];
                    self::assertArrayHasKey($edge->value, $base->times, "{$operation->id} after {$other->id}");
                }
            }
        }
    }

    /** Every layer bonds to the one before where it is meant to, and lets go where it is not. */
    #[DataProvider('files')]
    public function test_its_layers_hold_together_and_its_jacket_comes_off(string $file): void
    {
        $made = ReadyMade::from('x', Fields::of(Yaml::parseFile($file)));
        $plan = self::planned($file);
        $knowledge = Shipped::knowledge();
        $pairs = 0;
        foreach ($plan->operations as $operation) {
            $below = $operation->mixing?->against === Against::Last ? $plan->layerBefore($operation) : null;
            if ($below === null || $operation->mixing === null) {
                continue;
            }
            $family = static fn (Operation $one): string => SheetsTest::shelf()->bases[$one->mixing->base ?? $made->base ?? '']->family;
            $result = (new ContactEngine($knowledge))->judge(ContactRequest::from(Fields::of([
                'fresh' => ['family' => $family($operation), 'skin_safe' => false],
                'surface' => ['id' => $knowledge->families[$family($below)]->curesTo, 'hours_since_cure' => 1],
                'intent' => $operation->mixing->intent->value, 'release' => null,
            ]), $knowledge));
            self::assertNotSame(Verdict::Stop, $result->verdict, "{$operation->id} on {$below->id}");
            $pairs++;
        }
        self::assertSame(
            count(array_filter($plan->operations, static fn (Operation $one): bool => $one->mixing?->against === Against::Last)), $pairs,
        );
    }

    #[DataProvider('files')]
    public function test_nobody_has_a_doubt_of_what_ships(string $file): void
    {
        self::assertSame([], BuildDoubts::of(self::planned($file)));
    }

    public function test_a_wall_that_is_a_block_and_coats_of_one_tint_are_doubted(): void
    {
        $coat = static fn (int $n, string $tint): array => [
            'id' => "coat{$n}", 'kind' => 'coat', 'name' => "Coat {$n}", 'minutes' => 5,
            'mix' => ['thickness_mm' => 5, 'area_mm2' => 9_000, 'tint' => $tint],
        ];
        $codes = static fn (string ...$tints): array => array_map(
            static fn ($one): string => $one->code,
            BuildDoubts::of(BuildPlan::from(Fields::of(['operations' => array_map($coat, range(1, count($tints)), $tints)]))),
        );

        self::assertSame(['too_thick', 'too_thick', 'one_tint'], $codes('white', 'red', 'red'));
        self::assertSame(['too_thick'], $codes('white', 'red'));
    }

    public function test_a_glove_comes_to_as_many_coats_as_its_wall_wants(): void
    {
        $plan = self::planned(self::LIBRARY.'/builds/glove-silicone.yaml');

        self::assertSame(
            [
                'release', 'flange', 'keys', 'print', 'coat2', 'coat3', 'coat4', 'embed', 'level', 'fence', 'jacket', 'flange-2',
                'jacket-2', 'rest', 'open',
            ],
            array_map(static fn (Operation $one): string => $one->id, $plan->operations),
        );
        self::assertEquals([new Wait('release', 10.0), new Wait('flange', 0.0)], $plan->operation('print')?->after);
        self::assertEquals(
            [new Wait('coat3', Milestone::RecoatOpen, Milestone::RecoatClose), new Wait('keys', 120.0)], $plan->operation('coat4')?->after,
        );
        self::assertEquals('coat4', $plan->operation('embed')?->after[0]->operation);
        self::assertSame(
            [null, 30.0, null],
            array_map(static fn (string $id): ?float => $plan->operation($id)?->mixing?->ml, ['print', 'coat2', 'coat3']),
        );
        self::assertSame(Intent::Bond, $plan->operation('coat3')?->mixing?->intent);
        // 7 mm over 100 000 mm², and 30 ml of undercuts.
        self::assertEqualsWithDelta(
            730.0,
            array_sum(
                array_map(static fn (string $id): float => (float) $plan->operation($id)?->mixing?->volume(), [
                    'print', 'coat2', 'coat3', 'coat4',
                ]),
            ),
            0.5,
        );
    }

    public function test_a_rubber_that_cannot_be_brushed_is_refused_with_what_to_do(): void
    {
        $made = ReadyMade::from('glove', Fields::of(Yaml::parseFile(self::LIBRARY.'/builds/glove-silicone.yaml')));
        $pourable = SheetsTest::shelf()->bases['rf-70'];

        $this->expectException(BadInput::class);
        $made->plan(new Measured(80_000.0), $pourable, $pourable->forCuring()->times);
    }
}
