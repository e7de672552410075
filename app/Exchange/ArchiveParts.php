<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Models\Anchor;
use App\Models\Build;
use App\Models\Fact;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Models\ModelFile;
use App\Models\Mould;
use App\Models\OwnBuild;
use App\Models\OwnRule;
use App\Models\OwnSheet;
use App\Models\Pour;
use App\Models\PracticeTry;
use App\Models\Snapshot;
use App\Models\Study;
use App\Models\SwatchReading;
use App\Models\TakenWay;
use App\Models\Trial;
use App\Models\Workshop;
use App\Practice\PracticeScenario;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Schema;

/** The files of the archive of everything: what each holds, in which order they are taken in, and how a row of it is written. */
final readonly class ArchiveParts
{
    /** What a part holds, and its table; what rests on another comes after it. */
    public const ALL = [
        'workshop' => ['workshops', 'The shop: its name, units, scale, cups, working day, money.'],
        'sheets' => ['own_sheets', 'Sheets of its own, version by version.'],
        'rules' => ['own_rules', 'Contact rules of its own.'],
        'practice' => ['practice_scenarios', 'What the shop wrote to be practised.'],
        'ways-to-build' => ['own_builds', 'Ways to build of its own.'],
        'room' => ['room_readings', 'How warm it was, and when that was noted.'],
        'formulas' => ['formulas', 'Formulas by name.'],
        'formula-versions' => ['formula_versions', 'What each formula says, version by version.'],
        'colours' => ['colour_targets', 'Colours somebody wants again: L, a, b.'],
        'series' => ['series', 'Series of pucks.'],
        'swatches' => ['swatches', 'Small measured samples of formulas.'],
        'swatch-readings' => ['swatch_readings', 'What was read off them.'],
        'jobs' => ['jobs', 'Pieces to be made.'],
        'links' => ['impressions', 'The links of each job’s chain, with what was chosen for their contacts.'],
        'snapshots' => ['snapshots', 'Sheets as they were when something was begun.'],
        'builds' => ['builds', 'Goings at a link: operations as they were planned.'],
        'pours' => ['pours', 'Pours: sheet, plan, and what came of them.'],
        'fingers' => ['finger_tests', 'Coats somebody touched, and when.'],
        'moulds' => ['moulds', 'Moulds on the rack.'],
        'filled' => ['pour_moulds', 'Which pour went into which mould.'],
        'castings' => ['castings', 'Pieces, one by one.'],
        'care' => ['mould_care', 'What was done to moulds.'],
        'lots' => ['lots', 'Kits that came.'],
        'lot-parts' => ['lot_parts', 'Their parts, with the grams left.'],
        'draws' => ['lot_draws', 'What pours took from them.'],
        'kits' => ['kits', 'What a kit of a sheet costs, and when the next is ordered.'],
        'waiting' => ['waiting_things', 'Small things that wait for left-over rubber.'],
        'trials' => ['trials', 'Trials.'],
        'patches' => ['test_patches', 'Test patches.'],
        'models' => ['model_files', 'Models that were handed in; their files lie under files/.'],
        'studies' => ['studies', 'What was found of them.'],
        'models-of-jobs' => ['job_models', 'Which model serves which job, and the study that was put into it.'],
        'ways' => ['taken_ways', 'Which whole way a job took, and what it promised.'],
        'wants' => ['job_wants', 'What is to be bought for a job.'],
        'people' => ['people', 'Who worked here: names and roles, and nothing they come in with.'],
        'practised' => ['practice_tries', 'What somebody practised, and what it came to; of no count of the shop.'],
        'facts' => [
            'facts',
            'Everything that was told of runs, builds, series, moulds, lots, kits, patches and trials, and what was decided, in order, each sealed to the one before.',
        ],
        'anchors' => ['anchors', 'The record as it stood, night by night, in one seal each.'],
    ];

    /** What counts for this database alone. */
    private const OWN = [
        'workshops' => [
            'mark', 'change_count', 'digest_stamp', 'digest_changes', 'shelf_mark', 'edition', 'made_up', 'known_as', 'cables',
            'practice_of',
            'practising',
        ],
        // The shop it stood in is gone with it.
        'practice_tries' => ['shop_id'],
        'people' => ['passphrase', 'pin', 'pin_tries', 'sessions'],
    ];

    /** @var list<class-string<Model>> whose columns hold more than one value */
    private const STRUCTURED = [
        Anchor::class, Build::class, Fact::class, FormulaVersion::class, Impression::class, ModelFile::class, Mould::class, OwnBuild::class,
        OwnRule::class, OwnSheet::class, Pour::class, PracticeScenario::class, PracticeTry::class, Snapshot::class, Study::class,
        SwatchReading::class,
        TakenWay::class, Trial::class, Workshop::class,
    ];

    /**
     * @return array<string, array{type: string, null: bool}> columns of a table as they are written: integer, number, boolean, string or
     *   any
     */
    public static function columns(string $table): array
    {
        $casts = self::casts($table);
        $columns = [];
        foreach (Schema::getColumns($table) as $column) {
            if (in_array($column['name'], self::OWN[$table] ?? [], true)) {
                continue;
            }
            $cast = $casts[$column['name']] ?? '';
            $columns[$column['name']] = ['null' => (bool) $column['nullable'], 'type' => match (true) {
                in_array($cast, ['array', 'json', 'object'], true) || in_array($column['type_name'], ['json', 'jsonb'], true) => 'any',
                $cast === 'boolean' || in_array($column['type_name'], ['bool', 'boolean', 'tinyint'], true) => 'boolean',
                in_array($column['type_name'], ['integer', 'int4', 'int8', 'bigint', 'int', 'smallint', 'int2'], true) => 'integer',
                in_array($column['type_name'], ['numeric', 'decimal', 'float', 'float8', 'double', 'real'], true) => 'number',
                default => 'string',
            }];
        }

        return $columns;
    }

    /** @return array<string, mixed> the JSON Schema (2020-12) of one line */
    public static function schema(string $part): array
    {
        [$table, $holds] = self::ALL[$part];
        $properties = [];
        foreach (self::columns($table) as $name => $column) {
            $properties[$name] = $column['type'] === 'any'
                ? (object) []
                : ['type' => $column['null'] ? [$column['type'], 'null'] : $column['type']];
        }

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema', 'title' => $part,
            'description' => "{$holds} Moments are in UTC; amounts in g, ml, mm, °C and minutes.",
            'type' => 'object', 'additionalProperties' => false, 'properties' => $properties,
            'required' => array_keys(array_filter(self::columns($table), static fn (array $column): bool => ! $column['null'])),
        ];
    }

    /**
     * A row as it is written.
     *
     * @param  array<string, array{type: string, null: bool}>  $columns
     * @return array<string, mixed>
     */
    public static function out(\stdClass $row, array $columns): array
    {
        $out = [];
        foreach ($columns as $name => $column) {
            $value = $row->{$name} ?? null;
            $out[$name] = $value === null ? null : match ($column['type']) {
                'any' => is_string($value) ? json_decode($value, true, 128) : $value,
                'boolean' => (bool) $value,
                'integer' => is_numeric($value) ? (int) $value : null,
                'number' => is_numeric($value) ? (float) $value : null,
                default => is_scalar($value) ? (string) $value : null,
            };
        }

        return $out;
    }

    /** @return array<string, string> */
    private static function casts(string $table): array
    {
        foreach (self::STRUCTURED as $class) {
            $model = new $class;
            if ($model->getTable() === $table) {
                return array_map(strval(...), array_filter($model->getCasts(), is_string(...)));
            }
        }

        return [];
    }
}
