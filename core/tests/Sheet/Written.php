<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Sheet;

use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Input\Fields;
use Apalos\Core\Sheet\Completion;
use Apalos\Core\Sheet\SheetForm;
use Apalos\Core\Sheet\SheetKind;
use Apalos\Core\Sheet\SheetWords;
use Apalos\Core\Tests\Contact\Shipped;
use Symfony\Component\Yaml\Yaml;

/** What is needed to read a sheet, from the shipped library. */
final class Written
{
    private const LIBRARY = __DIR__.'/../../../library';

    public static function form(SheetKind $kind): SheetForm
    {
        return SheetForm::of($kind, Yaml::parseFile(self::LIBRARY.'/sheet-fields.yaml')[$kind->value]);
    }

    public static function knowledge(): Knowledge
    {
        return Shipped::knowledge();
    }

    public static function words(): SheetWords
    {
        return SheetWords::of(self::knowledge());
    }

    public static function completion(): Completion
    {
        return new Completion(
            Fields::of(Yaml::parseFile(self::LIBRARY.'/usual.yaml'), 'usual'), self::knowledge()->families, self::knowledge()->surfaces,
        );
    }
}
