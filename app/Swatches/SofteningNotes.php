<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Measures;
use App\Library\Library;
use App\Library\Recipes;
use App\Models\Pour;
use App\Models\PourState;

/** What is written about a base with about so much softener: on the sheets, on pucks, and in the log of pours. */
final readonly class SofteningNotes
{
    /** Notes on a puck or a pour this near to the load, in per cent of A+B, speak of it. */
    private const NEAR_PCT = 15.0;

    private const MOST = 6;

    private const POURS_LOOKED_AT = 100;

    /** Of those, the newest about which something was said. */
    private const POURS_READ = 40;

    public function __construct(private DrawerCards $cards, private Recipes $recipes, private Library $library) {}

    /** @return list<array{from: string, text: string, href: string}> the sheets' first, then the nearest */
    public function near(BaseSheet $base, AdditiveSheet $softener, float $pctOfAB): array
    {
        $notes = [];
        foreach ([$softener, $base] as $sheet) {
            $text = $sheet->sheet()->textOrNull('notes');
            if ($text !== null) {
                $notes[] = ['from' => "Sheet of {$sheet->name}", 'text' => $text, 'href' => "/stores/{$sheet->code}"];
            }
        }
        $own = [...$this->onPucks($base, $softener, $pctOfAB), ...$this->inTheLog($base, $softener, $pctOfAB)];
        usort($own, static fn (array $a, array $b): int => $a['off'] <=> $b['off']);

        return array_slice([...$notes, ...array_map(static fn (array $note): array => ['from' => $note['from'], 'text' => $note['text'], 'href' => $note['href']], $own)], 0, self::MOST);
    }

    /** @return list<array{from: string, text: string, href: string, off: float}> */
    private function onPucks(BaseSheet $base, AdditiveSheet $softener, float $pctOfAB): array
    {
        $notes = [];
        $near = $this->cards->all()->where('base_code', $base->code)->where(static fn ($with) => $with->where('softener_code', $softener->code)->orWhereNull('softener_code'))
            ->whereBetween('pct_of_ab', [$pctOfAB - self::NEAR_PCT, $pctOfAB + self::NEAR_PCT])->join('swatches', 'swatches.id', '=', 'drawer_cards.swatch_id')->where('swatches.note', '<>', '')
            ->orderByRaw('abs(pct_of_ab - ?)', [$pctOfAB])->limit(self::MOST)->toBase()->get(['swatch_id', 'pct_of_ab', 'swatches.note']);
        foreach ($near as $card) {
            $pct = (float) $card->pct_of_ab;
            $notes[] = ['from' => sprintf('Puck at %s %%', Measures::figure($pct)), 'text' => (string) $card->note, 'href' => "/swatches/drawer#swatch-{$card->swatch_id}", 'off' => abs($pct - $pctOfAB)];
        }

        return $notes;
    }

    /** @return list<array{from: string, text: string, href: string, off: float}> */
    private function inTheLog(BaseSheet $base, AdditiveSheet $softener, float $pctOfAB): array
    {
        $notes = [];
        $newest = Pour::query()->where('state', PourState::Graded)->where('base_code', $base->code)->orderByDesc('graded_at')->limit(self::POURS_LOOKED_AT)->pluck('id');
        $pours = Pour::query()->withoutGlobalScope('workshop')->whereKey($newest->all())->whereNotNull('formula_version_id')->where(static fn ($said) => $said->where('note', '<>', '')->orWhereRaw("cast(faults as text) <> '[]'"))
            ->get(['id', 'workshop_id', 'impression_id', 'formula_version_id', 'faults', 'note'])->sortByDesc(static fn (Pour $pour): int => -(int) array_search($pour->id, $newest->all(), true))->take(self::POURS_READ)->load(['formulaVersion', 'impression.job']);
        $faults = $this->library->faults();
        $loads = [];
        foreach ($pours as $pour) {
            $version = $pour->formulaVersion;
            $pct = $version === null ? 0.0 : $loads[$version->id] ??= 100.0 * ($this->recipes->of($version)?->loads()[$softener->code] ?? 0.0);
            $said = [...array_map(static fn (string $id): string => $faults[$id]['name'] ?? $id, $pour->faults ?? []), ...($pour->note === null || $pour->note === '' ? [] : [$pour->note])];
            if ($pct > 0.0 && $said !== [] && abs($pct - $pctOfAB) <= self::NEAR_PCT) {
                $notes[] = ['from' => sprintf('%s, %s %%', $pour->impression->job->name, Measures::figure($pct)), 'text' => implode('. ', $said), 'href' => "/pours/{$pour->id}/run", 'off' => abs($pct - $pctOfAB)];
            }
        }

        return $notes;
    }
}
