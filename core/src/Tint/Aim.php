<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/** What is wanted of a tint: its colour and, where that counts, how much shows through it; and how far off some loads are from both. */
final readonly class Aim
{
    /** @param  array{Mixture, Mixture}|null  $through  over light and over dark, where depth is asked for */
    private function __construct(private Mixture $mixture, private Lab $target, private ?Depth $depth, private ?array $through) {}

    public static function at(TintRequest $request, Mixture $mixture, Lab $target): self
    {
        $depth = $request->depth;
        $over = static fn (Lab $card, Depth $depth): Mixture => new Mixture($request->base, $depth->mm, Spectrum::of($card));

        return new self(
            $mixture, $target, $depth,
            $depth === null ? null : [$over(Lab::of(...Depth::LIGHT), $depth), $over(Lab::of(...Depth::DARK), $depth)],
        );
    }

    /** The same for its colour alone; null where nothing else is asked. */
    public function ofColour(): ?self
    {
        return $this->depth === null ? null : new self($this->mixture, $this->target, null, null);
    }

    /**
     * Steps it takes to see the colour of so many pigments together: with a depth it is looked at three times, as wanted, over light and
     * over dark.
     */
    public function looking(int $pigments): int
    {
        return ($this->through === null ? 1 : 3) * Observer::BANDS * ($pigments + 6);
    }

    /**
     * @param  list<Colourant>  $pigments
     * @param  array<int, float>  $loads
     * @return list<float> how far off the colour is in Lab, and the depth where that counts
     */
    public function residual(array $pigments, array $loads): array
    {
        $lab = $this->mixture->lab($pigments, $loads);

        return [
            $lab->l - $this->target->l, $lab->a - $this->target->a, $lab->b - $this->target->b,
            ...$this->deep($this->seenThrough($pigments, $loads)),
        ];
    }

    /**
     * How far off in all: ΔE00, and the depth weighed against it.
     *
     * @param  list<Colourant>  $pigments
     * @param  array<int, float>  $loads
     */
    public function off(array $pigments, array $loads): float
    {
        $colour = Difference::between($this->target, $this->mixture->lab($pigments, $loads));
        $deep = $this->deep($this->seenThrough($pigments, $loads));

        return $deep === [] ? $colour : sqrt($colour ** 2 + self::square($deep));
    }

    /**
     * @param  array<string, float>  $named  what goes in, by name
     * @param  list<Colourant>  $pigments
     * @param  array<int, float>  $loads  the same with those that came to nothing
     */
    public function hit(array $named, array $pigments, array $loads): PigmentLoads
    {
        $lab = $this->mixture->lab($pigments, $loads);
        $through = $this->seenThrough($pigments, $loads);

        return new PigmentLoads(
            $named, $lab, Difference::between($this->target, $lab), $through === null ? null : Depth::shown(...$through),
            $this->off($pigments, $loads),
        );
    }

    /** @param  list<float>  $residual */
    public static function square(array $residual): float
    {
        return self::dot($residual, $residual);
    }

    /**
     * @param  list<float>  $one
     * @param  list<float>  $other
     */
    public static function dot(array $one, array $other): float
    {
        $sum = 0.0;
        foreach ($one as $i => $value) {
            $sum += $value * $other[$i];
        }

        return $sum;
    }

    /**
     * @param  array{Lab, Lab}|null  $through
     * @return list<float>
     */
    private function deep(?array $through): array
    {
        return $through === null || $this->depth === null ? [] : $this->depth->off(...$through);
    }

    /**
     * @param  list<Colourant>  $pigments
     * @param  array<int, float>  $loads
     * @return array{Lab, Lab}|null
     */
    private function seenThrough(array $pigments, array $loads): ?array
    {
        return $this->through === null ? null : [$this->through[0]->lab($pigments, $loads), $this->through[1]->lab($pigments, $loads)];
    }
}
