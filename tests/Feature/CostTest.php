<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\FormulaVersion;
use App\Models\Job;
use Inertia\Testing\AssertableInertia;
use Tests\KeepsThings;
use Tests\TestCase;

/** What a piece, a formula and a mould cost, filled in from log and stores; the choice of a mould speaks in the same money. */
final class CostTest extends TestCase
{
    use KeepsThings;

    private const GRIPS = [
        'currency' => 'EUR', 'casts' => 4, 'reject_pct' => 10,
        'materials' => [
            [
                'code' => 'ur-35', 'from' => 'kit', 'name' => 'rubber', 'used_g' => 1280, 'waste_pct' => 8, 'on_hand_g' => 300,
                'kit' => ['price' => '58.40', 'mass_g' => 900],
            ],
            ['name' => 'pigment', 'used_g' => 14, 'waste_pct' => 0, 'on_hand_g' => 0, 'kit' => ['price' => '19.90', 'mass_g' => 57]],
        ],
        'moulds' => [['id' => 3, 'name' => 'block', 'cost' => '74.50', 'life_casts' => 60]],
        'labour' => [['what' => 'hands', 'min' => 190, 'hour_rate' => '22.00']], 'other' => [['name' => 'post', 'price' => '6.00']],
    ];

    public function test_the_bench_note_through_the_screen_s_door(): void
    {
        $answer = $this->postJson('/cost', self::GRIPS)->assertOk()->json();
        self::assertSame(['89.70', '4.89'], array_column($answer['lines'], 'cost'));
        self::assertSame([2, 1], array_column($answer['lines'], 'kits'));
        self::assertSame(
            ['4.97', '69.67', '175.23', '48.68', '142.70'],
            [$answer['mould'], $answer['labour'], $answer['total'], $answer['per_piece'], $answer['cash']],
        );
        $wrong = self::GRIPS;
        $wrong['materials'][0]['kit']['price'] = '58.400';
        $this->postJson('/cost', $wrong)->assertUnprocessable()->assertJsonPath('error.field', 'materials.0.kit.price');
    }

    public function test_a_job_is_counted_from_what_its_casts_really_took(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $job = $cast->job;
        $job->update(['quantity' => 9]);
        $this->workshop->update(['currency' => 'EUR', 'hour_rate' => '20.00']);
        $this->kit('pr-25', ['price' => '90.00', 'parts' => [['part' => 'A', 'grams' => 450], ['part' => 'B', 'grams' => 450]]]);
        $mould = $this->mould($link);
        $this->kit();
        $first = $this->poured($cast, ['pieces' => 3, 'each' => [['outcome' => 'good'], ['outcome' => 'good'], ['outcome' => 'reject']]]);
        $this->poured($cast, ['pieces' => 3]);

        $asked = $this->get("/jobs/{$job->id}/cost")->assertOk()->inertiaProps('cost.asked');
        // Nine good ones at one reject in six: eleven are cast.
        self::assertSame(11, $asked['casts']);
        self::assertEqualsWithDelta(16.7, $asked['reject_pct'], 0.01);
        self::assertEqualsWithDelta((float) $first->weighed_g / 3.0 * 11.0, $asked['materials'][0]['used_g'], 0.2);
        self::assertSame(['58.40', 'ur-35'], [$asked['materials'][0]['kit']['price'], $asked['materials'][0]['code']]);
        self::assertEqualsWithDelta(900.0 - 2.0 * (float) $first->weighed_g, $asked['materials'][0]['on_hand_g'], 0.2);
        // Its mould: grams of rubber at 90 for 900 g, and the hands that made it.
        $made = (float) $mould->refresh()->impression?->pours()->where('state', 'graded')->firstOrFail()->weighed_g;
        self::assertGreaterThan(0.1 * $made, (float) $asked['moulds'][0]['cost']);
        $this->get("/jobs/{$job->id}/cost")->assertInertia(
            static fn (AssertableInertia $page) => $page->where('cost.answer.currency', 'EUR'),
        );

        $this->tell("/rack/{$mould->id}/facts", 'priced', ['cost' => '120.00'])->assertOk();
        $this->get("/jobs/{$job->id}/cost")->assertInertia(
            static fn (AssertableInertia $page) => $page->where('cost.asked.moulds.0.cost', '120.00'),
        );
        $this->getJson("/jobs/{$job->id}/cost/way")->assertOk()->assertJsonPath('fixed', '120.00')->assertJsonPath('complete', true);
    }

    public function test_a_formula_by_the_kilogram_and_a_mould_by_its_parts(): void
    {
        $this->putJson('/stores/pr-10/kit', ['price' => '64.00', 'mass_g' => 4000])->assertOk();
        $this->putJson('/stores/sf-1/kit', ['price' => '21.00', 'mass_g' => 1800])->assertOk();
        $this->begun();
        $version = FormulaVersion::query()->firstOrFail();
        $asked = $this->get("/versions/{$version->id}/cost")->inertiaProps('cost.asked');
        // Fifty of softener to a hundred of rubber: two thirds and one third of a kilogram.
        self::assertEqualsWithDelta(666.7, $asked['materials'][0]['used_g'], 0.1);
        self::assertEqualsWithDelta(333.3, $asked['materials'][1]['used_g'], 0.1);
        self::assertSame(
            '14.56', $this->postJson('/cost', $asked)->json('total'), '666.7 g at 16 a kilogram and 333.3 g at 21 for 1800 g.',
        );
    }

    public function test_the_hour_and_the_choice_of_a_mould_speak_in_the_shop_s_own_money(): void
    {
        $piece = [
            'size_mm' => ['l' => 150, 'w' => 60, 'h' => 40], 'undercuts' => 'slight', 'detail' => 'fine', 'casts' => 20,
            'casting' => ['family' => 'urethane-rubber', 'heat_c' => 25], 'original' => ['surface' => 'acrylic', 'may_be_lost' => true],
            'flat_back' => false, 'hollow' => false, 'skin' => false, 'budget' => 'normal', 'hour_rate' => 0,
        ];
        $usual = $this->postJson('/mould', $piece)->assertOk()->assertJsonPath('paid', [])->json('ranked');
        $this->putJson('/stores/pr-25/kit', ['price' => '76.00', 'mass_g' => 1000])->assertOk();
        $ours = $this->postJson('/mould', $piece)->assertJsonPath('paid', ['silicone-platinum'])->json('ranked');
        $cost = static fn (array $ranked, string $kind): float => array_column($ranked, 'cost', 'kind')[$kind];
        self::assertEqualsWithDelta(2.0 * $cost($usual, 'open-block'), $cost($ours, 'open-block'), 0.01, 'Twice the usual 38 a kilogram.');

        $this->putJson('/cost/rate', ['hour_rate' => '22.00'])->assertOk();
        $job = Job::query()->create(['name' => 'Otter', 'quantity' => 1]);
        $this->get("/jobs/{$job->id}/mould")->assertInertia(
            static fn (AssertableInertia $page) => $page->where('hour_rate', static fn (float|int $rate): bool => (float) $rate === 22.0),
        );
        $this->putJson('/cost/rate', ['hour_rate' => 'a lot'])->assertUnprocessable();
        $this->get("/jobs/{$job->id}/cost")->assertOk()->assertInertia(
            static fn (AssertableInertia $page) => $page->where('cost.asked.materials', []),
        );
    }
}
