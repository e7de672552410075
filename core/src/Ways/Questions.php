<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** What is not known, and how far the best way would move if it were answered one way or the other: what moves it most is asked first. */
final readonly class Questions
{
    private const MOST = 5;

    /** Under this an answer changes nothing anybody would notice. */
    private const NOTICED = 0.01;

    /** @param  list<WayAnswer>  $ways */
    public function __construct(private WaysFinder $finder, private WaysRequest $asked, private array $ways) {}

    /** @return list<array{question: Phrase, about: string, narrows: float}> */
    public function toArray(): array
    {
        $questions = [];
        foreach ($this->unknowns() as [$about, $question, $answers]) {
            $narrows = $this->moves($answers);
            $narrows < self::NOTICED || $questions[] = ['question' => $question, 'about' => $about, 'narrows' => round($narrows, 4)];
        }
        usort($questions, static fn (array $a, array $b): int => [$b['narrows'], $a['about']] <=> [$a['narrows'], $b['about']]);

        return array_slice($questions, 0, self::MOST);
    }

    /** @return \Generator<array{string, Phrase, list<array<string, mixed>>}> what is open, and the whole question with either answer */
    private function unknowns(): \Generator
    {
        $with = fn (string $part, string $key, mixed $value): array => $this->with($part, $key, $value);
        $piece = $this->asked->in->object('piece');
        if (! $piece->has('volume_ml')) {
            $ml = $this->asked->piece->volumeMl();
            yield [
                'volume_ml', Phrase::of('ways.ask_volume'),
                [$with('piece', 'volume_ml', 0.6 * $ml), $with('piece', 'volume_ml', 1.6 * $ml)],
            ];
        }
        if (! $piece->has('area_mm2')) {
            $area = $this->asked->piece->areaMm2();
            yield [
                'area_mm2', Phrase::of('ways.ask_area'), [$with('piece', 'area_mm2', 0.7 * $area), $with('piece', 'area_mm2', 1.4 * $area)],
            ];
        }
        if (! $piece->has('thinnest_mm')) {
            yield [
                'thinnest_mm', Phrase::of('ways.ask_thinnest'), [$with('piece', 'thinnest_mm', 1.0), $with('piece', 'thinnest_mm', 5.0)],
            ];
        }
        if (! $piece->has('stretch_pct')) {
            yield [
                'stretch_pct', Phrase::of('ways.ask_stretch'), [$with('piece', 'stretch_pct', 10.0), $with('piece', 'stretch_pct', 150.0)],
            ];
        }
        foreach (array_slice(
            array_unique(array_merge(...array_map(static fn (WayAnswer $way): array => $way->draft->bill['guessed'] ?? [], $this->ways))),
            0, 3,
        ) as $code) {
            $usual = $this->usual($code);
            $prices = fn (float $times): array => $with('money', 'prices', [
                ...($this->asked->in->object('money')->objectOrNull('prices')?->toArray() ?? []),
                $code => ['price' => number_format(max(0.01, $times * $usual['price']), 2, '.', ''), 'mass_g' => $usual['mass_g']],
            ]);
            yield ["price:{$code}", Phrase::of('ways.ask_price', ['code' => $code]), [$prices(0.6), $prices(1.8)]];
        }
    }

    /** @return array<string, mixed> the whole question with one thing said otherwise */
    private function with(string $part, string $key, mixed $value): array
    {
        $in = [];
        foreach ($this->asked->in->toArray() as $name => $said) {
            $in[(string) $name] = $said;
        }

        return [...$in, $part => [...$this->asked->in->object($part)->toArray(), $key => $value]];
    }

    /** @return array{price: float, mass_g: float} what was reckoned with */
    private function usual(string $code): array
    {
        foreach ($this->ways as $way) {
            $at = array_search($code, $way->draft->bill['codes'] ?? [], true);
            $kit = $at === false || $way->draft === null ? null : ($way->draft->bill['asked']['materials'][$at]['kit'] ?? null);
            if ($kit !== null) {
                return ['price' => (float) $kit['price'], 'mass_g' => $kit['mass_g']];
            }
        }

        return ['price' => 1.0, 'mass_g' => 1000.0];
    }

    /**
     * How far the best in money, time or chance moves between the answers, as a share.
     *
     * @param  list<array<string, mixed>>  $answers
     */
    private function moves(array $answers): float
    {
        $best = [];
        foreach ($answers as $answer) {
            try {
                $best[] = $this->best($this->finder->otherwise(Fields::of($answer)));
            } catch (BadInput) {
                // An answer that cannot be is no answer.
                return 0.0;
            }
        }
        $moves = 0.0;
        foreach ([0, 1, 2, 3] as $which) {
            $column = array_column($best, $which);
            if ($column !== [] && max($column) > 0.0) {
                $moves = max($moves, (max($column) - min($column)) / max($column));
            }
        }

        return $moves;
    }

    /**
     * @return array{float, float, float, float} the best in each of the ways that were found, as they then are; what is then forbidden
     *   counts no more
     */
    private function best(WaysRequest $asked): array
    {
        $combiner = $this->finder->combiner($asked, new LeftOut);
        $drafter = $this->finder->drafter($asked);
        $measures = [];
        foreach ($this->ways as $way) {
            $draft = $way->draft === null ? null : $combiner->again($way->draft->way);
            $draft = $draft instanceof Combination ? $drafter->draft($draft) : $draft;
            $draft instanceof Draft && $measures[] = $draft->measures();
        }

        return $measures === []
            ? [0.0, 0.0, 0.0, 0.0]
            : [
                min(array_column($measures, 0)), min(array_column($measures, 1)), min(array_column($measures, 2)),
                max(array_column($measures, 3)),
            ];
    }
}
