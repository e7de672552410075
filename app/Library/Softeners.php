<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;

/** Which softener on the shelf softens which base. */
final class Softeners
{
    /** @var array<string, list<string>>|null */
    private ?array $choices = null;

    public function __construct(private readonly Library $library) {}

    /** @return array<string, list<string>> softeners by base, both by house code: every base whose hardness is read on A or 00 */
    public function choices(): array
    {
        return $this->choices ??= $this->looked();
    }

    /**
     * @return array{BaseSheet, AdditiveSheet}
     *
     * @throws BadInput
     */
    public function pair(string $base, string $softener): array
    {
        $sheet = $this->library->shelf()->base($base);
        $additive = $this->library->shelf()->additive($softener, 'softener');
        if (! in_array($softener, $this->choices()[$base] ?? [], true)) {
            throw BadInput::at('softener', Phrase::of('bench.does_not_soften', ['name' => $additive->name, 'name2' => $sheet->name]));
        }

        return [$sheet, $additive];
    }

    /** How hard the base alone is; null where its sheet reads neither on A nor on 00. */
    public static function shore(BaseSheet $base): ?Shore
    {
        $scale = ShoreScale::tryFrom($base->hardness['scale'] ?? '');

        return $scale === null || $base->hardness === null ? null : Shore::of($scale, $base->hardness['reading']);
    }

    /** @return array<string, list<string>> */
    private function looked(): array
    {
        $choices = [];
        foreach ($this->library->shelf()->bases as $base) {
            $softeners = array_filter(
                $this->library->shelf()->additives,
                static fn (AdditiveSheet $a): bool => $a->role->isSoftener() && $a->softening !== null && $a->suits($base),
            );
            if ($softeners !== [] && self::shore($base) !== null) {
                $choices[$base->code] = array_keys($softeners);
            }
        }

        return $choices;
    }
}
