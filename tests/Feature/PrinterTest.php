<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Phrase\Phrase;
use App\Devices\Bitmap;
use App\Devices\DeviceLost;
use App\Devices\LabelPort;
use App\Devices\PrinterUnsure;
use App\Devices\StandIn\LabelMechanics;
use App\Devices\TcpLabelPrinter;
use App\Labels\Printing;
use App\Labels\PrintQueue;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** Labels wait for paper, come out in order, and none of them twice by itself. */
final class PrinterTest extends TestCase
{
    /** 57 × 32 mm at 8 dots: 456 × 256. */
    private static function pbm(int $width = 456, int $height = 256, string $fill = "\x0f"): string
    {
        return "P4\n{$width} {$height}\n".str_repeat($fill, intdiv($width + 7, 8) * $height);
    }

    /** @param  array<int, array<string, string>>  $labels */
    private function press(array $labels, string $key = 'press-label-1'): TestResponse
    {
        return $this->postJson('/labels', ['labels' => $labels], ['X-Press' => $key]);
    }

    /**
     * @param  list<string>  $what
     * @return list<array{what: string, pbm: string}>
     */
    private function labels(array $what): array
    {
        return array_map(static fn (string $one): array => ['what' => $one, 'pbm' => base64_encode(self::pbm())], $what);
    }

    private function printer(): LabelPort
    {
        $printer = new class implements LabelPort
        {
            /** @var list<string> */
            public array $out = [];

            public int $paper = 99;

            public bool $cut = false;

            public function print(string $pbm): void
            {
                $this->paper > 0 || throw new DeviceLost(Phrase::of('bench.label_printer_no_paper'));
                $this->cut && throw new PrinterUnsure(Phrase::of('bench.label_printer_cut_off'));
                $this->paper--;
                $this->out[] = $pbm;
            }
        };
        $this->app->instance(LabelPort::class, $printer);

        return $printer;
    }

    public function test_labels_of_one_press_come_out_in_order_and_a_press_sent_twice_prints_once(): void
    {
        $printer = $this->printer();
        $this->press($this->labels(['M-1', 'M-2']))->assertOk();
        $this->press($this->labels(['M-1', 'M-2']))->assertOk();
        self::assertCount(2, $printer->out);
        $this->getJson('/labels')->assertJsonPath('waits', 0)->assertJsonPath('last.0.what', 'M-2')->assertJsonPath('last.1.what', 'M-1');
        self::assertNull(Printing::query()->firstOrFail()->bits, 'What came out need not be kept.');
    }

    public function test_without_paper_they_wait_and_say_why_and_with_paper_they_go_on(): void
    {
        $printer = $this->printer();
        $printer->paper = 1;
        $this->press($this->labels(['kit one', 'kit two', 'kit three']));
        $this->getJson('/labels')
            ->assertJsonPath('waits', 2)
            ->assertJsonPath('labels.0.what', 'kit two')
            ->assertJsonPath('labels.0.why', 'The label printer has no paper. Put a roll in.');
        // One is not wanted any more.
        $this->deleteJson('/labels/'.Printing::query()->where('what', 'kit three')->value('id'))->assertJsonPath('waits', 1);
        $printer->paper = 50;
        $this->postJson('/labels/again')->assertOk();
        $this->getJson('/labels')->assertJsonPath('waits', 0)->assertJsonPath('last.0.what', 'kit two');
        self::assertCount(2, $printer->out);
    }

    public function test_what_was_cut_off_is_asked_about_and_not_printed_twice_by_itself(): void
    {
        $printer = $this->printer();
        $printer->cut = true;
        $this->press($this->labels(['puck', 'cup']));
        $this->getJson('/labels')->assertJsonPath('labels.0.state', 'unsure')->assertJsonPath('labels.1.state', 'waiting');
        $printer->cut = false;
        $this->postJson('/labels/again');
        $this->getJson('/labels')->assertJsonPath('waits', 1)->assertJsonPath('labels.0.what', 'puck');
        self::assertCount(1, $printer->out);
        $puck = Printing::query()->where('what', 'puck')->value('id');
        $this->postJson("/labels/{$puck}")->assertOk();
        $this->getJson('/labels')->assertJsonPath('waits', 0);
        self::assertCount(2, $printer->out);
    }

