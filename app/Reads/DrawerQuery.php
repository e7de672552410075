<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Tint\Difference;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Units\Shore;
use App\Workshop\KnownSwatch;
use App\Workshop\SwatchBook;

/** The swatch drawer, with what is nearest to a hardness and a colour on top. */
final readonly class DrawerQuery
{
    /** A difference that is just seen (ΔE00) and one that is just felt (ln modulus, about a reading’s own scatter) weigh the same. */
    private const SEEN = 1.0;

    private const FELT = 0.1;

    public function __construct(private SwatchBook $swatches) {}

    /**
     * @return list<array{known: KnownSwatch, delta_e: float|null, points: float|null}> `points` on the scale of the hardness asked for
     */
    public function __invoke(string $words, string $base, ?Shore $hardness, ?Lab $colour): array
    {
        $rows = [];
        foreach ($this->swatches->all() as $known) {
            if (($base !== '' && $known->recipe?->base->code !== $base) || ! self::has($known, $words)) {
                continue;
            }
            $read = $known->hardness()?->median();
            $seen = $known->colour();
            $rows[] = [
                'known' => $known,
                'delta_e' => $colour === null || $seen === null ? null : Difference::between($colour, $seen),
                'points' => $hardness === null || $read === null ? null : Shore::ofModulusOn($hardness->scale, $read->modulus())->reading - $hardness->reading,
                'far' => self::far($hardness, $read) + self::farInColour($colour, $seen),
            ];
        }
        // The newest first, but for how far it is from what was asked.
        $rows = array_reverse($rows);
        usort($rows, static fn (array $a, array $b): int => $a['far'] <=> $b['far']);

        return array_map(static fn (array $row): array => ['known' => $row['known'], 'delta_e' => $row['delta_e'], 'points' => $row['points']], $rows);
    }

    private static function has(KnownSwatch $known, string $words): bool
    {
        $text = mb_strtolower(implode(' ', [$known->swatch->name, $known->swatch->note ?? '', $known->swatch->version->formula->name, $known->recipe->base->name ?? '', ...array_map(static fn ($sheet): string => $sheet->name, $known->recipe?->sheets() ?? [])]));
        foreach (preg_split('/\s+/', mb_strtolower($words), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            if (! str_contains($text, $word)) {
                return false;
            }
        }

        return true;
    }

    private static function far(?Shore $wanted, ?Shore $read): float
    {
        return $wanted === null ? 0.0 : ($read === null ? 1e6 : abs(log($wanted->modulus()) - log($read->modulus())) / self::FELT);
    }

    private static function farInColour(?Lab $wanted, ?Lab $seen): float
    {
        return $wanted === null ? 0.0 : ($seen === null ? 1e6 : Difference::between($wanted, $seen) / self::SEEN);
    }
}
