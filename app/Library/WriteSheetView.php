<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Sheet\SheetForm;
use Apalos\Core\Sheet\SheetKind;
use Apalos\Core\Sheet\SheetWords;
use App\Models\OwnSheet;
use App\Types\View;

/**
 * A sheet being written: what is asked, what stands there already, and what can be named.
 */
final readonly class WriteSheetView implements View
{
    /**
     * @param  string|null  $from  a sheet to copy
     * @param  string|null  $changes  a sheet of the shop's own to change
     */
    public function __construct(private Library $library, private SheetKind $kind, private ?string $from, private ?string $changes) {}

    /**
     * @return array{
     *     form: array{
     *         kind: string, title: string, says: string,
     *         groups: list<array{title: string, fields: list<array{
     *             at: string, ask: string, label: string, unit: string|null, needed: bool, why: Phrase, open: Phrase,
     *             of: array<string, string>,
     *             fields: list<array{at: string, ask: string, label: string, unit: string|null, of: array<string, string>}>
     *         }>}>
     *     },
     *     kinds: list<array{kind: string, title: string, says: string}>, sheet: array<string, mixed>, from: string|null,
     *     from_name: string|null, changes: string|null, edition: int,
     *     named: array<string, string>, named_surfaces: array<string, string>,
     *     lists: array{
     *         families: list<string>, fresh: list<string>, surfaces: list<string>, likes: list<string>, cautions: list<string>,
     *         roles: list<string>,
     *     }
     * }
     */
    public function toArray(): array
    {
        $form = $this->library->sheetForm($this->kind);
        $known = SheetWords::of($this->library->knowledge());

        return [
            'form' => $form->toArray(),
            'kinds' => array_map(
                fn (SheetKind $kind): array => [
                    'kind' => $kind->value, 'title' => $this->library->sheetForm($kind)->title,
                    'says' => $this->library->sheetForm($kind)->says,
                ],
                SheetKind::cases(),
            ),
            'sheet' => $this->sheet($form),
            'from' => $this->from,
            'from_name' => is_string($name = $this->library->written($this->kind, $this->from ?? '')['name'] ?? null) ? $name : null,
            'changes' => $this->changes,
            'edition' => $this->changes === null ? 0 : (int) OwnSheet::query()->where('code', $this->changes)->max('version'),
            'named' => (new SheetReading($this->library))->words(), 'named_surfaces' => (new SheetReading($this->library))->words(true),
            'lists' => [
                'families' => $known->families, 'fresh' => $known->fresh, 'surfaces' => $known->surfaces, 'likes' => $known->likes,
                'cautions' => $known->cautions,
                'roles' => array_map(static fn (AdditiveRole $role): string => $role->value, AdditiveRole::cases()),
            ],
        ];
    }

    /** @return array<string, mixed> what stands in the fields to begin with, by their place */
    private function sheet(SheetForm $form): array
    {
        $written = $this->library->written($this->kind, $this->changes ?? $this->from ?? '') ?? [];
        // The library says in one place which way a proportion is meant; here it is asked for in two.
        if (is_array($written['ratio'] ?? null) && ($written['ratio']['by'] ?? null) === 'volume') {
            $written['ratio_volume'] = $written['ratio'];
            unset($written['ratio']);
        }
        $sheet = [];
        foreach ($form->fields() as $field) {
            $value = $field->in($written);
            $sheet[$field->at] = is_int($value) && $field->ask === 'choice' ? (string) $value : $value;
        }
        if ($this->changes === null) {
            $sheet['code'] = null;
            $sheet['name'] = null;
        }

        return $sheet;
    }
}
