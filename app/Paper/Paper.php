<?php

declare(strict_types=1);

namespace App\Paper;

/** A sheet of paper before it is printed: what stands on it, by which view it is laid out, and where its code leads. */
final readonly class Paper
{
    /**
     * @param  string  $view  below `resources/views/paper`
     * @param  string  $file  what the file is called, without its ending
     * @param  string  $href  where its code leads back to
     * @param  array<string, mixed>  $holds
     * @param  array{float, float, float, float}  $margins  mm: top, right, bottom, left
     */
    public function __construct(
        public string $view,
        public string $title,
        public string $file,
        public string $href,
        public array $holds,
        public array $margins = [12.0, 12.0, 14.0, 12.0],
    ) {}
}
