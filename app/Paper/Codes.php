<?php

declare(strict_types=1);

namespace App\Paper;

use TCPDF2DBarcode;

/** A code that leads back, drawn as lines: sharp at any size. */
final readonly class Codes
{
    /** Lines round it, in its own squares, that stay white. */
    private const QUIET = 4;

    /** As an image a page can hold. */
    public static function image(string $address): string
    {
        return 'data:image/svg+xml;base64,'.base64_encode(self::svg($address));
    }

    public static function svg(string $address): string
    {
        /** @var array{bcode: list<list<int|string>>} $squares */
        $squares = (new TCPDF2DBarcode($address, 'QRCODE,M'))->getBarcodeArray();
        $rows = $squares['bcode'];
        $side = count($rows) + 2 * self::QUIET;
        $path = '';
        foreach ($rows as $y => $row) {
            // What is dark beside each other is one stroke: fewer seams.
            for ($x = 0; $x < count($row); $x++) {
                $from = $x;
                while ($x < count($row) && (int) $row[$x] === 1) {
                    $x++;
                }
                if ($x > $from) {
                    $path .= sprintf('M%d %dh%dv1h-%dz', $from + self::QUIET, $y + self::QUIET, $x - $from, $x - $from);
                }
            }
        }

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 {$side} {$side}\" width=\"{$side}\" height=\"{$side}\"><rect width=\"{$side}\" height=\"{$side}\" fill=\"#fff\"/><path d=\"{$path}\" fill=\"#000\"/></svg>";
    }
}
