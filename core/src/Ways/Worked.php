<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;

/** How a kind of mould is made and cast in. */
final readonly class Worked
{
    private const ANY = 'any';

    private const POURED = 'poured';

    private const BRUSHED = 'brushed';

    public const PRINT = 'print';

    /**
     * @param  float  $usual  how often its first cast comes out
     * @param  list<array{share: float, wait: float|null}>  $stages of its hands, and what is waited for after each: minutes, or null for
     *   the demould of its rubber; none where it is brushed
     * @param  list<string>  $meets  box, bed, half, layer, jacket
     * @param  list<string>  $by  which materials are worked so
     * @param  list<int>  $gang  pieces a mould
     * @param  array{prepare: float, pour: float, open: float, trim: float}  $cast  minutes of hands a cast
     */
    private function __construct(
        public float $usual, public array $stages, public bool $isBrushed, public array $meets, private array $by, public array $gang,
        public array $cast,
        public ?string $build, public ?string $jacket, public ?string $needs, public ?string $surface, public bool $hasSpout,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('usual', 'stages', 'brushed', 'meets', 'worked', 'needs', 'surface', 'spout', 'gang', 'cast', 'build', 'jacket');
        [$prepare, $pour, $open, $trim] = $in->numbers('cast', 0.0, 600.0, 4);

        return new self(
            $in->number('usual', 0.01, 0.99),
            array_map(
                static fn (Fields $stage): array => [
                    'share' => $stage->number('share', 0.0, 1.0),
                    'wait' => ($stage->toArray()['wait'] ?? 0.0) === 'demould' ? null : ($stage->numberOrNull('wait') ?? 0.0),
                ],
                $in->objects('stages'),
            ),
            $in->has('brushed') && $in->bool('brushed'), $in->strings('meets'), $in->strings('worked'),
            $in->has('gang') ? array_map(intval(...), $in->numbers('gang', 2.0, 100.0)) : [1],
            ['prepare' => $prepare, 'pour' => $pour, 'open' => $open, 'trim' => $trim],
            $in->textOrNull('build'), $in->textOrNull('jacket'), $in->textOrNull('needs'), $in->textOrNull('surface'),
            $in->has('spout') && $in->bool('spout'),
        );
    }

    public function isPrinted(): bool
    {
        return in_array(self::PRINT, $this->by, true);
    }

    /** Whether a material is worked the way this kind is made. */
    public function takes(BaseSheet $base): bool
    {
        $worked = $base->casting ?? ($base->brushed ? self::BRUSHED : self::POURED);

        return in_array(self::ANY, $this->by, true) || in_array($worked, $this->by, true);
    }
}
