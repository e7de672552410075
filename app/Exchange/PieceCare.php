<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;

/**
 * What whoever gets a piece should know: of what it is, what is stirred into it, how to wash and keep it, whom it may harm, and what it is
 * for that had to be looked up. It never says that it is certified.
 *
 * @phpstan-type CareShape array{
 *     of: string, holds: list<string>, wash: string, store: string, keep_from: string, allergies: string, uses: list<string>,
 * }
 */
final readonly class PieceCare
{
    /** Of the pours of a cast, the newest say what is in it. */
    private const POURS = 40;

    public function __construct(private Library $library) {}

    /** @return list<CareShape> of each cast of its chain */
    public function of(Job $job): array
    {
        $uses = [];
        foreach ($job->usedFor() as $use) {
            $known = $this->library->uses()[$use] ?? null;
            $known === null || $uses[] = "It {$known['name']}: {$known['ask']}";
        }
        $care = [];
        foreach ($job->impressions->sortBy('position') as $link) {
            $link->kind !== ImpressionKind::Cast || $care[] = $this->cast($link, $uses);
        }

        return $care;
    }

    public function notCertified(): string
    {
        return $this->library->pieceCare()['not_certified'];
    }

    /**
     * @param  list<string>  $uses
     * @return CareShape
     */
    private function cast(Impression $link, array $uses): array
    {
        $base = $this->library->shelf()->bases[$link->material ?? ''] ?? null;
        $pieces = $this->library->pieceCare()['pieces'];
        $of = array_values(
            array_filter($pieces, static fn (array $one): bool => $base !== null && in_array($base->family, $one['families'], true)),
        )[0] ?? $pieces['other'];

        return [
            'of' => $base->name ?? $link->material ?? $link->name, 'holds' => $this->holds($link), 'wash' => $of['wash'],
            'store' => $of['store'], 'keep_from' => $of['keep_from'], 'allergies' => $of['allergies'], 'uses' => $uses,
        ];
    }

    /** @return list<string> what was really stirred into it, by name */
    private function holds(Impression $link): array
    {
        $shelf = $this->library->shelf();
        $names = [];
        foreach (Pour::query()
            ->with('formulaVersion')
            ->where('impression_id', $link->id)
            ->whereNotNull('started_at')
            ->where('state', '!=', PourState::GivenUp)
            ->orderByDesc('id')
            ->limit(self::POURS)
            ->get() as $pour) {
            foreach ($pour->formulaVersion->recipe['additives'] ?? [] as $one) {
                $names[$one['code']] = $shelf->additives[$one['code']]->name ?? $one['code'];
            }
        }
        ksort($names);

        return array_values($names);
    }
}
