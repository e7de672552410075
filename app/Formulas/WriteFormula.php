<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Library\KeepFormula;
use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\Workshop;
use App\Storage\KeepPhoto;
use Illuminate\Http\UploadedFile;

/** A formula as somebody writes it: a new one, or, under a name that is there, its next version, with its photo. */
final readonly class WriteFormula
{
    public function __construct(private Workshop $workshop, private KeepFormula $keep, private KeepPhoto $photo) {}

    /**
     * @param  Fields  $in  `name`, `kind`, `new` where the name must be nobody's yet, `parent`, `note`
     *
     * @throws BadInput and then no photo is left behind
     */
    public function __invoke(Fields $in, Fields $recipe, ?UploadedFile $photo): FormulaVersion
    {
        $name = KeepFormula::named($in->textOrNull('name') ?? '');
        if ($in->has('new') && $in->bool('new') && $this->workshop->formulas()->where('name', $name)->exists()) {
            throw BadInput::at('name', Phrase::of('bench.already_formula_named_give', ['name' => $name]));
        }
        $kept = ($this->photo)($photo, 'formulas');
        try {
            return ($this->keep)(
                $name, $recipe, $in->choice('kind', FormulaKind::class),
                $in->has('parent') ? (int) $in->number('parent', 1.0, 1e15) : null, $in->textOrNull('note'), $kept,
            );
        } catch (BadInput $wrong) {
            KeepPhoto::forget($kept);
            throw $wrong;
        }
    }
}
