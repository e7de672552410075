<?php

declare(strict_types=1);

// For PHP's own server: what was packed when the interface was built is sent packed and kept by the browser for a year, since its
// name changes with it; everything else is Apalos. (In a workshop nginx does the same; see docs/deploy.md.)

// More than any photo or file: not even read, as nginx would have it.
if ((int) ($_SERVER['CONTENT_LENGTH'] ?? 0) > 10 * 1024 * 1024) {
    http_response_code(413);
    header('Content-Type: application/json');
    echo json_encode(['error' => ['field' => '', 'message' => 'That is more than fits: 10 MB are the most.']]);

    return true;
}

$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
$public = dirname(__DIR__).'/public';
if (preg_match('#^/build/assets/[\w.-]+\.(js|css|woff2|svg)$#', $path, $kind) === 1 && is_file($public.$path)) {
    $types = ['js' => 'text/javascript', 'css' => 'text/css', 'woff2' => 'font/woff2', 'svg' => 'image/svg+xml'];
    header("Content-Type: {$types[$kind[1]]}");
    header('Cache-Control: public, max-age=31536000, immutable');
    header('X-Content-Type-Options: nosniff');
    header('Vary: Accept-Encoding');
    header_remove('X-Powered-By');
    $accepts = (string) ($_SERVER['HTTP_ACCEPT_ENCODING'] ?? '');
    foreach (['br' => 'br', 'gzip' => 'gz'] as $encoding => $ending) {
        if (str_contains($accepts, $encoding) && is_file("{$public}{$path}.{$ending}")) {
            header("Content-Encoding: {$encoding}");
            $path .= ".{$ending}";
            break;
        }
    }
    header('Content-Length: '.filesize($public.$path));
    readfile($public.$path);

    return true;
}

return require dirname(__DIR__).'/vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php';
