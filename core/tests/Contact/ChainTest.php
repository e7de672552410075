<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Contact\Chain;
use Apalos\Core\Contact\ChainLink;
use Apalos\Core\Contact\MouldPart;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Contact\Touch;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\TestCase;

final class ChainTest extends TestCase
{
    private int $id = 0;

    private function link(
        string $name,
        bool $positive,
        ?string $family,
        ?string $becomes = null,
        MouldPart $role = MouldPart::Whole,
        ?int $from = null,
        ?string $wall = null,
        ?string $bed = null,
    ): ChainLink {
        $k = Shipped::knowledge();
        $fresh = $family === null ? null : $k->family($family);

        return new ChainLink(
            ++$this->id, $name, $positive, $role, $fresh, $k->surface($becomes ?? $fresh->curesTo ?? ''), $from,
            $wall === null ? null : $k->surface($wall), $bed === null ? null : $k->surface($bed), $family === null,
        );
    }

    /**
     * @param  list<ChainLink>  $links
     * @return array<string, list<string>> what each link touches, by name
     */
    private static function touches(array $links): array
    {
        $chain = Chain::of($links);
        $found = [];
        foreach ($links as $link) {
            $found[$link->name] = array_map(static fn (Touch $t): string => "{$t->with}: {$t->surface->id}", $chain->touches($link));
        }

        return $found;
    }

    public function test_a_two_part_mould_a_hard_copy_and_casts_from_it(): void
    {
        self::assertSame([
            'Sculpt' => [],
            'Half 1' => ['Sculpt: clay-oil-sulphur-free', 'the box walls: foam-board', 'the clay bed: clay-water'],
            'Half 2' => ['Sculpt: clay-oil-sulphur-free', 'Half 1: silicone-tin', 'the box walls: foam-board'],
            'Hard copy' => ['Half 2: silicone-tin', 'Half 1: silicone-tin'],
            'Gang mould' => ['Hard copy: urethane', 'the box walls: acrylic'],
            'Casts' => ['Gang mould: silicone-platinum'],
        ], self::touches([
            $this->link('Sculpt', true, null, 'clay-oil-sulphur-free'),
            $this->link('Half 1', false, 'silicone-tin', role: MouldPart::Half, wall: 'foam-board', bed: 'clay-water'),
            $this->link('Half 2', false, 'silicone-tin', role: MouldPart::Half, wall: 'foam-board'),
            $this->link('Hard copy', true, 'urethane-resin'),
            $this->link('Gang mould', false, 'silicone-platinum', wall: 'acrylic'),
            $this->link('Casts', true, 'urethane-rubber'),
        ]));
    }

    public function test_a_jacket_goes_over_the_glove_and_is_not_what_the_cast_touches(): void
    {
        $found = self::touches([
            $this->link('Last', true, null, 'wood'),
            $this->link('Glove', false, 'silicone-platinum'),
            $this->link('Jacket', false, 'plaster', role: MouldPart::Jacket),
            $this->link('Boots', true, 'urethane-rubber'),
        ]);

        self::assertSame(['Glove: silicone-platinum'], $found['Jacket']);
        self::assertSame(['Glove: silicone-platinum'], $found['Boots']);
    }

    public function test_a_core_is_touched_by_what_is_cast_around_it(): void
    {
        $found = self::touches([
            $this->link('Face', true, null, 'clay-oil-sulphur-free'),
            $this->link('Shell', false, 'epoxy'),
            $this->link('Core', true, 'plaster', role: MouldPart::Core),
            $this->link('Mask', true, 'silicone-platinum'),
        ]);

        self::assertSame(['Shell: epoxy', 'Core: plaster'], $found['Mask']);
    }

    public function test_a_core_that_is_written_down_as_a_mould_or_set_after_its_shell_hides_no_shell(): void
    {
        foreach ([true, false] as $positive) {
            $this->id = 0;
            $links = [
                $this->link('Face', true, null, 'clay-oil-sulphur-free'), $this->link('Shell', false, 'plaster'),
                $this->link('Core', $positive, 'epoxy', role: MouldPart::Core), $this->link('Mask', true, 'silicone-platinum'),
            ];
            self::assertSame(['Shell: plaster', 'Core: epoxy'], self::touches($links)['Mask']);
            // Wherever it is written down.
            self::assertSame(['Shell: plaster', 'Core: epoxy'], self::touches([$links[0], $links[1], $links[3], $links[2]])['Mask']);
        }
    }

