<?php

declare(strict_types=1);

namespace Apalos\Core\Tests;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Symfony\Component\Yaml\Yaml;

/** What a maker reads, in the words that ship. */
final class Words
{
    private static ?Phrasebook $book = null;

    public static function book(Measures $measures = Measures::Metric): Phrasebook
    {
        self::$book ??= Phrasebook::of(Yaml::parseFile(__DIR__.'/../../library/phrases/en.yaml'));

        return self::$book->in($measures);
    }

    public static function of(BadInput|Phrase $what): string
    {
        return self::book()->say($what instanceof BadInput ? $what->says : $what);
    }
}
