<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Devices\Cables;
use App\Devices\DeviceLost;
use App\Http\Reply;
use App\Labels\PrintQueue;
use App\Labels\PrintQueueView;
use App\Labels\Roll;
use App\Models\Workshop;
use App\Queue\PrintLabels;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The label printer: what waits for it, its roll, and what its stand-in printed. */
final readonly class PrinterController
{
    /** Of what came out of the stand-in, so many are shown. */
    private const SHOWN = 6;

    public function __construct(
        private PrintQueue $queue,
        private PrintQueueView $view,
        private Workshop $workshop,
        private Cables $cables,
    ) {}

    public function show(): JsonResponse
    {
        return Reply::json($this->view->toArray());
    }

    public function print(Request $request): JsonResponse
    {
        $this->queue->add(Fields::fromJson($request->getContent()), CarbonImmutable::now());

        return $this->goesOn();
    }

    /** What waits is tried again: there is paper now. */
    public function again(): JsonResponse
    {
        return $this->goesOn();
    }

    public function takeOff(int $label): JsonResponse
    {
        $this->queue->takeOff($label);

        return $this->show();
    }

    public function anew(int $label): JsonResponse
    {
        $this->queue->again($label);

        return $this->goesOn();
    }

    public function roll(Request $request, Roll $roll): JsonResponse
    {
        $roll->set(Fields::fromJson($request->getContent()));

        return $this->show();
    }

    /** What came out of the stand-in, the last first. */
    public function out(): JsonResponse
    {
        abort_unless($this->cables->areSimulated(), 404);
        try {
            $lines = $this->cables->lines('labels');
            $out = array_map(static fn (int $at): string => $lines->ask("OUT {$at}", 'label printer', 4_000_000), range(1, self::SHOWN));

            return Reply::json([
                'out' => array_values(array_filter($out, static fn (string $one): bool => $one !== 'NONE')),
                'paper' => (int) substr($lines->ask('Q', 'label printer'), 6), 'lost' => null,
            ]);
        } catch (DeviceLost $lost) {
            return Reply::json(['out' => [], 'paper' => 0, 'lost' => $lost->says]);
        }
    }

    /** Paper in the stand-in, or none. */
    public function paper(Request $request): JsonResponse
    {
        abort_unless($this->cables->areSimulated(), 404);
        $line = Fields::fromJson($request->getContent())->only('line')->text('line');
        preg_match('/^PAPER \d{1,4}$/', $line) === 1 || throw BadInput::at('line', Phrase::of('bench.stand_in_printer_knows'));
        try {
            $this->cables->lines('labels')->ask($line, 'label printer');
        } catch (DeviceLost $lost) {
            return Reply::json(['lost' => $lost->says]);
        }

        return Reply::json(['lost' => null]);
    }

    private function goesOn(): JsonResponse
    {
        $this->queue->isWaitedFor() && PrintLabels::dispatch($this->workshop->id);

        return $this->show();
    }
}
