<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Sheet\SheetField;
use Apalos\Core\Sheet\SheetKind;
use App\Library\AdditiveSheetView;
use App\Library\BaseSheetView;
use App\Library\Library;
use App\Library\OwnShelf;
use App\Library\SheetReading;
use App\Lists\Rows;
use App\Models\Kit;
use App\Models\Lot;
use App\Models\OwnSheet;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * The shelf: what is on it and what is not, and one sheet to read.
 *
 * @phpstan-import-type BaseSheetShape from BaseSheetView
 * @phpstan-import-type AdditiveSheetShape from AdditiveSheetView
 * @phpstan-import-type LotLine from LotLineView
 *
 * @phpstan-type ListedSheet array{kind: string, code: string, name: string, colour: string|null, own: bool, here: bool}
 * @phpstan-type SheetLine array{label: string, value: string|null, open: string}
 */
final readonly class StoresView implements View
{
    private const MOST_VERSIONS = 20;

    private const MOST_WANTED = 24;

    private const MOST_LOTS = 30;

    public function __construct(
        private Library $library,
        private OwnShelf $own,
        private RoomTemperature $room,
        private CureClock $clock,
        private Workshop $workshop,
        private Prices $prices,
        private StockUse $use,
        private ?string $open,
    ) {}

    /**
     * @return array{
     *     open: string|null, empty: bool,
     *     list: list<ListedSheet>,
     *     base: BaseSheetShape|null, additive: AdditiveSheetShape|null,
     *     other: array{kind: string, code: string, name: string, lines: list<SheetLine>}|null,
     *     own: array{
     *         version: int, versions: list<array{version: int, at_ms: int, changed: list<string>}>,
     *         left_open: list<array{label: string, open: string}>,
     *     }|null,
     *     lots: list<LotLine>, kit: array{price: string|null, mass_g: float|null, reorder_g: float|null, take_back: int|null},
     *     part_names: array<string, string>, melts: bool, on_hand: array<string, float>,
     *     reorder: list<array{code: string, name: string, left_g: float, reorder_g: float, usual: bool}>,
     *     wanted: list<array{code: string, name: string, grams: float, job: string, job_id: int}>, today: string
     * }
     */
    public function toArray(): array
    {
        $list = $this->list();
        $chosen = $this->chosen($list);
        $code = $chosen['code'] ?? '';
        $base = $chosen !== null && $chosen['kind'] === SheetKind::Base->value ? $this->library->shelf()->base($code) : null;
        $additive = $chosen !== null && $chosen['kind'] === SheetKind::Additive->value ? $this->library->shelf()->additive($code) : null;

        return [
            'open' => $this->open,
            'empty' => array_filter($list, static fn (array $sheet): bool => $sheet['here']) === [],
            'list' => $list,
            'base' => $base === null ? null : (new BaseSheetView($base, $this->library, $this->room, $this->clock))->toArray(),
            'additive' => $additive === null ? null : (new AdditiveSheetView($additive, $this->library))->toArray(),
            'other' => $chosen === null || $base !== null || $additive !== null
                ? null
                : ['kind' => $chosen['kind'], 'code' => $code, 'name' => $chosen['name'], 'lines' => $this->lines($chosen)],
            'own' => $chosen !== null && $chosen['own'] ? $this->versions($chosen) : null,
            ...$this->held($list, $base === null && $additive === null ? null : $code),
            'melts' => $additive?->role === AdditiveRole::Scrap,
            'part_names' => $base === null
                ? ['A' => 'Tub']
                : array_filter(['A' => $base->partNames['a'], 'B' => $base->partNames['b'] ?? null]),
        ];
    }

    /**
     * The lots of the sheet that is open, and what has run low of any.
     *
     * @param  list<ListedSheet>  $list
     * @return array{
     *     lots: list<LotLine>, kit: array{price: string|null, mass_g: float|null, reorder_g: float|null, take_back: int|null},
     *     on_hand: array<string, float>, reorder: list<array{code: string, name: string, left_g: float, reorder_g: float, usual: bool}>,
     *     wanted: list<array{code: string, name: string, grams: float, job: string, job_id: int}>, today: string,
     * }
     */
    private function held(array $list, ?string $code): array
    {
        $today = CarbonImmutable::now($this->workshop->zone())->format('Y-m-d');
        $names = array_column($list, 'name', 'code');
        $left = $this->prices->onHand(array_map(strval(...), array_keys($names)));
        $kits = Kit::query()->get()->keyBy('code');
        $lots = $code === null
            ? []
            : Lot::query()
                ->with('parts')
                ->where('code', $code)
                ->orderByRaw('case when ended_at is null then 0 else 1 end')
                ->orderByDesc('got_on')
                ->orderByDesc('id')
                ->limit(self::MOST_LOTS)
                ->get()
                ->all();
        // Where nobody has set a line it is what a pour of it usually takes.
        $set = $kits->whereNotNull('reorder_g')->pluck('reorder_g', 'code')->map(floatval(...))->all();
        $lines = array_intersect_key([...$this->use->perPour(), ...$set], $names);
        $low = array_filter($lines, static fn (float $line, string $code): bool => ($left[$code] ?? 0.0) < $line, ARRAY_FILTER_USE_BOTH);
        $kit = $kits->get($code ?? '');

        return [
            'lots' => array_values(array_map(static fn (Lot $lot): array => (new LotLineView($lot, $today))->toArray(), $lots)),
            'kit' => [
                'price' => $kit?->price, 'mass_g' => $kit?->mass_g, 'reorder_g' => $kit?->reorder_g,
                'take_back' => $kit === null ? null : RecordedKit::of($kit)->state->takeBack,
            ],
            'on_hand' => $left,
            'reorder' => array_map(
                static fn (string $code, float $line): array => [
                    'code' => $code, 'name' => $names[$code] ?? $code, 'left_g' => $left[$code] ?? 0.0, 'reorder_g' => $line,
                    'usual' => ! isset($set[$code]),
                ],
                array_map(strval(...), array_keys($low)), $low,
            ),
            'wanted' => $this->wanted($names), 'today' => $today,
        ];
    }

    /**
     * What jobs took into their plan and nobody has bought since.
     *
     * @param  array<string, string>  $names
     * @return list<array{code: string, name: string, grams: float, job: string, job_id: int}>
     */
    private function wanted(array $names): array
    {
        $wanted = [];
        $came = static fn (\stdClass $row): float => (float) Rows::of('lots')
            ->join('lot_parts', 'lot_parts.lot_id', '=', 'lots.id')
            ->where('lots.code', $row->code)
            ->where('lots.created_at', '>=', $row->since)
            ->sum('lot_parts.got_g');
        foreach (Rows::of('job_wants')->join(
            'jobs', 'jobs.id', '=', 'job_wants.job_id',
        )->whereNull('jobs.deleted_at')->orderByDesc('job_wants.id')->limit(self::MOST_WANTED)->get([
            'job_wants.code', 'job_wants.grams', 'job_wants.since', 'jobs.name', 'jobs.id',
        ]) as $row) {
            $left = (float) $row->grams - $came($row);
            $left <= 0.5
                || $wanted[] = [
                    'code' => (string) $row->code, 'name' => $names[(string) $row->code] ?? (string) $row->code, 'grams' => $left,
                    'job' => (string) $row->name, 'job_id' => (int) $row->id,
                ];
        }

        return $wanted;
    }

    /** @return list<ListedSheet> */
    private function list(): array
    {
        $off = array_flip($this->own->off());
        $list = [];
        foreach (SheetKind::cases() as $kind) {
            $own = $this->library->own($kind->value);
            foreach ($this->library->sheets($kind) as $code => $sheet) {
                $code = (string) $code;
                $list[] = [
                    'kind' => $kind->value, 'code' => $code, 'name' => is_string($sheet['name'] ?? null) ? $sheet['name'] : $code,
                    'colour' => is_string($sheet['colour'] ?? null) ? $sheet['colour'] : null,
                    'own' => isset($own[$code]), 'here' => ! isset($off[$code]),
                ];
            }
        }

        return $list;
    }

    /**
     * @param  list<ListedSheet>  $list
     * @return ListedSheet|null
     */
    private function chosen(array $list): ?array
    {
        foreach ($list as $sheet) {
            if ($this->open === null ? $sheet['here'] : $sheet['code'] === $this->open) {
                return $sheet;
            }
        }

        return null;
    }

    /**
     * A sheet nothing is reckoned from, line by line.
     *
     * @param  ListedSheet  $chosen
     * @return list<SheetLine>
     */
    private function lines(array $chosen): array
    {
        $kind = SheetKind::from($chosen['kind']);
        $sheet = $this->library->written($kind, $chosen['code']) ?? [];
        $words = new SheetReading($this->library);

        return array_map(
            static fn (SheetField $field): array => [
                'label' => $field->label, 'value' => $words->of($field, $sheet), 'open' => $field->open,
            ],
            $this->library->sheetForm($kind)->fields(),
        );
    }

    /**
     * @param  ListedSheet  $chosen
     * @return array{
     *     version: int, versions: list<array{version: int, at_ms: int, changed: list<string>}>,
     *     left_open: list<array{label: string, open: string}>,
     * }
     */
    private function versions(array $chosen): array
    {
        $fields = $this->library->sheetForm(SheetKind::from($chosen['kind']))->fields();
        $kept = OwnSheet::query()->where('code', $chosen['code'])->orderByDesc('version')->limit(self::MOST_VERSIONS + 1)->get();
        $versions = [];
        foreach ($kept->take(self::MOST_VERSIONS) as $i => $own) {
            $before = $kept->get($i + 1);
            $changed = $before === null
                ? []
                : array_filter($fields, static fn (SheetField $field): bool => $field->in($own->sheet) != $field->in($before->sheet));
            $versions[] = [
                'version' => $own->version, 'at_ms' => (int) $own->created_at->getTimestampMs(),
                'changed' => array_values(array_map(static fn (SheetField $field): string => $field->label, $changed)),
            ];
        }
        $now = $kept->first()->sheet ?? [];
        $open = array_filter($fields, static fn (SheetField $field): bool => $field->in($now) === null && $field->open !== '');

        return [
            'version' => $kept->first()->version ?? 0, 'versions' => $versions,
            'left_open' => array_values(
                array_map(static fn (SheetField $field): array => ['label' => $field->label, 'open' => $field->open], $open),
            ),
        ];
    }
}
