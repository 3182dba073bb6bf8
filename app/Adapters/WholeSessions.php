<?php

declare(strict_types=1);

namespace App\Adapters;

use Illuminate\Session\FileSessionHandler;

/**
 * Sessions as files that are replaced whole: a kill while one is written leaves the one before, and nobody is signed out.
 */
final class WholeSessions extends FileSessionHandler
{
    public function write($sessionId, $data): bool
    {
        $this->files->replace("{$this->path}/{$sessionId}", $data);

        return true;
    }
}