    public function test_a_worker_that_died_while_printing_leaves_a_question_and_no_label_behind(): void
    {
        $printer = $this->printer();
        $printer->paper = 0;
        $this->press($this->labels(['mould']));
        Printing::query()->update(['state' => Printing::PRINTING]);
        $printer->paper = 5;
        app(PrintQueue::class)->drain();
        self::assertSame([], $printer->out);
        $this->getJson('/labels')->assertJsonPath('labels.0.state', 'unsure');
    }

    public function test_what_is_no_label_of_this_roll_is_refused_in_words_and_nothing_waits(): void
    {
        $this->printer();
        foreach ([
            [[], 'There is no label to print.'],
            [[['what' => 'x', 'pbm' => '!!']], 'A label for the printer is a bitmap P4, in base64. Print it from its page.'],
            [
                [['what' => 'x', 'pbm' => base64_encode(self::pbm().'x')]],
                'A label for the printer is a bitmap P4, in base64. Print it from its page.',
            ],
            [
                [['what' => 'x', 'pbm' => base64_encode(self::pbm(400))]],
                'That label was drawn for another roll than lies in the printer. Load the page again, and print it once more.',
            ],
        ] as $i => [$labels, $says]) {
            $this->press($labels, "press-wrong-{$i}")->assertStatus(422)->assertJsonPath('error.message', $says);
        }
        self::assertSame(0, Printing::query()->count());
        $this->putJson('/labels/roll', ['w_mm' => 50, 'h_mm' => 25, 'dots_mm' => 11.8])->assertJsonPath('roll.dots_mm', 11.8);
        $this->press([['what' => 'x', 'pbm' => base64_encode(self::pbm(590, 295))]], 'press-roll-2')->assertOk();
        $this->putJson('/labels/roll', ['w_mm' => 500, 'h_mm' => 25, 'dots_mm' => 8])->assertStatus(422);
        $this->postJson('/labels/4711')->assertNotFound();
    }

    public function test_the_stand_in_prints_bit_by_bit_and_says_when_it_is_out_of_paper(): void
    {
        $stand = new LabelMechanics;
        $pbm = self::pbm(20, 3);
        self::assertSame(3 + 5 + 9, strlen($pbm));
        $said = '';
        foreach (str_split($pbm, 4) as $i => $bytes) {
            [$answer, $said] = $stand->hears($said.$bytes);
            self::assertSame($i === 4 ? 'OK' : null, $answer);
        }
        self::assertSame(['PAPER 199', ''], $stand->hears("Q\r\n"));
        self::assertSame([base64_encode($pbm), ''], $stand->hears("OUT 1\n"));
        self::assertSame(['NONE', ''], $stand->hears("OUT 2\n"));
        self::assertSame(['OK', ''], $stand->hears("PAPER 0\n"));
        self::assertSame(['NP', ''], $stand->hears($pbm));
        self::assertSame(['ER', ''], $stand->hears("PAPER many\n"));
        self::assertSame('ER', $stand->hears('P4 this is no bitmap at all')[0]);
        self::assertSame('ER', $stand->hears("P4\n99999 99999\n")[0]);
    }

    public function test_a_bitmap_is_whole_or_none(): void
    {
        self::assertSame([9, 2], [Bitmap::parse("P4\n9 2\n\xff\x80\x01\x00")?->width, Bitmap::parse("P4\n9 2\n\xff\x80\x01\x00")?->height]);
        foreach (['', 'P4', "P4\n9 2\n\xff", "P4\n9 2\n\xff\x80\x01\x00\x00", "P1\n1 1\n1"] as $none) {
            self::assertNull(Bitmap::parse($none));
        }
    }

    public function test_a_real_socket_is_told_a_label_and_heard(): void
    {
        $server = stream_socket_server('tcp://127.0.0.1:0', $code, $why);
        self::assertNotFalse($server);
        $at = (string) stream_socket_get_name($server, false);
        // Nobody answers: it was handed over, and it is not known what became of it.
        try {
            (new TcpLabelPrinter($at, 0.3, true))->print(self::pbm(16, 2));
            self::fail('It was not heard of again.');
        } catch (PrinterUnsure $unsure) {
            self::assertStringContainsString('Look whether it came out', self::said($unsure->says));
        }
        $got = stream_socket_accept($server, 1);
        self::assertNotFalse($got);
        self::assertSame(self::pbm(16, 2), stream_get_contents($got));
        // One that never answers is taken at its word.
        (new TcpLabelPrinter($at, 0.3, false))->print(self::pbm(16, 2));
        fclose($server);
        $this->expectException(DeviceLost::class);
        (new TcpLabelPrinter($at, 0.3, true))->print(self::pbm(16, 2));
    }
}
