<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Pour\Recipe;
use Apalos\Core\Tint\Difference;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Units\Shore;
use App\Library\Recipes;
use App\Lists\Like;
use App\Lists\Rows;
use App\Lists\Slice;
use App\Models\Swatch;
use App\Models\SwatchDigest;
use App\Models\Workshop;
use Illuminate\Database\Eloquent\Builder;

/**
 * The swatch drawer, with what is nearest to a hardness and a colour on top.
 *
 * @phpstan-type DrawerRow array{
 *     known: KnownSwatch, digest: SwatchDigest, formula: string, formula_href: string, delta_e: float|null, points: float|null,
 * }
 */
final readonly class DrawerQuery
{
    /** A difference that is just seen (ΔE00) and one that is just felt (ln modulus, about a reading’s own scatter) weigh the same. */
    private const SEEN = 1.0;

    private const FELT = 0.1;

    /** What nobody read lies behind all that was. */
    private const UNREAD = 1e6;

    public function __construct(private SwatchDigests $digests, private Recipes $recipes, private Workshop $workshop) {}

    /**
     * @param  int|null  $swatch  the page is wanted on which it lies
     * @return array{rows: list<DrawerRow>, slice: Slice, found: int} `points` on the scale of the hardness asked for
     */
    public function __invoke(string $words, string $base, ?Shore $hardness, ?Lab $colour, Slice $slice, ?int $swatch = null): array
    {
        $query = $this->digests->all();
        if ($base !== '') {
            $query->where('base_code', $base);
        }
        foreach (preg_split('/\s+/', mb_strtolower($words), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $query->whereRaw("words like ? escape '!'", [Like::pattern($word)]);
        }
        $found = $query->count();
        $slice = ($swatch === null ? $slice : $slice->holding($query->clone()->where('swatch_id', '>', $swatch)->count()))->within($found);
        $digests = $hardness === null && $colour === null
            ? $query->orderByDesc('swatch_id')->offset($slice->offset())->limit($slice->size)->get()->all()
            : $this->nearest($query, $hardness, $colour, $slice);
        $ids = array_map(static fn (SwatchDigest $digest): int => $digest->swatch_id, $digests);
        $swatches = $this->workshop->swatches()->with('readings')->whereKey($ids)->get()->keyBy('id');
        $versions = $this->versions($swatches->pluck('formula_version_id')->unique()->values()->all());
        $rows = [];
        foreach ($digests as $digest) {
            $swatch = $swatches->get($digest->swatch_id);
            if ($swatch instanceof Swatch) {
                $of = $versions[$swatch->formula_version_id];
                $rows[] = [
                    'known' => new KnownSwatch($swatch, $of['recipe']), 'digest' => $digest, 'formula' => $of['called'],
                    'formula_href' => $of['href'], 'delta_e' => self::seen($colour, $digest), 'points' => self::points($hardness, $digest),
                ];
            }
        }

        return ['rows' => $rows, 'slice' => $slice, 'found' => $found];
    }

    /**
     * @param  array<int, int>  $ids
     * @return array<int, array{recipe: Recipe|null, called: string, href: string}> what they say and how they are called, by id
     */
    private function versions(array $ids): array
    {
        $versions = [];
        foreach (Rows::of('formula_versions')->join(
            'formulas', 'formulas.id', '=', 'formula_versions.formula_id',
        )->whereIn('formula_versions.id', $ids)->get([
            'formula_versions.id', 'formula_versions.number', 'formula_versions.recipe', 'formulas.id as formula_id', 'formulas.name',
        ]) as $row) {
            $said = json_decode((string) $row->recipe, true);
            $versions[(int) $row->id] = [
                'recipe' => is_array($said) ? $this->recipes->read($said) : null, 'called' => "{$row->name} · {$row->number}",
                'href' => "/formulas/{$row->formula_id}?version={$row->id}",
            ];
        }

        return $versions;
    }

    /**
     * @param  Builder<SwatchDigest>  $query
     * @return list<SwatchDigest>
     */
    private function nearest(Builder $query, ?Shore $hardness, ?Lab $colour, Slice $slice, ?int $swatch = null): array
    {
        $far = [];
        $wanted = $hardness === null ? 0.0 : log($hardness->modulus());
        foreach ($query->toBase()->get(['swatch_id', 'ln_modulus', 'lab_l', 'lab_a', 'lab_b']) as $row) {
            $far[(int) $row->swatch_id] = (
                $hardness === null ? 0.0 : ($row->ln_modulus === null ? self::UNREAD : abs($wanted - (float) $row->ln_modulus) / self::FELT)
            )
                + (
                    $colour === null
                    ? 0.0
                    : (
                        $row->lab_l === null
                        ? self::UNREAD
                        : Difference::between($colour, Lab::of((float) $row->lab_l, (float) $row->lab_a, (float) $row->lab_b)) / self::SEEN
                    )
                );
        }
        // The newest first, but for how far it is from what was asked.
        krsort($far);
        asort($far);
        $ids = array_slice(array_keys($far), $slice->offset(), $slice->size);
        $digests = SwatchDigest::query()->whereKey($ids)->get()->keyBy('swatch_id');

        return array_values(array_filter(array_map(static fn (int $id): ?SwatchDigest => $digests->get($id), $ids)));
    }

    private static function seen(?Lab $wanted, SwatchDigest $digest): ?float
    {
        $seen = $digest->colour();

        return $wanted === null || $seen === null ? null : Difference::between($wanted, $seen);
    }

    private static function points(?Shore $wanted, SwatchDigest $digest): ?float
    {
        $read = $digest->shore();

        return $wanted === null || $read === null ? null : Shore::ofModulusOn($wanted->scale, $read->modulus())->reading - $wanted->reading;
    }
}
