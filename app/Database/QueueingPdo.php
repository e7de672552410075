<?php

declare(strict_types=1);

namespace App\Database;

use PDO;

/**
 * SQLite for several writers: a transaction takes its turn when it begins, and waits for it, instead of failing half way when
 * what it read has been written by another meanwhile. (The framework's own setting for this needs PHP 8.4.)
 */
final class QueueingPdo extends PDO
{
    private bool $isOpen = false;

    public function beginTransaction(): bool
    {
        $this->exec('BEGIN IMMEDIATE');

        return $this->isOpen = true;
    }

    public function commit(): bool
    {
        $this->exec('COMMIT');
        $this->isOpen = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->isOpen = false;
        $this->exec('ROLLBACK');

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->isOpen;
    }
}
