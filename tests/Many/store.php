<?php

declare(strict_types=1);

// A stand-in for a store that speaks S3, in a folder: php -S 127.0.0.1:9000 tests/Many/store.php with STORE_FOLDER set. Signatures are not
// looked at. It knows what files need: put, get, head, delete, list, and a large file in parts.

$folder = (string) getenv('STORE_FOLDER');
[$path, $query] = [rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH)), $_GET];
[$bucket, $key] = [...explode('/', ltrim($path, '/'), 2), ''];
$method = (string) $_SERVER['REQUEST_METHOD'];
is_dir($folder) || mkdir($folder, 0700, true);
// Flat, whatever slashes a key has.
$file = static fn (string $key): string => "{$folder}/".rawurlencode($key);
$xml = static function (string $body, int $status = 200): never {
    http_response_code($status);
    header('Content-Type: application/xml');
    echo '<?xml version="1.0" encoding="UTF-8"?>', $body;
    exit;
};
$said = static fn (string $text): string => htmlspecialchars($text, ENT_XML1);
$missing = static fn (): never => $xml('<Error><Code>NoSuchKey</Code><Message>There is no such key.</Message></Error>', 404);
$body = static function (): string {
    $raw = (string) file_get_contents('php://input');
    if (! str_contains((string) ($_SERVER['HTTP_CONTENT_ENCODING'] ?? ''), 'aws-chunked')) {
        return $raw;
    }
    // Each piece is led by its length in hexadecimal digits.
    [$at, $whole] = [0, ''];
    while (preg_match('/\G([0-9a-f]+)[^\r]*\r\n/', $raw, $head, 0, $at) === 1 && ($bytes = hexdec($head[1])) > 0) {
        $whole .= substr($raw, $at + strlen($head[0]), (int) $bytes);
        $at += strlen($head[0]) + (int) $bytes + 2;
    }

    return $whole;
};

if ($key === '' && $method === 'GET') {
    [$prefix, $delimiter] = [(string) ($query['prefix'] ?? ''), (string) ($query['delimiter'] ?? '')];
    [$found, $folders] = ['', []];
    foreach (array_map(rawurldecode(...), array_diff(scandir($folder) ?: [], ['.', '..'])) as $one) {
        if (! str_starts_with($one, $prefix)) {
            continue;
        }
        $cut = $delimiter === '' ? false : strpos($one, $delimiter, strlen($prefix));
        if ($cut !== false) {
            $folders[substr($one, 0, $cut + 1)] = true;

            continue;
        }
        $found .= '<Contents><Key>'.$said($one).'</Key><LastModified>'.gmdate(
            'Y-m-d\TH:i:s.000\Z', (int) filemtime($file($one)),
        ).'</LastModified><Size>'.filesize($file($one)).'</Size></Contents>';
    }
    foreach (array_keys($folders) as $one) {
        $found .= '<CommonPrefixes><Prefix>'.$said((string) $one).'</Prefix></CommonPrefixes>';
    }
    $xml("<ListBucketResult><Name>{$said($bucket)}</Name><IsTruncated>false</IsTruncated>{$found}</ListBucketResult>");
}
if ($method === 'POST' && isset($query['delete'])) {
    preg_match_all('#<Key>(.*?)</Key>#', $body(), $keys);
    array_map(static fn (string $one): bool => @unlink($file(htmlspecialchars_decode($one, ENT_XML1))), $keys[1]);
    $xml('<DeleteResult/>');
}
if ($method === 'POST' && isset($query['uploads'])) {
    $xml(
        "<InitiateMultipartUploadResult><Bucket>{$said($bucket)}</Bucket><Key>{$said($key)}</Key><UploadId>".bin2hex(
            random_bytes(8),
        ).'</UploadId></InitiateMultipartUploadResult>',
    );
}
if ($method === 'POST' && isset($query['uploadId'])) {
    $parts = glob("{$folder}/.part-{$query['uploadId']}-*") ?: [];
    natsort($parts);
    $whole = fopen($file($key), 'wb');
    foreach ($parts as $part) {
        fwrite($whole ?: exit, (string) file_get_contents($part));
        unlink($part);
    }
    $xml("<CompleteMultipartUploadResult><Key>{$said($key)}</Key><ETag>whole</ETag></CompleteMultipartUploadResult>");
}
if ($method === 'PUT') {
    file_put_contents(isset($query['uploadId']) ? "{$folder}/.part-{$query['uploadId']}-{$query['partNumber']}" : $file($key), $body());
    header('ETag: "of-it"');
    exit;
}
if ($method === 'DELETE') {
    @unlink($file($key));
    http_response_code(204);
    exit;
}
is_file($file($key)) || $missing();
header('Content-Length: '.filesize($file($key)));
header('Last-Modified: '.gmdate('D, d M Y H:i:s', (int) filemtime($file($key))).' GMT');
header('Content-Type: application/octet-stream');
$method === 'HEAD' || readfile($file($key));
