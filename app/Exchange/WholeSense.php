<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Input\BadInput;
use App\Builds\RecordedBuild;
use App\Library\Library;
use App\Library\Recipes;
use App\Log\RecordedRun;
use App\Models\Build;
use App\Models\FormulaVersion;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Series;
use App\Swatches\RecordedSeries;
use Carbon\CarbonImmutable;
use Generator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use LogicException;
use TypeError;
use ValueError;

/**
 * Reads everything a database holds once, as the screens read it, and names what cannot be read: after a restore, a change of version, an
 * import.
 */
final readonly class WholeSense
{
    private const AT_ONCE = 500;

    public function __construct(private Recipes $recipes, private Library $library) {}

    /** @return Generator<int, array{part: string, id: int, name: string, why: string}> */
    public function found(CarbonImmutable $now): Generator
    {
        yield from $this->words();
        yield from $this->loose();
        yield from $this->runs();
        yield from $this->builds($now);
        yield from $this->others();
    }

    /**
     * Text that is none, and structures that are broken off.
     *
     * @return Generator<int, array{part: string, id: int, name: string, why: string}>
     */
    private function words(): Generator
    {
        foreach (ArchiveParts::ALL as $part => [$table]) {
            $columns = array_filter(
                ArchiveParts::columns($table), static fn (array $column): bool => in_array($column['type'], ['string', 'any'], true),
            );
            $hasId = Schema::hasColumn($table, 'id');
            if ($columns === [] || ! $hasId) {
                continue;
            }
            foreach (DB::table($table)->select(['id', ...array_keys($columns)])->lazyById(4 * self::AT_ONCE) as $row) {
                foreach ($columns as $name => $column) {
                    $value = $row->{$name};
                    $why = match (true) {
                        ! is_string($value) => null,
                        ! mb_check_encoding($value, 'UTF-8') || str_contains($value, "\0") => "its {$name} is no text",
                        $column['type'] === 'any'
                            && json_decode($value, true, 128) === null
                            && trim($value) !== 'null' => "its {$name} is broken off",
                        default => null,
                    };
                    if ($why !== null) {
                        yield ['part' => $part, 'id' => (int) $row->id, 'name' => '', 'why' => $why];
                    }
                }
            }
        }
    }

    /** @return Generator<int, array{part: string, id: int, name: string, why: string}> what names something that is not there */
    private function loose(): Generator
    {
        if (DB::getDriverName() === 'sqlite') {
            foreach (DB::select('pragma foreign_key_check') as $row) {
                yield [
                    'part' => (string) $row->table, 'id' => (int) $row->rowid, 'name' => '',
                    'why' => "it names one of {$row->parent} that is not there",
                ];
            }
        }
    }

    /** @return Generator<int, array{part: string, id: int, name: string, why: string}> */
    private function runs(): Generator
    {
        foreach (Pour::query()->with('impression.job', 'snapshot')->where(
            'state', '!=', PourState::Draft,
        )->lazyById(self::AT_ONCE)->chunk(self::AT_ONCE) as $pours) {
            foreach (RecordedRun::legible(array_values($pours->all()))[1] as $pour) {
                yield ['part' => 'pours', 'id' => $pour->id, 'name' => self::title($pour), 'why' => 'its run cannot be read'];
            }
        }
        foreach (Pour::query()->with('impression.job')->where('state', PourState::Draft)->lazyById(self::AT_ONCE) as $pour) {
            if (! self::can(static fn (): array => $pour->sheet)) {
                yield ['part' => 'pours', 'id' => $pour->id, 'name' => self::title($pour), 'why' => 'its sheet cannot be read'];
            }
        }
    }

    /** @return Generator<int, array{part: string, id: int, name: string, why: string}> */
    private function builds(CarbonImmutable $now): Generator
    {
        foreach (Build::query()->with('impression.job')->where('plain', false)->lazyById(self::AT_ONCE)->chunk(self::AT_ONCE) as $builds) {
            foreach (RecordedBuild::legible(array_values($builds->all()), $now)[1] as $build) {
                yield ['part' => 'builds', 'id' => $build->id, 'name' => $build->title(), 'why' => 'it cannot be read'];
            }
        }
    }

    /** @return Generator<int, array{part: string, id: int, name: string, why: string}> */
    private function others(): Generator
    {
        foreach (FormulaVersion::query()->with('formula')->lazyById(self::AT_ONCE) as $version) {
            if (
                ! self::can(
                    fn (): mixed => $this->recipes->of($version) ?? throw new LogicException('Something of it is not on the shelf.'),
                )
            ) {
                yield [
                    'part' => 'formula-versions', 'id' => $version->id, 'name' => $version->formula->name,
                    'why' => 'its recipe cannot be read, or names what is not on the shelf',
                ];
            }
        }
        foreach (Series::query()->lazyById(self::AT_ONCE) as $series) {
            if (! self::can(static fn (): RecordedSeries => RecordedSeries::of($series))) {
                yield ['part' => 'series', 'id' => $series->id, 'name' => '', 'why' => 'it cannot be read'];
            }
        }
        if (! self::can(fn (): array => $this->library->shelf()->bases)) {
            yield ['part' => 'sheets', 'id' => 0, 'name' => '', 'why' => 'a sheet of its own cannot be read'];
        }
    }

    private static function title(Pour $pour): string
    {
        return "{$pour->impression->job->name} · {$pour->impression->name}";
    }

    /** @param  callable(): mixed  $read */
    private static function can(callable $read): bool
    {
        try {
            $read();

            return true;
        } catch (BadInput|LogicException|ValueError|TypeError) {
            return false;
        }
    }
}
