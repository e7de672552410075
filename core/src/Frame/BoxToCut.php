<?php

declare(strict_types=1);

namespace Apalos\Core\Frame;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** A box to cut, or a wrap for a round wall: its panels as a list, and as one drawing. */
final class BoxToCut
{
    /** Above the floor of the box, so much of a height wants a strap: mm. */
    private const STRAP_EVERY = 60.0;

    private const PINS_HOLD = 50.0;

    private const USUAL_OVERLAP = 20.0;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array
    {
        return $in->has('round') ? $this->wrap($in) : $this->box($in);
    }

    /** @return array<string, mixed> */
    private function box(Fields $in): array
    {
        $asked = BoxRequest::from($in);
        $panels = array_map(
            static fn (Panel $panel): Panel => $asked->kerf > 0.0 ? $panel->grownBy($asked->kerf / 2.0) : $panel,
            (new BoxPanels($asked))->panels(),
        );

        return [...$this->drawn($panels, $asked->sheet), 'hold' => self::hold($asked->inner[2]), 'warnings' => []];
    }

    /** @return array<string, mixed> a strip to wrap round a round wall, with level lines and the overlap marked */
    private function wrap(Fields $in): array
    {
        $in->only('round', 'sheet_mm');
        $round = $in->object('round')->only(
            'diameter_mm', 'height_mm', 'thickness_mm', 'overlap_mm', 'clay_bed_mm', 'fill_mm', 'freeboard_mm',
        );
        $diameter = $round->positive('diameter_mm', 5000.0);
        $inside = $round->positive('height_mm', 5000.0);
        $height = max(
            $inside, ($round->numberOrNull('fill_mm', 0.0, $inside) ?? $inside) + ($round->numberOrNull('freeboard_mm', 0.0, 500.0) ?? 0.0),
        );
        // The strip is bent about the middle of its thickness.
        $around = M_PI * ($diameter + ($round->numberOrNull('thickness_mm', 0.0, 50.0) ?? 0.0));
        $overlap = $round->numberOrNull('overlap_mm', 0.0, 500.0) ?? self::USUAL_OVERLAP;
        $marks = [[[$around, 0.0], [$around, $height]]];
        foreach (['clay_bed_mm', 'fill_mm'] as $key) {
            $level = $round->numberOrNull($key, 0.0, $height);
            if ($level !== null && $level > 0.0 && $level < $height) {
                $marks[] = [[0.0, $level], [$around, $level]];
            }
        }
        for ($x = 10.0; $x < $around; $x += 10.0) {
            $marks[] = [[$x, 0.0], [$x, fmod($x, 50.0) < 1e-6 ? 5.0 : 2.5]];
        }
        $long = $around + $overlap;
        $sheet = $in->numbers('sheet_mm', 10.0, 10_000.0, 2);
        $panel = new Panel('wrap', [[0.0, 0.0], [$long, 0.0], [$long, $height], [0.0, $height]], $marks);

        return [
            ...$this->drawn([$panel], count($sheet) === 2 ? [$sheet[0], $sheet[1]] : [$long + 10.0, $height + 10.0]),
            'around_mm' => $around, 'hold' => self::hold($height), 'warnings' => [],
        ];
    }

    /**
     * @param  list<Panel>  $panels
     * @param  array{float, float}  $sheet
     * @return array{
     *     panels: list<array{name: string, l_mm: float, w_mm: float, outline: list<array{float, float}>}>, sheets: int, svg: string,
     *     dxf: string,
     * }
     */
    private function drawn(array $panels, array $sheet): array
    {
        $cutting = new Cutting(Nest::on($panels, $sheet), $sheet);

        return [
            'panels' => array_map(
                static fn (Panel $panel): array => [
                    'name' => $panel->name, 'l_mm' => $panel->size()[0], 'w_mm' => $panel->size()[1], 'outline' => $panel->outline,
                ],
                $panels,
            ),
            'sheets' => $cutting->sheets(), 'svg' => $cutting->svg(), 'dxf' => $cutting->dxf(),
        ];
    }

    private static function hold(float $height): Phrase
    {
        return $height <= self::PINS_HOLD
            ? Phrase::of('frame.advise_pins', ['height' => Quantity::length($height)])
            : Phrase::of('frame.advise_straps', ['n' => (int) max(1, ceil($height / self::STRAP_EVERY))]);
    }
}
