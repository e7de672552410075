<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Library\KeepFormula;
use App\Models\Formula;
use App\Models\Outdated;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Another name for a formula, or retired and back again; its versions stay as they were kept. */
final readonly class ChangeFormula
{
    public function __construct(private Workshop $workshop) {}

    /**
     * @param  string|null  $name  null where it keeps its own
     * @param  bool|null  $retired  null where it stays as it is
     *
     * @throws BadInput where the name is none, or another formula's
     * @throws Outdated where somebody changed it since
     */
    public function __invoke(int $id, int $edition, ?string $name, ?bool $retired, CarbonImmutable $now): Formula
    {
        return DB::transaction(function () use ($id, $edition, $name, $retired, $now): Formula {
            $formula = Formula::asShown($id, $edition);
            if ($name !== null) {
                $name = KeepFormula::named($name);
                if ($this->workshop->formulas()->where('name', $name)->whereKeyNot($formula->id)->exists()) {
                    throw BadInput::at('name', Phrase::of('bench.already_formula_named_choose', ['name' => $name]));
                }
                $formula->name = $name;
            }
            if ($retired !== null) {
                $formula->retired_at = $retired ? $now : null;
            }
            $formula->save();

            return $formula;
        });
    }
}
