<?php

declare(strict_types=1);

return [
    // Shows the demo painter's credentials and a one-press entry on the sign-in page.
    'demo' => (bool) env('HYALIN_DEMO', false),

    // Names, by commas, that it answers to besides that of APP_URL and the machine's own.
    'hosts' => (string) env('HYALIN_HOSTS', ''),

    // 1 sculpts the demo's figures as finely as they are shown; 3 gives a ninth of the triangles, for tests.
    'demo_coarser' => (float) env('HYALIN_DEMO_COARSER', 1),

    // 1 finds light on a print of few facets as finely as on any; 3 on a ninth of the triangles, for tests.
    'light_coarser' => (float) env('HYALIN_LIGHT_COARSER', 1),

    // 1 puts in the queue what takes more than about a second; 0 all that may, for tests.
    'patience' => (float) env('HYALIN_PATIENCE', 1),

    // Who may make an account: open, invited or closed. The first painter of an empty installation always may, and owns it.
    'sign_up' => env('HYALIN_SIGN_UP', env('HYALIN_DEMO', false) ? 'open' : 'closed'),

    // Tries with one name a minute; twice as many from one address.
    'sign_ins_a_minute' => (int) env('HYALIN_SIGN_INS_A_MINUTE', 5),

    'uploads' => [
        'max_bytes' => 12 * 1024 * 1024,
        // Checked before the picture is decoded: a decoded pixel takes 4 bytes.
        'max_pixels' => 24_000_000,
        // Longer side of what is kept; samples are averages over many pixels.
        'kept_side' => 1600,
        // Longer side of a neutralised picture as it is shown; colours are taken from the kept one.
        'shown_side' => 1200,
    ],

    // Mix searches up to this many mixes are run to their end at once; larger ones on request, in the queue.
    'prove_at_once' => 60_000,

    // Written by hyalin:backup without a file, and every night where the schedule runs (bin/serve).
    'backups' => [
        'folder' => env('HYALIN_BACKUPS', storage_path('backups')),
        'keep' => (int) env('HYALIN_BACKUPS_KEPT', 14),
        'at' => env('HYALIN_BACKUP_AT', '03:30'),
    ],
];