    public function test_what_is_cast_in_a_bought_or_printed_mould_touches_it_and_the_plug_in_it(): void
    {
        $links = [
            $this->link('Printed mould', false, null, 'print-resin'), $this->link('Plug', true, null, 'wood', role: MouldPart::Plug),
            $this->link('Grip', true, 'silicone-platinum'),
        ];

        self::assertSame(['Printed mould: print-resin', 'Plug: wood'], self::touches($links)['Grip']);
        self::assertSame(['Printed mould: print-resin', 'Plug: wood'], self::touches(array_reverse($links))['Grip']);
    }

    public function test_a_shell_that_stands_before_its_rubber_is_met_by_it(): void
    {
        $found = self::touches([
            $this->link('Bust', true, null, 'plaster'),
            $this->link('Shell 1', false, 'epoxy', role: MouldPart::Jacket, bed: 'clay-oil-sulphur-free'),
            $this->link('Shell 2', false, 'epoxy', role: MouldPart::Jacket),
            $this->link('Rubber', false, 'silicone-platinum'),
            $this->link('Cast', true, 'plaster'),
        ]);

        self::assertSame(['what the shell is laid over: clay-oil-sulphur-free'], $found['Shell 1']);
        self::assertSame(['Shell 1: epoxy'], $found['Shell 2']);
        self::assertSame(['Bust: plaster', 'Shell 1: epoxy', 'Shell 2: epoxy'], $found['Rubber']);
        self::assertSame(['Rubber: silicone-platinum'], $found['Cast']);
    }

    public function test_the_second_shell_of_a_glove_meets_the_first(): void
    {
        $found = self::touches([
            $this->link('Last', true, null, 'wood'), $this->link('Glove', false, 'silicone-platinum'),
            $this->link('Shell 1', false, 'plaster', role: MouldPart::Jacket),
            $this->link('Shell 2', false, 'plaster', role: MouldPart::Jacket),
        ]);

        self::assertSame(['Glove: silicone-platinum', 'Shell 1: plaster'], $found['Shell 2']);
    }

    public function test_what_has_no_name_is_judged_as_what_nobody_knows(): void
    {
        $unknown = Shipped::knowledge()->surface(Surface::UNKNOWN);
        $shell = $this->link('Shell', false, 'epoxy', role: MouldPart::Jacket);
        $mould = new ChainLink(88, 'Bought', false, MouldPart::Whole, null, null, had: true);
        $cast = $this->link('Cast', true, 'silicone-platinum');

        self::assertSame(
            [Surface::UNKNOWN],
            array_map(static fn (Touch $t): string => $t->surface->id, Chain::of([$mould, $cast])->touches($cast, $unknown)),
        );
        $rubber = $this->link('Rubber', false, 'silicone-platinum');
        self::assertSame(
            ['bed'], array_map(static fn (Touch $t): string => $t->key, Chain::of([$shell, $rubber])->touches($shell, $unknown)),
        );
        self::assertSame([], Chain::of([$cast])->touches($cast, $unknown));
    }

    public function test_a_branch_takes_its_shape_from_where_it_is_told(): void
    {
        $links = [
            $this->link('Blank', true, null, 'wood'), $this->link('First mould', false, 'silicone-tin'), $this->link('Wax', true, 'wax'),
            $this->link('Second mould', false, 'silicone-platinum', from: 1),
        ];

        self::assertSame(['Blank: wood'], self::touches($links)['Second mould']);
        self::assertSame(
            ['Second mould'], array_map(static fn (ChainLink $l): string => $l->name, Chain::of($links)->restingOn($links[0])),
        );
    }

    public function test_a_chain_that_goes_round_in_a_circle_is_refused(): void
    {
        foreach ([[2, 'circle'], [1, 'itself'], [77, 'not there']] as [$from, $says]) {
            $this->id = 0;
            try {
                Chain::of([$this->link('Mould', false, 'silicone-tin', from: $from), $this->link('Cast', true, 'wax')]);
                self::fail("A link from {$from} passed.");
            } catch (BadInput $wrong) {
                self::assertStringContainsString($says, Words::of($wrong));
            }
        }
    }
}
