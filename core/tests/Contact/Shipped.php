<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Care\Wear;
use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Console\Shelves;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Fault\FaultBook;
use Apalos\Core\Mould\MouldLibrary;
use Apalos\Core\Tests\Material\SheetsTest;
use Apalos\Core\Ways\WaysBook;
use Symfony\Component\Yaml\Yaml;

/** The knowledge that ships with the application. */
final class Shipped
{
    private static ?Knowledge $read = null;

    public static function knowledge(): Knowledge
    {
        return self::$read ??= Knowledge::of(...array_map(
            static fn (string $file): array => Yaml::parseFile(__DIR__."/../../../library/{$file}.yaml"),
            [
                'contacts/families', 'contacts/surfaces', 'contacts/rules', 'contacts/releases', 'contacts/sealers', 'cautions',
                'contacts/waits',
            ],
        ));
    }

    public static function shelves(): Shelves
    {
        return new Shelves(
            self::knowledge(), MouldLibrary::of(Yaml::parseFile(__DIR__.'/../../../library/mould-kinds.yaml')), SheetsTest::shelf(),
            self::faults(), Wear::of(self::read('wear')), WaysBook::of(self::read('ways')), self::casting(),
        );
    }

    public static function casting(): CastingWays
    {
        $files = glob(__DIR__.'/../../../library/casting/*.yaml') ?: [];

        return CastingWays::of(
            array_combine(
                array_map(static fn (string $file): string => basename($file, '.yaml'), $files), array_map(Yaml::parseFile(...), $files),
            ),
        );
    }

    /** @return array<array-key, mixed> */
    private static function read(string $file): array
    {
        return Yaml::parseFile(__DIR__."/../../../library/{$file}.yaml");
    }

    public static function faults(): FaultBook
    {
        return FaultBook::of(
            ...array_map(
                static fn (string $file): array => Yaml::parseFile(__DIR__."/../../../library/{$file}.yaml"),
                ['faults/symptoms', 'faults/causes', 'faults/questions', 'contacts/families'],
            ),
        );
    }
}
