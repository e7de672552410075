<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Devices\DeviceLost;
use App\Devices\ScalePort;
use App\Devices\ScaleReading;
use App\Devices\StandIn\StandIns;
use App\Devices\TcpLines;
use App\Devices\ThermometerPort;
use App\Models\RoomReading;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class DevicesTest extends TestCase
{
    /** @return iterable<string, array{string, ?float, bool, bool}> */
    public static function lines(): iterable
    {
        yield 'stable' => ['ST,+00123.4,g', 123.4, true, false];
        yield 'moving' => ["US,+00012.3,g\r\n", 12.3, false, false];
        yield 'below zero' => ['ST,-00045.0,g', -45.0, true, false];
        yield 'in ounces nothing is read off it' => ['ST,+00004.4,oz', null, true, false];
        yield 'overload' => ['OL,+99999.9,g', null, false, true];
    }

    #[DataProvider('lines')]
    public function test_a_line_of_the_scale_is_read(string $line, ?float $grams, bool $stable, bool $overload): void
    {
        $reading = ScaleReading::parse($line);

        self::assertSame([$grams, $stable, $overload], [$reading->grams, $reading->stable, $reading->overload]);
    }

    public function test_a_line_that_is_no_weight_is_a_lost_scale(): void
    {
        foreach (['', 'hello', 'ST,123.4,g', 'ST,+00123.4,stone', 'ST,+00NaN.0,g'] as $line) {
            try {
                ScaleReading::parse($line);
                self::fail("“{$line}” passed for a weight.");
            } catch (DeviceLost $lost) {
                self::assertStringContainsString('type the reading', self::said($lost->says));
            }
        }
    }

    public function test_a_stand_in_that_drops_out_says_nothing_for_a_while(): void
    {
        $standIns = new StandIns;
        self::assertSame('OK', $standIns->scale('DROP 5', 100.0));
        self::assertNull($standIns->scale('Q', 104.0));
        self::assertStringStartsWith('ST', (string) $standIns->scale('Q', 106.0));
        self::assertSame('ER', $standIns->scale('make tea', 106.0));
        self::assertMatchesRegularExpression('/^T,\+(19|20)\.\d,C$/', $standIns->thermometer('Q', 0.0));
        self::assertSame('OK', $standIns->thermometer('=31.5', 1.0));
        // The pot: two and a half minutes of heat bring it two thirds of the way to 230 °C; off it, it falls slowly.
        self::assertSame('T,+19.5,C', $standIns->probe('Q', 0.0));
        self::assertSame(
            ['OK', 'T,+152.6,C', 'OK', 'ER'],
            [$standIns->probe('ON', 0.0), $standIns->probe('Q', 150.0), $standIns->probe('OFF', 150.0), $standIns->probe('T', 150.0)],
        );
        self::assertSame('T,+144.0,C', $standIns->probe('Q', 210.0));
        self::assertSame('T,+31.5,C', $standIns->thermometer('Q', 2.0));
    }

    public function test_a_scale_that_is_not_there_is_an_answer_and_typing_goes_on(): void
    {
        $this->getJson('/devices/scale')->assertOk()->assertJsonPath('lost', 'No scale is set up. Type the reading.');
        config(['devices.scale.address' => '127.0.0.1:9']);
        $said = $this->postJson('/devices/scale/tare', ['for' => "run:{$this->begun()->id}"])->assertOk()->json('lost');
        self::assertStringContainsString('does not answer', $said);
    }

    public function test_hands_reach_only_a_stand_in(): void
    {
        $this->postJson('/devices/scale/hand', ['line' => '+10'])->assertNotFound();
        config(['devices.simulated' => true]);
        $this->postJson('/devices/scale/hand', ['line' => 'rm -rf'])->assertUnprocessable();
    }

    public function test_a_scale_that_answers_is_passed_on(): void
    {
        $this->app->instance(ScalePort::class, new class implements ScalePort
        {
            public function read(): ScaleReading
            {
                return ScaleReading::parse('US,+00329.5,g');
            }

            public function tare(): void {}

            public function zero(): void {}
        });

        $this->getJson('/devices/scale')->assertExactJson([
            'grams' => 329.5, 'stable' => false, 'overload' => false, 'lost' => null, 'unit' => 'g', 'held_by' => null, 'trouble' => null,
        ]);
    }

    public function test_the_thermometer_is_written_down_only_where_the_room_is_measured_and_has_changed(): void
    {
        $this->app->instance(ThermometerPort::class, new class implements ThermometerPort
        {
            public function celsius(): float
            {
                return 23.4;
            }
        });
        $this->postJson('/devices/thermometer')->assertOk();
        self::assertSame(1, RoomReading::query()->count());
        $this->putJson('/workshop', ['room_source' => 'thermometer'])->assertOk();
        $this->travel(1)->minutes();
        $this->postJson('/devices/thermometer')->assertJsonPath('room_c', 23.4);
        $this->postJson('/devices/thermometer')->assertOk();
        self::assertSame(
            [20.0, 23.4], RoomReading::query()->orderBy('id')->get()->map(static fn (RoomReading $r): float => $r->celsius)->all(),
        );
    }

    public function test_a_device_that_hangs_is_given_up_on_within_its_time(): void
    {
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($server);
        $from = hrtime(true);
        try {
            (new TcpLines((string) stream_socket_get_name($server, false), 0.2))->ask('Q', 'scale');
            self::fail('Nothing was said, yet something was heard.');
        } catch (DeviceLost $lost) {
            self::assertStringContainsString('gone quiet', self::said($lost->says));
        }
        self::assertLessThan(1500.0, (hrtime(true) - $from) / 1e6);
    }
}
