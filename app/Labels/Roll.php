<?php

declare(strict_types=1);

namespace App\Labels;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Devices\Bitmap;
use App\Models\Workshop;

/** The roll that lies in the label printer: how large a label is, and how fine it prints. */
final readonly class Roll
{
    /** Letters of the largest label, in base64. */
    public const LONGEST = 1_000_000;

    /** What is sent in one press stays under what the bench takes at once. */
    private const A_PRESS_BYTES = 4_000_000;

    private const AT_A_PRESS = 30;

    public function __construct(private Workshop $workshop) {}

    /** @return array{w_mm: float, h_mm: float, dots_mm: float} */
    public function toArray(): array
    {
        return ['w_mm' => $this->workshop->label_w_mm, 'h_mm' => $this->workshop->label_h_mm, 'dots_mm' => $this->workshop->label_dots_mm];
    }

    /** @throws BadInput and then nothing is changed */
    public function set(Fields $in): void
    {
        $in->only('w_mm', 'h_mm', 'dots_mm');
        $this->workshop->fill([
            'label_w_mm' => $in->number('w_mm', 15.0, 110.0), 'label_h_mm' => $in->number('h_mm', 10.0, 200.0),
            'label_dots_mm' => $in->number('dots_mm', 4.0, 12.0),
        ])->save();
    }

    /** How many labels of this size go into one press. */
    public function atAPress(): int
    {
        $letters = $this->workshop->label_w_mm * $this->workshop->label_h_mm * $this->workshop->label_dots_mm ** 2 / 6.0;

        return (int) max(1, min(self::AT_A_PRESS, self::A_PRESS_BYTES / $letters));
    }

    /**
     * @param  string  $said  a bitmap in base64
     *
     * @throws BadInput where it is none, or was drawn for another roll
     */
    public function takes(string $said): string
    {
        $drawn = Bitmap::parse((string) base64_decode($said, true)) ?? throw BadInput::at('labels', Phrase::of('bench.label_no_bitmap'));
        $is = fn (float $mm): int => (int) round($mm * $this->workshop->label_dots_mm);
        if ($drawn->width !== $is($this->workshop->label_w_mm) || $drawn->height !== $is($this->workshop->label_h_mm)) {
            throw BadInput::at('labels', Phrase::of('bench.label_of_another_roll'));
        }

        return $said;
    }
}
