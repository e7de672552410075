<?php

declare(strict_types=1);

namespace App\Devices;

/**
 * A printer that takes a raster over TCP, a label a connection: a bitmap as `P4`, answered with `OK` when it is out, `NP` where there is no
 * paper. One that answers nothing is taken at the word of its cable: what was handed over came out.
 */
final readonly class TcpLabelPrinter implements LabelPort
{
    public function __construct(private string $address, private float $timeoutS, private bool $answers) {}

    public function print(string $pbm): void
    {
        $this->address === '' && throw new DeviceLost('No label printer is set up. Print from this screen onto paper instead.');
        $socket = @stream_socket_client("tcp://{$this->address}", $code, $why, $this->timeoutS);
        if ($socket === false) {
            throw new DeviceLost('The label printer does not answer. Check its cable and that it is on.');
        }
        try {
            stream_set_timeout($socket, (int) $this->timeoutS, (int) (fmod($this->timeoutS, 1.0) * 1e6));
            $this->hand($socket, $pbm);
            if ($this->answers) {
                match (trim((string) fgets($socket, 64))) {
                    'OK' => null,
                    'NP' => throw new DeviceLost('The label printer has no paper. Put a roll in.'),
                    '' => throw new PrinterUnsure('The label printer was cut off. Look whether it came out.'),
                    default => throw new DeviceLost(
                        'The label printer does not take labels of this kind. Check its roll and its settings.',
                    ),
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
                    ? new DeviceLost('The label printer takes nothing. Check that it is ready.')
                    : new PrinterUnsure('The label printer was cut off in the middle of a label. Look whether it came out.');
            }
        }
    }
}
