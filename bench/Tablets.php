<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

/** One server of several, as bin/serve serves it: pages alone, or the work beside them alone. */
final class Served
{
    public readonly int $port;

    private readonly Process $process;

    /** @param  array<string, string>  $env */
    public function __construct(string $folder, array $env, bool $isWork = false)
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $this->port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        // It never reaches beyond this machine, and all of it goes at once.
        $this->process = new Process(
            [
                'setsid', 'bin/serve', '--data', $folder, '--port', (string) $this->port, '--listen', '127.0.0.1', '--name', '127.0.0.1',
                '--plain', '--only', $isWork ? 'work' : 'pages',
            ],
            dirname(__DIR__), $env, null, null,
        );
        $this->process->start();
    }

    public function wait(): void
    {
        for ($i = 0; $i < 1200; $i++) {
            if (@file_get_contents("http://127.0.0.1:{$this->port}/up") !== false) {
                return;
            }
            $this->process->isRunning()
                || throw new RuntimeException('A server did not start: '.$this->process->getOutput().$this->process->getErrorOutput());
            usleep(100_000);
        }
        throw new RuntimeException('A server did not start: '.$this->process->getOutput().$this->process->getErrorOutput());
    }

    /** The plug is pulled: whatever belongs to it is gone at once. */
    public function kill(): void
    {
        // nginx and php-fpm have groups of their own.
        exec('pgrep -f '.escapeshellarg("{$this->folder()}/run/"), $masters);
        foreach ($masters as $master) {
            exec('ps -o pid= --ppid '.(int) $master, $children);
            array_map(static fn (string $one): bool => posix_kill((int) trim($one), SIGKILL), [...$children ?? [], $master]);
        }
        $this->process->isRunning() && posix_kill(-(int) $this->process->getPid(), SIGKILL);
    }

    public function stop(): void
    {
        if ($this->process->isRunning()) {
            $this->process->signal(SIGTERM);
            $this->process->stop(3.0);
        }
    }

    private function folder(): string
    {
        preg_match('/--data. .?([^\' ]+)/', $this->process->getCommandLine(), $said);

        return $said[1] ?? '';
    }
}

/** A tablet at a bench: what it shows of itself, and what it asks next. */
final class Tablet
{
    public string $cookies = '';

    public string $token = '';

    public float $frameAt = 0.0;

    public float $lookAt = 0.0;

    public float $stepAt = 0.0;

    public int $steps = 0;

    /** @param  int|null  $pour  the run it stands at; null where it shows the bench */
    public function __construct(
        public readonly int $shop,
        public readonly int $place,
        public readonly string $called,
        public readonly string $name,
        public readonly ?int $pour,
        public readonly bool $weighs,
    ) {}
}

/** All tablets of all shops, at two servers: each asks as often as its screen does, and goes to the other where one does not answer. */
final class Crowd
{
    /** As Frame.svelte and Run.svelte have it. */
    private const FRAME_S = 20.0;

    private const LOOK_S = 4.0;

    private const STEP_S = 8.0;

    /** @var array<string, true> keys of facts that were confirmed */
    private array $confirmed = [];

    private int $down = -1;

    /**
     * @param  list<Tablet>  $tablets
     * @param  list<Served>  $servers
     */
    public function __construct(private readonly array $tablets, private readonly array $servers) {}

    /** @return list<string> */
    public function confirmed(): array
    {
        return array_keys($this->confirmed);
    }

    public function comeIn(string $passphrase): void
    {
        foreach ($this->tablets as $tablet) {
            foreach ([
                ['GET', '/token', null],
                ['POST', '/sign-in', ['shop' => $tablet->called, 'name' => $tablet->name, 'passphrase' => $passphrase]],
            ] as [$method, $path, $body]) {
                $curl = $this->curl($tablet, $method, $path, $body, $tablet->place % 2);
                curl_setopt($curl, CURLOPT_HEADER, true);
                $answer = (string) curl_exec($curl);
                preg_match_all('/^Set-Cookie: ([^=]+)=([^;]*)/mi', $answer, $set);
                $kept = [];
                parse_str(strtr($tablet->cookies, ['; ' => '&', '%' => '%25']), $kept);
                foreach (array_combine($set[1], $set[2]) as $name => $value) {
                    $kept[$name] = $value;
                }
                $tablet->cookies = implode(
                    '; ', array_map(static fn (string $name, mixed $value): string => "{$name}={$value}", array_keys($kept), $kept),
                );
                $tablet->token = urldecode((string) ($kept['XSRF-TOKEN'] ?? ''));
            }
            $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
            $status === 302 && ! str_contains($answer, 'Location: http://127.0.0.1:'.$this->servers[$tablet->place % 2]->port.'/sign-in')
                || throw new RuntimeException("{$tablet->name} of {$tablet->called} was answered with {$status}: ".substr($answer, 0, 400));
            if ($tablet->weighs) {
                $run = $this->curl($tablet, 'POST', "/pours/{$tablet->pour}/run?edition=1", [], 0);
                $answer = (string) curl_exec($run);
                $status = curl_getinfo($run, CURLINFO_RESPONSE_CODE);
                in_array($status, [200, 201, 302], true) && ! str_contains($answer, '"error"')
                    || throw new RuntimeException("The run of {$tablet->called} was answered with {$status}: ".substr($answer, 0, 600));
            }
        }
    }

