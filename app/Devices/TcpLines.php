<?php

declare(strict_types=1);

namespace App\Devices;

use Apalos\Core\Phrase\Phrase;

/** Asks a device one line over TCP and hears one line back; a new connection each time, so that a dropped cable heals itself. */
final readonly class TcpLines implements SpokenLines
{
    public function __construct(private string $address, private float $timeoutS) {}

    /**
     * @param  positive-int  $longest  of the answer, in bytes
     *
     * @throws DeviceLost
     */
    public function ask(string $line, string $device, int $longest = 128): string
    {
        if ($this->address === '') {
            throw new DeviceLost(Phrase::of('bench.no_set_up_type', ['device' => $device]));
        }
        $socket = @stream_socket_client("tcp://{$this->address}", $code, $why, $this->timeoutS);
        if ($socket === false) {
            throw new DeviceLost(Phrase::of('bench.does_not_answer', ['device' => $device]));
        }
        try {
            stream_set_timeout($socket, (int) $this->timeoutS, (int) (fmod($this->timeoutS, 1.0) * 1e6));
            fwrite($socket, $line."\r\n");
            $answer = fgets($socket, $longest);
        } finally {
            fclose($socket);
        }
        if ($answer === false || trim($answer) === '') {
            throw new DeviceLost(Phrase::of('bench.gone_quiet', ['device' => $device]));
        }

        return trim($answer);
    }
}
