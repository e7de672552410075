<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Pour\Recipe;
use App\Models\FormulaVersion;

/** What a version of a formula says, read against the shelf as it stands. */
final readonly class Recipes
{
    public function __construct(private Library $library) {}

    /** Null where a material of it is no longer on the shelf. */
    public function of(FormulaVersion $version): ?Recipe
    {
        return $this->read($version->recipe);
    }

    /** @param  array<string, mixed>  $said  as a version keeps it */
    public function read(array $said): ?Recipe
    {
        try {
            $recipe = Recipe::from(Fields::of($said), $this->library->shelf());
            $recipe->composition();

            return $recipe;
        } catch (BadInput) {
            return null;
        }
    }
}