    /** @return array{look: list<float>, step: list<float>, refused: int, again: int} seconds from the first time of asking */
    public function work(float $seconds, bool $pulled = false): array
    {
        $took = ['look' => [], 'step' => [], 'refused' => 0, 'again' => 0];
        $began = microtime(true);
        foreach ($this->tablets as $tablet) {
            $tablet->frameAt = $began + self::FRAME_S * lcg_value();
            $tablet->lookAt = $began + self::LOOK_S * lcg_value();
            $tablet->stepAt = $began + self::STEP_S * lcg_value();
        }
        $multi = curl_multi_init();
        $open = [];
        $ask = function (
            Tablet $tablet,
            string $kind,
            string $method,
            string $path,
            ?array $body,
            string $key,
            float $first,
            int $at,
        ) use ($multi, &$open): void {
            $curl = $this->curl($tablet, $method, $path, $body, $at);
            curl_multi_add_handle($multi, $curl);
            $open[spl_object_id($curl)] = [$curl, $tablet, $kind, $method, $path, $body, $key, $first, $at];
        };
        while (microtime(true) < $began + $seconds || $open !== []) {
            $now = microtime(true);
            if ($now < $began + $seconds) {
                foreach ($this->tablets as $tablet) {
                    $at = $this->down === $tablet->place % 2 ? 1 - $this->down : $tablet->place % 2;
                    if ($tablet->frameAt <= $now) {
                        $tablet->frameAt += self::FRAME_S;
                        $ask($tablet, 'look', 'GET', '/frame', null, '', $now, $at);
                    }
                    if ($tablet->pour !== null && $tablet->lookAt <= $now) {
                        $tablet->lookAt += self::LOOK_S;
                        $ask($tablet, 'look', 'GET', "/pours/{$tablet->pour}/state", null, '', $now, $at);
                    }
                    if ($tablet->weighs && $tablet->stepAt <= $now) {
                        $tablet->stepAt += self::STEP_S;
                        $key = sprintf('many-%d-%d', $tablet->shop, ++$tablet->steps);
                        $ask(
                            $tablet, 'step', 'POST', "/pours/{$tablet->pour}/events",
                            ['key' => $key, 'kind' => 'noted', 'payload' => ['text' => "step {$tablet->steps}"]], $key, $now, $at,
                        );
                    }
                }
            }
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.02);
            while ($done = curl_multi_info_read($multi)) {
                [$curl, $tablet, $kind, $method, $path, $body, $key, $first, $at] = $open[spl_object_id($done['handle'])];
                unset($open[spl_object_id($curl)]);
                curl_multi_remove_handle($multi, $curl);
                $status = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
                if ($status === 0 && $pulled) {
                    // Nobody answers there any more: to the other, with the same key.
                    $this->down = $at;
                    $took['again']++;
                    $ask($tablet, $kind, $method, $path, $body, $key, $first, 1 - $at);

                    continue;
                }
                if ($status !== 200) {
                    $took['refused']++ < 5
                        && fprintf(
                            STDERR, "%s %s of %s was answered with %d: %s\n", $method, $path, $tablet->called, $status,
                            substr((string) curl_multi_getcontent($curl), 0, 200),
                        );

                    continue;
                }
                $took[$kind][] = microtime(true) - $first;
                $key === '' || $this->confirmed[$key] = true;
            }
        }
        curl_multi_close($multi);

        return $took;
    }

    /** @param  array<mixed>|null  $body */
    private function curl(Tablet $tablet, string $method, string $path, ?array $body, int $at): CurlHandle
    {
        $curl = curl_init("http://127.0.0.1:{$this->servers[$at]->port}{$path}");
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 30, CURLOPT_COOKIE => $tablet->cookies,
            // Each comes from an address of its own, as tablets do.
            CURLOPT_INTERFACE => sprintf('127.%d.%d.%d', 1 + $tablet->place, intdiv($tablet->shop, 250), 1 + $tablet->shop % 250),
            CURLOPT_HTTPHEADER => [
                'Accept: application/json', 'Content-Type: application/json', "X-XSRF-TOKEN: {$tablet->token}",
                'X-Press: '.bin2hex(random_bytes(12)),
            ],
        ]);
        $body === null || curl_setopt($curl, CURLOPT_POSTFIELDS, json_encode((object) $body));

        return $curl;
    }
}
