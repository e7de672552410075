<?php

declare(strict_types=1);

namespace Tests\Attack;

use CurlHandle;
use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A bench with a database of its own, served by several workers, to be attacked: killed, stormed, fed with nonsense. */
final class Bench
{
    private const WORKERS = 4;

    public readonly string $folder;

    public readonly string $address;

    /** @var resource|null */
    private $server;

    private string $cookies = '';

    private string $token = '';

    /** @param  bool  $isLivedIn  with the demo's shop in it; else nobody has been there yet */
    public function __construct(bool $isLivedIn = true)
    {
        $this->folder = sys_get_temp_dir().'/apalos-attack-'.bin2hex(random_bytes(5));
        foreach (['framework/cache/data', 'framework/sessions', 'framework/views', 'logs', 'app'] as $sub) {
            mkdir("{$this->folder}/storage/{$sub}", 0700, true);
        }
        touch("{$this->folder}/shop.sqlite");
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $this->address = (string) stream_socket_get_name($socket, false);
        fclose($socket);
        foreach ([['migrate', '--force'], ...$isLivedIn ? [['db:seed', '--force']] : []] as $command) {
            (
                new Process(
                    [PHP_BINARY, '-d', 'variables_order=EGPCS', 'artisan', ...$command], self::root(), $this->environment(), null, 300.0,
                )
            )->mustRun();
        }
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'APP_ENV' => 'production', 'APP_DEBUG' => 'false', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY=',
            'APP_URL' => "http://{$this->address}",
            'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$this->folder}/shop.sqlite",
            'LARAVEL_STORAGE_PATH' => "{$this->folder}/storage", 'QUEUE_CONNECTION' => 'sync',
            'SCALE_ADDRESS' => '', 'THERMOMETER_ADDRESS' => '', 'PROBE_ADDRESS' => '', 'LABELS_ADDRESS' => '',
            'DEVICES_SIMULATED' => 'false', 'API_A_MINUTE' => '100000000', 'PHP_CLI_SERVER_WORKERS' => (string) self::WORKERS,
        ];
    }

    public function start(): void
    {
        $command = [
            'setsid', PHP_BINARY, '-d', 'variables_order=EGPCS', '-d', 'opcache.enable_cli=1', '-d', 'memory_limit=512M', '-d',
            'post_max_size=10M', '-S', $this->address, self::root().'/bin/router.php',
        ];
        $this->server = proc_open(
            $command, [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes, self::root().'/public',
            [...getenv(), ...$this->environment()],
        ) ?: null;
        for ($i = 0; $i < 200; $i++) {
            if ($this->send('GET', '/up')['status'] === 200) {
                $this->signIn();

                return;
            }
            usleep(25_000);
        }
        throw new RuntimeException('The bench did not start.');
    }

    /** The plug is pulled: all processes of it at once. */
    public function kill(): void
    {
        if ($this->server !== null) {
            posix_kill(-proc_get_status($this->server)['pid'], SIGKILL);
            proc_close($this->server);
            $this->server = null;
        }
    }

    public function close(): void
    {
        $this->kill();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function database(): PDO
    {
        return new PDO("sqlite:{$this->folder}/shop.sqlite", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
    }

    private function signIn(): void
    {
        $curl = $this->prepared('GET', '/token', null, []);
        curl_setopt($curl, CURLOPT_HEADER, true);
        preg_match_all('/^Set-Cookie: ([^=]+)=([^;]+)/mi', (string) curl_exec($curl), $set);
        $cookies = array_combine($set[1], $set[2]);
        $this->token = urldecode($cookies['XSRF-TOKEN'] ?? '');
        $this->cookies = implode(
            '; ', array_map(static fn (string $name, string $value): string => "{$name}={$value}", array_keys($cookies), $cookies),
        );
    }

    /**
     * @param  array<mixed>|string|null  $body  as JSON; a string as it is
     * @param  list<string>  $headers
     * @return array{status: int, body: string, s: float}
     */
    public function send(string $method, string $path, array|string|null $body = null, array $headers = []): array
    {
        return $this->atOnce([[$method, $path, $body, $headers]], 1)[0];
    }

    /**
     * @param  list<array{0: string, 1: string, 2?: array<mixed>|string|null, 3?: list<string>}>  $requests
     * @return list<array{status: int, body: string, s: float}> in their order
     */
    public function atOnce(array $requests, int $together): array
    {
        $multi = curl_multi_init();
        [$answers, $open, $next] = [[], [], 0];
        do {
            while (count($open) < $together && $next < count($requests)) {
                $curl = $this->prepared($requests[$next][0], $requests[$next][1], $requests[$next][2] ?? null, $requests[$next][3] ?? []);
                $open[spl_object_id($curl)] = [$next++, $curl];
                curl_multi_add_handle($multi, $curl);
            }
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
            while ($done = curl_multi_info_read($multi)) {
                $curl = $done['handle'];
                [$which] = $open[spl_object_id($curl)];
                $answers[$which] = [
                    'status' => (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE), 'body' => (string) curl_multi_getcontent($curl),
                    's' => (float) curl_getinfo($curl, CURLINFO_TOTAL_TIME),
                ];
                curl_multi_remove_handle($multi, $curl);
                unset($open[spl_object_id($curl)]);
            }
        } while ($open !== [] || $next < count($requests));
        ksort($answers);

        return array_values($answers);
    }

    /**
     * Every press has a key of its own, but where it is said to be one that was made before.
     *
     * @param  list<string>  $headers
     * @return list<string>
     */
    private static function press(string $method, array $headers): array
    {
        $isSaid = array_filter($headers, static fn (string $header): bool => str_starts_with($header, 'X-Press')) !== [];

        return $method === 'POST' && ! $isSaid ? ['X-Press: '.bin2hex(random_bytes(12))] : [];
    }

    /**
     * @param  array<mixed>|string|null  $body
     * @param  list<string>  $headers
     */
    private function prepared(string $method, string $path, array|string|null $body, array $headers): CurlHandle
    {
        $curl = curl_init("http://{$this->address}{$path}");
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 60, CURLOPT_COOKIE => $this->cookies,
            CURLOPT_PATH_AS_IS => true,
            CURLOPT_HTTPHEADER => [
                "X-XSRF-TOKEN: {$this->token}", ...self::press($method, $headers),
                ...($headers === [] ? ['Accept: application/json', 'Content-Type: application/json'] : $headers),
            ],
        ]);
        if ($body !== null) {
            curl_setopt(
                $curl, CURLOPT_POSTFIELDS,
                is_string($body) ? $body : json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            );
        }

        return $curl;
    }
}
