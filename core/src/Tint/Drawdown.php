<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/** A drawdown: so much load, so thick, its colour over two cards. Cards are spectra. */
final readonly class Drawdown
{
    /**
     * @param  list<float>  $whiteCard
     * @param  list<float>  $blackCard
     */
    public function __construct(
        public float $load,
        public float $mm,
        public Lab $overWhite,
        public Lab $overBlack,
        public array $whiteCard,
        public array $blackCard,
    ) {}

    /** @return list<array{list<float>, Lab}> each card with what was seen over it */
    public function seen(): array
    {
        return [[$this->whiteCard, $this->overWhite], [$this->blackCard, $this->overBlack]];
    }
}
