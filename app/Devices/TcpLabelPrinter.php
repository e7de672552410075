<?php

declare(strict_types=1);

namespace App\Devices;

use Apalos\Core\Phrase\Phrase;

/**
 * A printer that takes a raster over TCP, a label a connection: a bitmap as `P4`, answered with `OK` when it is out, `NP` where there is no
 * paper. One that answers nothing is taken at the word of its cable: what was handed over came out.
 */
final readonly class TcpLabelPrinter implements LabelPort
{
    public function __construct(private string $address, private float $timeoutS, private bool $answers) {}

    public function print(string $pbm): void
    {
        $this->address === '' && throw new DeviceLost(Phrase::of('bench.no_label_printer_set'));
        $socket = @stream_socket_client("tcp://{$this->address}", $code, $why, $this->timeoutS);
        if ($socket === false) {
            throw new DeviceLost(Phrase::of('bench.label_printer_does_not'));
        }
        try {
            stream_set_timeout($socket, (int) $this->timeoutS, (int) (fmod($this->timeoutS, 1.0) * 1e6));
            $this->hand($socket, $pbm);
            if ($this->answers) {
                match (trim((string) fgets($socket, 64))) {
                    'OK' => null,
                    'NP' => throw new DeviceLost(Phrase::of('bench.label_printer_no_paper')),
                    '' => throw new PrinterUnsure(Phrase::of('bench.label_printer_cut_off')),
                    default => throw new DeviceLost(Phrase::of('bench.label_printer_does_not_take')),
                };
            }
        } finally {
            fclose($socket);
        }
    }

    /** @param  resource  $socket */
    private function hand($socket, string $pbm): void
    {
        for ($sent = 0; $sent < strlen($pbm); $sent += $now) {
            $now = @fwrite($socket, substr($pbm, $sent, 65_536));
            if ($now === false || $now === 0) {
                throw $sent === 0
                    ? new DeviceLost(Phrase::of('bench.label_printer_takes_nothing'))
                    : new PrinterUnsure(Phrase::of('bench.label_printer_cut_off_middle'));
            }
        }
    }
}
