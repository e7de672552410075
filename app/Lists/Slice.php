<?php

declare(strict_types=1);

namespace App\Lists;

use Illuminate\Http\Request;

/** A page of a long list. */
final readonly class Slice
{
    private function __construct(public int $number, public int $size) {}

    /** The page somebody turned to, `?page=2`; whatever else is said there is the first. */
    public static function asked(Request $request, int $size): self
    {
        $said = $request->query('page');

        return new self(is_string($said) && preg_match('/^[1-9]\d{0,5}$/', $said) === 1 ? (int) $said : 1, $size);
    }

    /** This one, or the last there is. */
    public function within(int $total): self
    {
        return new self(min($this->number, max(1, (int) ceil($total / $this->size))), $this->size);
    }

    /** The page that holds the one before which so many lie. */
    public function holding(int $before): self
    {
        return new self(1 + intdiv($before, $this->size), $this->size);
    }

    public function offset(): int
    {
        return ($this->number - 1) * $this->size;
    }

    /** @return array{page: int, pages: int, total: int} */
    public function toArray(int $total): array
    {
        return ['page' => $this->number, 'pages' => max(1, (int) ceil($total / $this->size)), 'total' => $total];
    }
}
