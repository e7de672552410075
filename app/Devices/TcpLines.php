<?php

declare(strict_types=1);

namespace App\Devices;

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
            throw new DeviceLost("No {$device} is set up. Type the reading.");
        }
        $socket = @stream_socket_client("tcp://{$this->address}", $code, $why, $this->timeoutS);
        if ($socket === false) {
            throw new DeviceLost("The {$device} does not answer. Check its cable and that it is on, or type the reading.");
        }
        try {
            stream_set_timeout($socket, (int) $this->timeoutS, (int) (fmod($this->timeoutS, 1.0) * 1e6));
            fwrite($socket, $line."\r\n");
            $answer = fgets($socket, $longest);
        } finally {
            fclose($socket);
        }
        if ($answer === false || trim($answer) === '') {
            throw new DeviceLost("The {$device} has gone quiet. Check its cable and that it is on, or type the reading.");
        }

        return trim($answer);
    }
}
