<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Props\Home\HomePageProps;
use App\Http\Props\Home\TonightProps;
use App\Models\Painter;
use Illuminate\Container\Attributes\CurrentUser;
use Inertia\Inertia;
use Inertia\Response;

/**
 * Home: what is in work, and what comes next for each.
 */
final class HomeController
{
    public function __invoke(#[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('home/index', [
            'page' => static fn () => HomePageProps::of($painter),
            'tonight' => Inertia::defer(static fn (): TonightProps => TonightProps::of($painter), 'tonight'),
        ]);
    }
}
