<?php

declare(strict_types=1);

namespace App\Formulas;

use App\Library\Library;
use App\Lists\Like;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Models\Workshop;
use Illuminate\Database\Eloquent\Builder;

/** The shop's formulas of a kind, narrowed by a part of their name, their base or what goes in. */
final readonly class FormulaQuery
{
    private const RETIRED = 'retired';

    public function __construct(private Workshop $workshop, private Library $library) {}

    /**
     * @param  string  $kind  mix, paint, trial, or `retired` for those that are offered no more
     * @return Builder<Formula>
     */
    public function __invoke(string $kind, string $words): Builder
    {
        $query = Formula::query()->where('workshop_id', $this->workshop->id)->whereHas('versions');
        $kind === self::RETIRED ? $query->whereNotNull('retired_at') : $query->whereNull('retired_at')->where('kind', $kind);
        if ($words !== '') {
            $codes = $this->codes($words);
            $query->where(
                static fn (Builder $either) => $either->where(Like::of('name', $words))->when(
                    $codes !== [],
                    static fn (Builder $or) => $or->orWhereHas('newest', static fn (Builder $version) => self::of($version, $codes)),
                ),
            );
        }

        return $query;
    }

    /** @return list<string> house codes of what is so called */
    private function codes(string $words): array
    {
        $codes = [];
        foreach ([...$this->library->shelf()->bases, ...$this->library->shelf()->additives] as $sheet) {
            if (str_contains(mb_strtolower("{$sheet->name} {$sheet->code}"), mb_strtolower($words))) {
                $codes[] = $sheet->code;
            }
        }

        return $codes;
    }

    /**
     * @param  Builder<FormulaVersion>  $version
     * @param  list<string>  $codes
     */
    private static function of(Builder $version, array $codes): void
    {
        $version->where(static function (Builder $any) use ($codes): void {
            foreach ($codes as $code) {
                $any->orWhereRaw('cast(formula_versions.recipe as text) like ?', ["%\"{$code}\"%"]);
            }
        });
    }
}
