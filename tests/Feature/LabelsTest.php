<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\FormulaKind;
use App\Models\Swatch;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesSwatches;
use Tests\TestCase;

final class LabelsTest extends TestCase
{
    use MakesSwatches;

    /** @return list<array<string, mixed>> */
    private function labels(string $query = ''): array
    {
        return $this->get("/swatches/labels{$query}")->assertOk()->inertiaProps('page.labels');
    }

    private function pour(string $name): string
    {
        return (string) $this->pourSeries(self::series(['steps' => [0, 60], 'thickness_mm' => 8]), $name)
            ->assertRedirect('/swatches/drawer')->assertSessionHas('onward', 'Print the labels')->getSession()->get('onward_href');
    }

    public function test_a_poured_series_leads_on_to_its_labels_which_say_what_is_in_each_puck_on_both_bases(): void
    {
        $labels = $this->labels(strstr($this->pour('Heron'), '?') ?: '');

        self::assertSame(['Heron 0 %', 'Heron 60.3 %'], array_column($labels, 'name'));
        self::assertSame([], $labels[0]['inside']);
        // 9.7 g in 16.1 g of A+B; of a base mixed 1:1 that is twice as much of A.
        self::assertSame(['Softener 60.25 % of A+B = 120.5 % of A alone'], $labels[1]['inside']);
        self::assertEquals([8, 8], array_column($labels, 'thickness_mm'));
        self::assertSame("/swatches/drawer#swatch-{$labels[1]['id']}", $labels[1]['href']);
    }

    public function test_labels_come_in_the_order_they_were_asked_for_and_once_each(): void
    {
        $this->pour('Heron');
        [$first, $second] = Swatch::query()->orderBy('id')->pluck('id')->all();
        self::assertSame([$second, $first], array_column($this->labels("?ids={$second},{$first},{$second},99999"), 'id'));

        $this->delete("/swatches/{$first}")->assertRedirect();
        self::assertSame(
            [$second], array_column($this->labels("?ids={$second},{$first}"), 'id'), 'What is out of the drawer needs no label.',
        );
    }

    public function test_where_nothing_is_asked_for_the_last_pour_is_labelled(): void
    {
        self::assertSame([], $this->labels());
        $this->pour('Heron');
        $this->travel(1)->hours();
        $this->pour('Plover');

        self::assertSame(['Plover 0 %', 'Plover 60.3 %'], array_column($this->labels(), 'name'));
        self::assertSame(['Plover 0 %', 'Plover 60.3 %'], array_column($this->labels('?ids=none'), 'name'));
    }

    /** @return iterable<string, array{string, list<array{string, int|float, string, string}>, list<string>}> */
    public static function formulas(): iterable
    {
        yield 'a tin rubber mixed 10:1: of A alone it is eleven tenths' => [
            'tr-25', [['sf-1', 20, 'pct_of_ab', 'after']], ['Softener 20 % of A+B = 22 % of A alone'],
        ];
        yield 'softener counted on one part is told on both' => [
            'pr-10', [['sf-1', 120, 'pct_of_a', 'after']], ['Softener 60 % of A+B = 120 % of A alone'],
        ];
        yield 'what has one part has one basis' => ['hv-08', [['vs-1', 12, 'pct_of_ab', 'a']], ['Vinyl softener 12 % of the base']];
        yield 'softener first, then what colours it' => [
            'pr-10', [['pi-fawn', 0.8, 'pct_of_total', 'b'], ['sf-1', 40, 'pct_of_ab', 'after']],
            ['Softener 40 % of A+B = 80 % of A alone', 'Fawn pigment 0.8 % of everything'],
        ];
    }

    /**
     * @param  list<array{string, int|float, string, string}>  $lines
     * @param  list<string>  $inside
     */
    #[DataProvider('formulas')]
    public function test_what_is_inside_is_written_as_the_bench_says_it(string $base, array $lines, array $inside): void
    {
        $version = $this->version('Puck', $base, $lines, FormulaKind::Trial);
        $this->workshop->swatches()->create(['formula_version_id' => $version->id, 'name' => 'One', 'poured_at' => $this->now]);

        self::assertSame($inside, $this->labels()[0]['inside']);
    }
}
