<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Mesh\LengthUnit;
use Apalos\Core\Mesh\Limits;
use Apalos\Core\Mesh\MeshFormat;
use Apalos\Core\Mesh\MeshReader;
use Apalos\Core\Mesh\ReadMesh;
use Apalos\Core\Mesh\Surveyor;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MeshReaderTest extends TestCase
{
    private static function read(string $bytes, string $ending, ?LengthUnit $unit = null): ReadMesh
    {
        return (new MeshReader)->read(Shapes::file($bytes, $ending), MeshFormat::ofName("x.{$ending}"), $unit);
    }

    /** @return iterable<string, array{string, string}> */
    public static function written(): iterable
    {
        yield from Files::of(Shapes::mushroom(8.0, 20.0, 18.0, 9.0, 2.0));
    }

    #[DataProvider('written')]
    public function test_a_piece_is_the_same_in_every_format(string $bytes, string $ending): void
    {
        $drawn = Shapes::mushroom(8.0, 20.0, 18.0, 9.0, 2.0);
        $should = (new Surveyor)->survey($drawn);
        $read = self::read($bytes, $ending);
        $survey = (new Surveyor)->survey($read->mesh);

        self::assertSame($drawn->facets(), $read->triangles);
        self::assertSame([], $read->warnings);
        self::assertTrue($survey->watertight());
        self::assertEqualsWithDelta($should->volume, $survey->volume, $should->volume * 1e-6);
        self::assertEqualsWithDelta($should->area, $survey->area, $should->area * 1e-6);
    }

    /** @return iterable<string, array{LengthUnit, float}> */
    public static function units(): iterable
    {
        yield 'millimetres' => [LengthUnit::Millimetre, 24.0];
        yield 'centimetres' => [LengthUnit::Centimetre, 24_000.0];
        yield 'inches' => [LengthUnit::Inch, 24.0 * 25.4 ** 3];
    }

    #[DataProvider('units')]
    public function test_a_file_is_read_in_the_unit_that_is_said(LengthUnit $unit, float $mm3): void
    {
        foreach (Files::of(Shapes::box(2.0, 3.0, 4.0)) as $how => [$bytes, $ending]) {
            self::assertEqualsWithDelta(
                $mm3 / 1000.0, (new Surveyor)->survey(self::read($bytes, $ending, $unit)->mesh)->volume, $mm3 * 1e-9, $how,
            );
        }
    }

    public function test_a_3mf_says_its_unit_and_places_its_objects(): void
    {
        $item = '<item objectid="1" transform="2 0 0 0 2 0 0 0 2 0 0 0"/><item objectid="2" transform="1 0 0 0 1 0 0 0 1 10 0 0"/>';
        $parts = '<object id="2"><components><component objectid="1" transform="-1 0 0 0 1 0 0 0 1 0 0 0"/><component objectid="1" transform="1 0 0 0 1 0 0 0 1 0 8 0"/></components></object>';
        $read = self::read(Files::threeMf(Files::model(Shapes::box(1.0, 2.0, 3.0), 'inch', $item, $parts)), '3mf');
        $survey = (new Surveyor)->survey($read->mesh);

        self::assertSame(LengthUnit::Inch, $read->unit);
        self::assertTrue($read->says);
        self::assertSame(3, $survey->shells);
        self::assertSame(0, $survey->flipped, 'One was mirrored, and faces out all the same.');
        self::assertEqualsWithDelta((8.0 + 1.0 + 1.0) * 6.0 * 25.4 ** 3 / 1000.0, $survey->volume, 1e-6);
        self::assertEqualsWithDelta(
            [9.0 * 25.4, 10.0 * 25.4, 6.0 * 25.4],
            [$survey->bounds->most[0] - 2.0 * 25.4 + 0.0, $survey->bounds->most[1], $survey->bounds->most[2]], 1e-6,
        );
    }

    /** @return iterable<string, array{string, string, string}> bytes, ending, what is said of it */
    public static function broken(): iterable
    {
        $stl = Shapes::stl(Shapes::box(10.0, 10.0, 10.0));
        $text = Files::stlText(Shapes::box(10.0, 10.0, 10.0));
        $number = static fn (string $four): string => substr_replace($stl, $four, 84 + 12, 4);
        yield 'an STL cut short' => [substr($stl, 0, 400), 'stl', 'says it holds 12 triangles, and 6 are there'];
        yield 'an STL that counts wrong' => [substr_replace($stl, pack('V', 4_000_000_000), 80, 4), 'stl', 'cut short'];
        yield 'an STL of nothing' => [substr($stl, 0, 80).pack('V', 0), 'stl', 'no triangles'];
        yield 'text that calls itself binary' => [str_replace('solid it', 'SOLIX   ', $text), 'stl', 'cut short'];
        yield 'a text of no facets' => ["solid nothing\nendsolid nothing\n", 'stl', 'no triangles'];
        yield 'a text with a word for a number' => [preg_replace('/vertex [^ ]+/', 'vertex seven', $text, 1) ?? '', 'stl', 'vertex seven'];
        yield 'a text with NaN' => [preg_replace('/vertex [^ ]+/', 'vertex nan', $text, 1) ?? '', 'stl', 'no numbers'];
        yield 'a facet of two corners' => [preg_replace('/ +vertex .*\n/', '', $text, 1) ?? '', 'stl', 'needs three'];
        yield 'NaN' => [$number(pack('g', NAN)), 'stl', 'no numbers'];
        yield 'infinite' => [$number(pack('g', INF)), 'stl', 'no numbers'];
        yield 'far out' => [$number(pack('g', 1e12)), 'stl', 'Check the unit'];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n".str_repeat("\0x", 200), 'stl', 'cut short'];
        yield 'nothing' => ['', 'stl', 'empty'];
        yield 'an OBJ without faces' => ["v 0 0 0\nv 1 0 0\nv 0 1 0\n", 'obj', 'no triangles'];
        yield 'an OBJ that names what is not there' => ["v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 9\n", 'obj', 'names the vertex 9'];
        yield 'an OBJ that counts back too far' => ["v 0 0 0\nv 1 0 0\nv 0 1 0\nf -1 -2 -9\n", 'obj', 'names the vertex -9'];
        yield 'an OBJ with infinity' => ["v 0 0 inf\nf 1 1 1\n", 'obj', 'no numbers'];
        yield 'a line without end' => [str_repeat('v', Limits::LONGEST_LINE + 300_000), 'obj', 'never ends'];
        yield 'no PLY' => ["plywood\n", 'ply', 'no PLY'];
        yield 'a PLY cut short' => [substr(Files::ply(Shapes::box(1.0, 1.0, 1.0), 'binary_little_endian'), 0, -20), 'ply', 'cut short'];
        yield 'a PLY of points' => [
            "ply\nformat ascii 1.0\nelement vertex 1\nproperty float x\nproperty float y\nproperty float z\nend_header\n0 0 0\n", 'ply',
            'no triangles',
        ];
        yield 'a PLY without z' => [
            "ply\nformat ascii 1.0\nelement vertex 1\nproperty float x\nproperty float y\nend_header\n0 0\n", 'ply', 'no x, y and z',
        ];
        yield 'a PLY that promises the moon' => [
            "ply\nformat ascii 1.0\nelement vertex 999999999\nproperty float x\nend_header\n", 'ply', 'more than 2,000,000 triangles',
        ];
        yield 'a 3MF that is no zip' => ['PK nothing', '3mf', 'cannot be unpacked'];
        yield 'a 3MF without a model' => [Files::threeMf('<model/>', 'other.txt'), '3mf', 'no triangles'];
        yield 'a 3MF with broken XML' => [Files::threeMf('<model><resources>'), '3mf', 'broken at line'];
        yield 'a 3MF with an entity' => [
            Files::threeMf('<?xml version="1.0"?><!DOCTYPE m [<!ENTITY e SYSTEM "file:///etc/passwd">]><model>&e;</model>'), '3mf',
            'entities',
        ];
        yield 'a 3MF in itself' => [
            Files::threeMf(
                Files::model(
                    Shapes::box(1.0, 1.0, 1.0), build: '<item objectid="2"/>',
                    more: '<object id="2"><components><component objectid="2"/></components></object>',
                ),
            ),
            '3mf', 'holds itself',
        ];
        yield 'a 3MF that places what is not there' => [
            Files::threeMf(Files::model(Shapes::box(1.0, 1.0, 1.0), build: '<item objectid="7"/>')), '3mf', '“7” that is not in it',
        ];
        yield 'a 3MF with a bent transform' => [
            Files::threeMf(Files::model(Shapes::box(1.0, 1.0, 1.0), build: '<item objectid="1" transform="1 0 0"/>')), '3mf',
            'make no sense',
        ];
    }

    #[DataProvider('broken')]
    public function test_a_broken_file_ends_in_a_sentence(string $bytes, string $ending, string $says): void
    {
        try {
            self::read($bytes, $ending);
            self::fail('It was read.');
        } catch (BadInput $wrong) {
            self::assertStringContainsString($says, Words::of($wrong));
            self::assertMatchesRegularExpression('/\.$/', Words::of($wrong));
        }
    }

    public function test_a_zip_bomb_is_unpacked_no_further_than_the_limit(): void
    {
        $bomb = Files::threeMf('<model>'.str_repeat(' ', 400 * Limits::MEGABYTE).'</model>');
        self::assertLessThan(Limits::MEGABYTE, strlen($bomb));
        $before = memory_get_usage();
        try {
            self::read($bomb, '3mf');
            self::fail('It was read.');
        } catch (BadInput $wrong) {
            self::assertStringContainsString('larger than 384 MB', Words::of($wrong));
        }
        self::assertLessThan(20 * Limits::MEGABYTE, memory_get_usage() - $before);
    }

    public function test_two_hundred_megabytes_are_refused_unread(): void
    {
        $file = Shapes::file('', 'stl');
        $handle = fopen($file->getPathname(), 'r+');
        self::assertIsResource($handle);
        ftruncate($handle, 200 * Limits::MEGABYTE);
        fclose($handle);
        clearstatcache();
        $this->expectException(BadInput::class);
        $this->expectExceptionMessage('mesh.too_heavy');
        (new MeshReader)->read(new \SplFileObject($file->getPathname(), 'rb'), MeshFormat::Stl);
    }

    public function test_a_binary_file_that_calls_itself_solid_is_binary(): void
    {
        $bytes = substr_replace(Shapes::stl(Shapes::box(1.0, 2.0, 3.0)), str_pad('solid box', 80), 0, 80);
        self::assertSame(12, self::read($bytes, 'stl')->triangles);
    }

    public function test_a_text_that_ends_in_the_middle_is_read_and_said(): void
    {
        $text = Files::stlText(Shapes::box(1.0, 2.0, 3.0));
        $read = self::read(substr($text, 0, (int) strpos($text, ' facet', (int) (strlen($text) * 0.6))), 'stl');

        self::assertSame(8, $read->triangles);
        self::assertSame(['cut_short'], array_column($read->warnings, 'code'));
    }

    public function test_more_than_was_said_is_said(): void
    {
        $bytes = substr_replace(Shapes::stl(Shapes::box(1.0, 2.0, 3.0)), pack('V', 10), 80, 4);
        $read = self::read($bytes, 'stl');

        self::assertSame([10, ['more_than_said']], [$read->triangles, array_column($read->warnings, 'code')]);
    }

    public function test_minus_nought_is_nought_and_a_facet_without_a_face_is_left_out(): void
    {
        $bytes = Shapes::stl(Shapes::box(1.0, 2.0, 3.0));
        $at = 84 + 12;
        self::assertSame(pack('g', 0.0), substr($bytes, $at, 4));
        $bytes = substr_replace($bytes, pack('g', -0.0), $at, 4).str_repeat("\0", 50);
        $read = self::read(substr_replace($bytes, pack('V', 13), 80, 4), 'stl');

        self::assertSame(8, $read->mesh->vertices());
        self::assertSame([13, 1], [$read->triangles, $read->dropped]);
        self::assertTrue((new Surveyor)->survey($read->mesh)->watertight());
    }

    public function test_a_name_is_no_path(): void
    {
        self::assertSame(MeshFormat::Stl, MeshFormat::ofName('../../etc/Piece.STL'));
        $this->expectException(BadInput::class);
        MeshFormat::ofName('../../etc/passwd');
    }
}
