<?php

declare(strict_types=1);

namespace App\Shop;

use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Sheet\SheetKind;
use App\Library\Library;
use App\Library\OwnShelf;
use App\Models\Workshop;
use App\Types\View;

/**
 * The first hour of a shop: one step of it, and the sheets there are to tick.
 *
 * @phpstan-type TickedSheet array{code: string, name: string, summary: string, here: bool}
 */
final readonly class FirstView implements View
{
    public const STEPS = ['shop', 'shelf', 'job'];

    public function __construct(
        private Workshop $workshop,
        private Library $library,
        private OwnShelf $own,
        private string $step,
        private Phrasebook $words,
    ) {}

    /** How far somebody has come: the shop has its name, the shelf is ticked. */
    public static function reached(Workshop $workshop): string
    {
        return match (true) {
            $workshop->set_up_at !== null => 'job',
            $workshop->isNamed() => 'shelf',
            default => 'shop',
        };
    }

    /** @return array{step: string, shelf: list<array{title: string, sheets: list<TickedSheet>}>} */
    public function toArray(): array
    {
        return ['step' => $this->step, 'shelf' => $this->step === 'shelf' ? $this->shelf() : []];
    }

    /** @return list<array{title: string, sheets: list<TickedSheet>}> */
    private function shelf(): array
    {
        $groups = [];
        // In the order of the chemistries, the commonest first.
        $order = array_flip(array_keys($this->library->knowledge()->families));
        $bases = $this->library->shelf()->bases;
        uasort($bases, static fn (BaseSheet $one, BaseSheet $other): int => $order[$one->family] <=> $order[$other->family]);
        foreach ($bases as $base) {
            $groups[ucfirst($this->library->knowledge()->family($base->family)->name)][] = $this->sheet($base->code, $base->name, $base);
        }
        foreach ($this->library->shelf()->additives as $additive) {
            $title = $this->words->say(Phrase::of('bench.to_stir_in', ['role' => str_replace('-', ' ', $additive->role->value)]));
            $groups[$title][] = $this->sheet($additive->code, $additive->name, $additive);
        }
        foreach ([SheetKind::Release->value => 'Releases', SheetKind::Sealer->value => 'Sealers'] as $kind => $title) {
            foreach ($this->library->sheets(SheetKind::from($kind)) as $code => $sheet) {
                $said = $sheet['how'] ?? $sheet['text'] ?? '';
                $groups[$title][] = [
                    'code' => (string) $code, 'name' => is_string($sheet['name'] ?? null) ? $sheet['name'] : (string) $code,
                    'summary' => is_string($said) ? $said : '', 'here' => $this->isHere((string) $code),
                ];
            }
        }

        return array_map(
            static fn (string $title, array $sheets): array => ['title' => $title, 'sheets' => $sheets], array_keys($groups),
            array_values($groups),
        );
    }

    /** @return TickedSheet */
    private function sheet(string $code, string $name, BaseSheet|AdditiveSheet $sheet): array
    {
        return [
            'code' => $code, 'name' => $name, 'summary' => $sheet->sheet()->textOrNull('summary') ?? '', 'here' => $this->isHere($code),
        ];
    }

    /** Nothing of the library is, until somebody has ticked it; what the shop has written itself is. */
    private function isHere(string $code): bool
    {
        $own = array_map(fn (SheetKind $kind): bool => isset($this->library->own($kind->value)[$code]), SheetKind::cases());

        return $this->workshop->set_up_at === null && $this->own->off() === []
            ? in_array(true, $own, true)
            : ! in_array($code, $this->own->off(), true);
    }
}
