<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Devices\StandIn\LabelMechanics;
use App\Devices\StandIn\StandIns;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Console\Command;

/** Stands in for a scale, a thermometer, a probe and a label printer on four loopback ports, so that a run can be tried without any. */
final class SimulateDevices extends Command
{
    protected $signature = 'devices:simulate {--scale=127.0.0.1:7101 : where the scale listens} {--thermometer=127.0.0.1:7102 : where the thermometer listens} {--probe=127.0.0.1:7103 : where the probe in the pot listens} {--labels=127.0.0.1:7104 : where the label printer listens} {--room=19.5 : °C}';

    protected $description = 'Stand in for a scale, a thermometer, a probe and a label printer';

    public function handle(): int
    {
        $standIns = new StandIns(roomC: (float) $this->option('room'));
        $pour = Pour::query()->where('state', PourState::Running)->latest('started_at')->first();
        if ($pour !== null) {
            // The cup that is just being filled stands on it, as it would after the power came back.
            $standIns->scale('SET '.max(0.0, RecordedRun::of($pour)->state->cup()->display), microtime(true));
        }
        $labels = new LabelMechanics;
        $said = [];
        $servers = [];
        foreach (['scale', 'thermometer', 'probe', 'labels'] as $device) {
            $server = @stream_socket_server('tcp://'.$this->option($device), $code, $why);
            if ($server === false) {
                $this->error("The {$device} cannot listen on {$this->option($device)}: {$why}. Choose another port with --{$device}.");

                return self::FAILURE;
            }
            $servers[(int) $server] = [$server, $device];
        }
        $this->info(
            "Scale on {$this->option('scale')}, thermometer on {$this->option('thermometer')}, probe on {$this->option('probe')}, label printer on {$this->option('labels')}.",
        );

        /** @var array<int, array{resource, string}> $clients */
        $clients = [];
        while (true) {
            $ready = array_map(static fn (array $entry) => $entry[0], [...array_values($servers), ...array_values($clients)]);
            [$none, $except] = [null, null];
            if (@stream_select($ready, $none, $except, 60) === false) {
                return self::SUCCESS;
            }
            foreach ($ready as $stream) {
                $id = (int) $stream;
                if (isset($servers[$id])) {
                    $client = @stream_socket_accept($stream, 0);
                    if ($client !== false) {
                        $clients[(int) $client] = [$client, $servers[$id][1]];
                    }

                    continue;
                }
                $isPrinter = $clients[$id][1] === 'labels';
                $line = $isPrinter ? fread($stream, 65_536) : fgets($stream, 128);
                $line = $line === '' ? false : $line;
                if ($line === false) {
                    fclose($stream);
                    unset($clients[$id], $said[$id]);

                    continue;
                }
                if ($isPrinter) {
                    [$answer, $said[$id]] = $labels->hears(($said[$id] ?? '').$line);
                    $answer === null || @fwrite($stream, $answer."\r\n");

                    continue;
                }
                $answer = match ($clients[$id][1]) {
                    'scale' => $standIns->scale($line, microtime(true)),
                    'probe' => $standIns->probe($line, microtime(true)),
                    default => $standIns->thermometer($line, microtime(true)),
                };
                if ($answer !== null) {
                    @fwrite($stream, $answer."\r\n");
                }
            }
        }
    }
}
