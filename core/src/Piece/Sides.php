<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mesh\Bounds;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Phrase\Phrase;

/** What a maker calls the six sides of a piece: head and tail, toe and heel; without names of its own, left and right, top and bottom. */
final readonly class Sides
{
    private const USUAL = ['+x' => 'right', '-x' => 'left', '+y' => 'back', '-y' => 'front', '+z' => 'top', '-z' => 'bottom'];

    /** Degrees: less is upright. */
    private const UPRIGHT = 2.0;

    /** @param  array<string, string>  $names  by axis, `+x` to `-z` */
    private function __construct(private array $names) {}

    public static function usual(): self
    {
        return new self([]);
    }

    /** @throws \Apalos\Core\Input\BadInput */
    public static function from(?Fields $in): self
    {
        $in?->only(...array_keys(self::USUAL));
        $names = [];
        foreach (array_keys(self::USUAL) as $axis) {
            $name = $in?->textOrNull($axis);
            if ($name !== null) {
                $names[$axis] = mb_strimwidth($name, 0, 24, '…');
            }
        }

        return new self($names);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return $this->names;
    }

    /** Which side is up, and to which it is tipped: “head up, tipped 15° to the tail”. */
    public function upright(Direction $up): Phrase
    {
        [$main, $lean] = $this->nearest($up);
        $tilt = $main->angleTo($up);
        if ($tilt < self::UPRIGHT) {
            return Phrase::of('piece.side_up', ['side' => $this->name($main)]);
        }

        return Phrase::of('piece.side_up_tipped', ['side' => $this->name($main), 'degrees' => round($tilt), 'to' => $this->name($lean)]);
    }

    /** The way a pull goes: “towards the top”. */
    public function towards(Direction $pull): Phrase
    {
        [$main, $lean] = $this->nearest($pull);
        $tilt = $main->angleTo($pull);

        return $tilt < self::UPRIGHT
            ? Phrase::of('piece.towards', ['side' => $this->name($main)])
            : Phrase::of('piece.towards_leaning', ['side' => $this->name($main), 'degrees' => round($tilt), 'to' => $this->name($lean)]);
    }

    /**
     * The side a place lies nearest to, seen from the middle of the piece.
     *
     * @param  array{float, float, float}  $at
     */
    public function of(array $at, Bounds $bounds): Phrase
    {
        $size = $bounds->size();
        $middle = $bounds->middle();
        $best = [0.0, '+z'];
        foreach (['x', 'y', 'z'] as $i => $axis) {
            $share = $size[$i] > 0.0 ? 2.0 * ($at[$i] - $middle[$i]) / $size[$i] : 0.0;
            if (abs($share) > $best[0]) {
                $best = [abs($share), ($share < 0.0 ? '-' : '+').$axis];
            }
        }

        return $this->called($best[1]);
    }

    private function name(Direction $axis): Phrase
    {
        [$most, $along] = ['x', $axis->x];
        foreach (['y' => $axis->y, 'z' => $axis->z] as $name => $part) {
            [$most, $along] = abs($part) > abs($along) ? [$name, $part] : [$most, $along];
        }

        return $this->called(($along < 0.0 ? '-' : '+').$most);
    }

    private function called(string $axis): Phrase
    {
        $usual = self::USUAL[$axis];

        return isset($this->names[$axis]) ? Phrase::written($this->names[$axis]) : Phrase::of("piece.side_{$usual}");
    }

    /** @return array{Direction, Direction} the axis it is nearest to, and the one it leans to from there */
    private function nearest(Direction $way): array
    {
        $axes = Ways::axes();
        usort($axes, static fn (Direction $a, Direction $b): int => $b->dot($way) <=> $a->dot($way));

        return [$axes[0], $axes[1]];
    }
}
