<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Console\Shelves;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Fault\FaultBook;
use Apalos\Core\Mould\MouldLibrary;
use Apalos\Core\Tests\Material\SheetsTest;
use Symfony\Component\Yaml\Yaml;

/** The knowledge that ships with the application. */
final class Shipped
{
    private static ?Knowledge $read = null;

    public static function knowledge(): Knowledge
    {
        return self::$read ??= Knowledge::of(...array_map(
            static fn (string $file): array => Yaml::parseFile(__DIR__."/../../../library/{$file}.yaml"),
            ['contacts/families', 'contacts/surfaces', 'contacts/rules', 'contacts/releases', 'contacts/sealers', 'cautions', 'contacts/waits'],
        ));
    }

    public static function shelves(): Shelves
    {
        return new Shelves(self::knowledge(), MouldLibrary::of(Yaml::parseFile(__DIR__.'/../../../library/mould-kinds.yaml')), SheetsTest::shelf(), self::faults());
    }

    public static function faults(): FaultBook
    {
        return FaultBook::of(...array_map(static fn (string $file): array => Yaml::parseFile(__DIR__."/../../../library/{$file}.yaml"), ['faults/symptoms', 'faults/causes', 'faults/questions', 'contacts/families']));
    }
}
