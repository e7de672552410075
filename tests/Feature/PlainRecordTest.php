<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\PlainRecord;
use App\Models\SwatchReading;
use Illuminate\Database\Eloquent\Attributes\Boot;
use Illuminate\Database\Eloquent\Attributes\Initialize;
use Illuminate\Database\Eloquent\Model;
use ReflectionClass;
use Tests\TestCase;

/** A record is read quickly, and still as the framework would read it. */
final class PlainRecordTest extends TestCase
{
    /** @return list<class-string<Model>> */
    private static function records(): array
    {
        $found = [];
        foreach (glob(dirname(__DIR__, 2).'/app/Models/*.php') ?: [] as $file) {
            $class = 'App\\Models\\'.basename($file, '.php');
            if (is_subclass_of($class, Model::class) && in_array(PlainRecord::class, class_uses_recursive($class), true)) {
                $found[] = $class;
            }
        }

        return $found;
    }

    public function test_no_record_says_by_an_attribute_what_is_booted_by_name_alone(): void
    {
        self::assertGreaterThan(20, count(self::records()));
        foreach (self::records() as $class) {
            foreach ((new ReflectionClass($class))->getMethods() as $method) {
                $said = [...$method->getAttributes(Boot::class), ...$method->getAttributes(Initialize::class)];
                self::assertSame([], $said, "{$class}::{$method->getName()} would not be called: see PlainRecord::bootTraits.");
            }
        }
    }

    public function test_what_is_written_anew_is_read_anew(): void
    {
        $reading = new SwatchReading(['kind' => 'colour', 'at' => '2026-03-01 09:00:00.000', 'lab' => [62.0, 14.0, 18.0], 'left_out' => 0]);
        self::assertSame([62.0, 14.0, 18.0], array_map(floatval(...), $reading->lab ?? []));
        self::assertSame(62.0, $reading->colour()?->l);
        $reading->lab = [30.0, 1.0, 2.0];
        self::assertSame(30.0, $reading->colour()?->l);
        self::assertSame('09:00', $reading->at->format('H:i'));
        $reading->setAttribute('at', '2026-03-01 10:30:00.000');
        self::assertSame('10:30', $reading->at->format('H:i'));
        self::assertFalse($reading->left_out);
        $reading->left_out = true;
        self::assertTrue($reading->left_out);
        $reading->lab = null;
        self::assertNull($reading->lab);
        self::assertNull($reading->colour());
    }
}
