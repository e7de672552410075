<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Clip;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\MeshFormat;
use Apalos\Core\Mesh\MeshReader;
use Apalos\Core\Mesh\ReadMesh;
use Apalos\Core\Mesh\Survey;
use Apalos\Core\Mesh\Surveyor;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use SplFileObject;

/**
 * Reads a piece before anything is poured: can it come out, where does the seam run, which way up, where does air stay, how much it takes.
 */
final class PieceStudy
{
    /**
     * @param  string  $name  as the maker calls the file; only its ending is used
     * @param  (callable(string, float): void)|null  $tell  what is being done, and how far, 0–1; whatever it throws ends the study
     *
     * @throws \Apalos\Core\Input\BadInput
     */
    public function study(SplFileObject $file, string $name, StudyRequest $asked, ?callable $tell = null): StudyResult
    {
        $tell ??= static function (string $what, float $share): void {};
        $tell('reading', 0.0);
        $read = (new MeshReader)->read($file, $asked->format ?? MeshFormat::ofName($name), $asked->unit);
        $tell('measuring', 0.1);

        return $this->ask($read, (new Surveyor)->survey($read->mesh), $asked, $tell);
    }

    /** @param  callable(string, float): void  $tell */
    private function ask(ReadMesh $read, Survey $survey, StudyRequest $asked, callable $tell): StudyResult
    {
        $tell('pulling', 0.2);
        $pulls = $asked->pull === null
            ? PullSearch::of($survey, $asked->onePart, static fn (float $share) => $tell('pulling', 0.2 + 0.35 * $share))
            : [Sight::of($survey->mesh, $asked->pull, $asked->onePart, $survey->watertight())];
        $best = $pulls[0];
        $tell('undercuts', 0.55);
        $depth = (new HidingDepth)->of($best);
        $parting = Silhouette::of($best->facing);
        $tell('pouring', 0.65);
        $pours = $asked->pour === null
            ? PourSearch::of(
                $survey, static fn (float $share) => $tell('pouring', 0.65 + 0.25 * $share), $asked->onePart ? null : $best->facing->along,
            )
            : [AirTraps::of($survey->mesh, $survey->links, $asked->pour)];
        $tell('stretching', 0.9);
        $above = Clip::above($best->facing, $parting->plane);
        $margin = $asked->margin(max($survey->bounds->size()));
        $block = (new MouldPlanner($survey, $best->facing, $parting, $margin, $asked->onePart, $asked->seamMm))->plan($pours[0]);
        $stretch = Girths::of($best->facing);
        $rests = $asked->floats?->in($survey);
        $tell('done', 1.0);

        return new StudyResult(
            $read, $survey, $pulls, $depth, $parting, $pours, [$survey->volume - $above, $above], $stretch, $block, $rests,
            self::words(
                $survey, $best, $pours[0], $parting, $asked->sides ?? Sides::usual(),
                $asked->onePart ? null : OnePart::serves($survey, $best->facing->along),
            ),
            StudyDoubts::of($read, $survey, $best, $asked),
        );
    }

    /** @return list<Phrase> */
    private static function words(
        Survey $survey,
        Undercuts $seen,
        Poured $poured,
        Parting $parting,
        Sides $sides,
        ?Direction $onePart,
    ): array {
        $vents = [];
        foreach (array_filter($poured->traps, static fn (Trap $trap): bool => $trap->wantsVent()) as $trap) {
            $side = $sides->of($trap->at, $survey->bounds);
            $vents[json_encode($side, JSON_THROW_ON_ERROR)] = $side;
        }
        $words = [
            Phrase::of(match (true) {
                $seen->pct() < 0.5 => $seen->onePart ? 'piece.comes_off' : 'piece.comes_out',
                $seen->onePart => 'piece.hides_one',
                default => 'piece.hides',
            }, ['way' => $sides->towards($seen->facing->along), 'pct' => $seen->pct()]),
        ];
        if (! $seen->onePart) {
            $words[] = Phrase::of($parting->flat ? 'piece.seam_flat' : 'piece.seam_crooked', [
                'height' => Quantity::length($parting->plane - $seen->facing->lowest()),
                'spread' => Quantity::length($parting->range[1] - $parting->range[0]),
            ]);
        }
        if ($poured->nooks() > 0) {
            $nooks = Phrase::of('piece.nooks', ['n' => $poured->nooks()]);
        }
        $words[] = $poured->vents() === 0
            ? Phrase::of('piece.pour_clean', ['way' => $sides->upright($poured->up)])
            : Phrase::of('piece.pour_vents', [
                'way' => $sides->upright($poured->up), 'n' => $poured->vents(), 'where' => array_slice(array_values($vents), 0, 3),
                'ml' => Quantity::volume($poured->trapped()),
            ]);

        return [
            ...$words, ...(isset($nooks) ? [$nooks] : []),
            ...($onePart === null ? [] : [Phrase::of('piece.one_part_serves', ['way' => $sides->towards($onePart)])]),
        ];
    }
}
