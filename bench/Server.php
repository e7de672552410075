<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

/** Apalos, or something to hold beside it, served over a database of its own as it is in a workshop: production, with opcache. */
final class Server
{
    private readonly Process $process;

    private readonly string $address;

    private readonly \CurlHandle $curl;

    public function __construct(string $database, string $folder, ?string $router = null)
    {
        $this->address = '127.0.0.1:'.self::freePort();
        $root = dirname(__DIR__);
        $cache = $folder.'/'.basename($database).($router === null ? '' : '-empty');
        $env = [
            'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $database, 'APP_ENV' => 'production', 'APP_DEBUG' => 'false',
            'APP_URL' => "http://{$this->address}",
            'SCALE_ADDRESS' => '', 'THERMOMETER_ADDRESS' => '', 'PROBE_ADDRESS' => '', 'DEVICES_SIMULATED' => 'false',
            'CACHE_STORE' => 'file', 'LOG_CHANNEL' => 'null', 'SESSION_DRIVER' => 'file',
            // What one keeps at hand must not push out what the other does.
            'LARAVEL_STORAGE_PATH' => "{$cache}-storage", 'APP_CONFIG_CACHE' => "{$cache}-config.php",
            'APP_ROUTES_CACHE' => "{$cache}-routes.php",
        ];
        foreach (['framework/cache/data', 'framework/sessions', 'framework/views', 'logs'] as $sub) {
            is_dir("{$cache}-storage/{$sub}") || mkdir("{$cache}-storage/{$sub}", 0700, true);
        }
        (new Process([PHP_BINARY, '-d', 'variables_order=EGPCS', 'artisan', 'config:cache'], $root, $env))->mustRun();
        $router !== null || (new Process([PHP_BINARY, '-d', 'variables_order=EGPCS', 'artisan', 'route:cache'], $root, $env))->mustRun();
        $this->process = new Process(
            [
                PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.validate_timestamps=0', '-d', 'memory_limit=1G', '-d',
                'variables_order=EGPCS',
                '-S', $this->address, $router ?? "{$root}/bench/router.php",
            ],
            "{$root}/public",
            $env,
            null, null,
        );
        $this->process->disableOutput();
        $this->process->start();
        $this->curl = curl_init();
        curl_setopt_array($this->curl, [
            CURLOPT_RETURNTRANSFER => true, CURLOPT_HEADER => true, CURLOPT_TIMEOUT => 120, CURLOPT_COOKIEFILE => '',
        ]);
        for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', (int) substr($this->address, 10)) === false; $i++) {
            usleep(50_000);
        }
    }

    /** @return array{ms: float, bytes: int, peak: int} */
    public function get(string $path): array
    {
        curl_setopt($this->curl, CURLOPT_URL, "http://{$this->address}{$path}");
        $begun = hrtime(true);
        $answer = (string) curl_exec($this->curl);
        $ms = (hrtime(true) - $begun) / 1e6;
        $status = curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE);
        if ($status !== 200) {
            throw new RuntimeException("{$path} answered {$status} after {$ms} ms: ".substr($answer, 0, 400));
        }
        preg_match('/^X-Peak: (\d+)/mi', $answer, $peak);

        return ['ms' => $ms, 'bytes' => (int) curl_getinfo($this->curl, CURLINFO_SIZE_DOWNLOAD_T), 'peak' => (int) ($peak[1] ?? 0)];
    }

    public function stop(): void
    {
        $this->process->stop(2.0);
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $name = $socket === false ? '' : (string) stream_socket_get_name($socket, false);
        $socket === false || fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }
}
