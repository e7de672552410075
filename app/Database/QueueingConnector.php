<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connectors\SQLiteConnector;
use PDO;

/** Opens SQLite so that writers queue, and so that an Ü is the capital of an ü. */
final class QueueingConnector extends SQLiteConnector
{
    /**
     * @param  string  $dsn
     * @param  string|null  $username
     * @param  string|null  $password
     * @param  array<int, mixed>  $options
     */
    protected function createPdoConnection($dsn, $username, #[\SensitiveParameter] $password, $options): PDO
    {
        $pdo = new QueueingPdo($dsn, $username, $password, $options);
        // Its own knows no capitals but those of English.
        $pdo->sqliteCreateFunction(
            'lower', static fn (?string $text): ?string => $text === null ? null : mb_strtolower($text), 1, PDO::SQLITE_DETERMINISTIC,
        );

        return $pdo;
    }
}
