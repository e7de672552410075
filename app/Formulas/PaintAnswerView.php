<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Paint\PaintResult;
use App\Types\View;

/**
 * A pot of paint, and whether it holds on cured silicone.
 *
 * @phpstan-import-type PaintShape from PaintResult
 * @phpstan-import-type ContactShape from ContactResult
 */
final readonly class PaintAnswerView implements View
{
    public function __construct(private PaintResult $pot, private ContactResult $holds) {}

    /** @return array{pot: PaintShape, holds: ContactShape} */
    public function toArray(): array
    {
        return ['pot' => $this->pot->toArray(), 'holds' => $this->holds->toArray()];
    }
}
