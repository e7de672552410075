<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mould\RankedMould;
use Apalos\Core\Phrase\Phrase;

/** A kind of mould, its rubber, what is cast in it, and what is put between: what one way differs from another in. */
final readonly class Combination
{
    /**
     * @param  BaseSheet|null  $base  of the mould; null where it is printed, or not of a sheet of the shelf
     * @param  PutBetween  $release  between mould and cast
     * @param  list<PutBetween>  $others  between all else: the original first
     * @param  int  $gang  pieces a mould
     * @param  array{id: string, left: array{low: int, likely: int, high: int}}|null  $rack  where it is a mould that is there
     */
    public function __construct(
        public string $kind,
        public Worked $worked,
        public ?RankedMould $ranked,
        public ?BaseSheet $base,
        public BaseSheet $cast,
        public PutBetween $release,
        public array $others,
        public int $gang,
        public ?array $rack = null,
    ) {}

    public function code(): string
    {
        return $this->base->code ?? Worked::PRINT;
    }

    /** @return list<string> what its rubber is called in a log: by its code, by its family */
    public function called(): array
    {
        return $this->base === null ? [Worked::PRINT] : [$this->base->code, $this->base->family];
    }

    /** Unlike that of any other way; the number of moulds comes with it. */
    public function id(int $moulds): string
    {
        return implode('/', [
            $this->rack === null ? $this->kind : "rack-{$this->rack['id']}", $this->code(), $this->cast->code,
            $this->release->release ?? 'none', $moulds.($this->gang > 1 ? "x{$this->gang}" : ''),
        ]);
    }

    /** @return list<Phrase> what has to be tested before anything is poured, once each */
    public function tests(): array
    {
        $tests = [];
        foreach ([...$this->others, $this->release] as $one) {
            $one->test === null || $tests[json_encode($one->asked, JSON_THROW_ON_ERROR)] = $one->test;
        }

        return array_values($tests);
    }

    /** @return list<array<string, mixed>> the questions to `contact` */
    public function contacts(): array
    {
        return array_map(static fn (PutBetween $one): array => $one->asked, [...$this->others, $this->release]);
    }

    /** What it takes to make the original ready. */
    public function original(): ?PutBetween
    {
        return $this->rack === null ? ($this->others[0] ?? null) : null;
    }
}
