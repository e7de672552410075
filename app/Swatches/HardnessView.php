<?php

declare(strict_types=1);

namespace App\Swatches;

use App\Library\Library;
use App\Library\Softeners;
use App\PourSheets\Drafts;
use App\PourSheets\DraftView;
use App\Types\View;

/**
 * What the hardness screen can be asked: bases with their softeners, and the sheets that are being planned.
 *
 * @phpstan-import-type DraftShape from DraftView
 */
final readonly class HardnessView implements View
{
    public function __construct(
        private Library $library,
        private Softeners $softeners,
        private SwatchDigests $digests,
        private Drafts $drafts,
    ) {}

    /**
     * @return array{
     *     bases: list<array{
     *         code: string, name: string, shore: string, pucks: int, softeners: list<array{code: string, name: string, into: string}>,
     *     }>,
     *     none_here: bool, drafts: list<DraftShape>
     * }
     */
    public function toArray(): array
    {
        $shelf = $this->library->shelf();
        [$bases, $pucks] = [[], $this->digests->counts()];
        // Where nothing on the shelf can be softened, the library is there to be looked at.
        $here = array_intersect_key($this->softeners->choices(), $this->library->atHand()->bases);
        foreach ($here === [] ? $this->softeners->choices() : $here as $code => $softeners) {
            $bases[] = [
                'code' => $code, 'name' => $shelf->bases[$code]->name, 'shore' => $shelf->bases[$code]->shore() ?? '',
                'pucks' => ($pucks[$code][''] ?? 0) + ($pucks[$code][$softeners[0] ?? ''] ?? 0),
                'softeners' => array_map(
                    static fn (string $softener): array => [
                        'code' => $softener, 'name' => $shelf->additives[$softener]->name,
                        'into' => $shelf->additives[$softener]->into->value,
                    ],
                    $softeners,
                ),
            ];
        }

        return ['bases' => $bases, 'none_here' => $here === [], 'drafts' => DraftView::all($this->drafts)];
    }
}
