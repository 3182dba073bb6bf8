<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\SQLiteConnection;
use Throwable;

/**
 * Laravel honours the 'transaction_mode' of a SQLite connection only from PHP 8.4 on. Before that PDO begins deferred
 * transactions: one that reads and then writes fails at once with "database is locked" (the busy timeout does not
 * apply) if another connection wrote in between.
 */
final class ImmediateSQLiteConnection extends SQLiteConnection
{
    protected function executeBeginTransactionStatement(): void
    {
        $pdo = $this->getPdo();
        $pdo->beginTransaction();

        if ($this->getConfig('transaction_mode') !== 'IMMEDIATE') {
            return;
        }

        try {
            $pdo->exec('COMMIT; BEGIN IMMEDIATE');
        } catch (Throwable $e) {
            $pdo->exec('BEGIN');
            $pdo->rollBack();

            throw $e;
        }
    }
}
