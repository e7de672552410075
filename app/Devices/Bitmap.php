<?php

declare(strict_types=1);

namespace App\Devices;

/** A picture of black and white dots, in the open format `P4`: `P4`, width and height, then rows of bits, each filled up to a byte. */
final readonly class Bitmap
{
    private const HEAD = '/^P4\s+(\d{1,5})\s+(\d{1,5})\s/';

    private function __construct(public int $width, public int $height, public string $pbm) {}

    /** Null where it is none, is broken off, or has something behind it. */
    public static function parse(string $pbm): ?self
    {
        $length = self::length($pbm);

        return $length === strlen($pbm) && preg_match(self::HEAD, $pbm, $part) === 1
            ? new self((int) $part[1], (int) $part[2], $pbm)
            : null;
    }

    /** How many bytes the whole of it has, from its beginning; null while that cannot be told. */
    public static function length(string $begun): ?int
    {
        return preg_match(self::HEAD, $begun, $part) === 1 ? strlen($part[0]) + intdiv((int) $part[1] + 7, 8) * (int) $part[2] : null;
    }
}
