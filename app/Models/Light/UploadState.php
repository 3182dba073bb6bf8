<?php

declare(strict_types=1);

namespace App\Models\Light;

enum UploadState: string
{
    case Sending = 'sending';
    case Reading = 'reading';
    /** Its content is on the figure already: the painter says whether it is meant twice. */
    case Known = 'known';
    case Done = 'done';
    case Failed = 'failed';
}
