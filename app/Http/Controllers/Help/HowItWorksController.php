<?php

declare(strict_types=1);

namespace App\Http\Controllers\Help;

use App\Http\Controllers\SignInController;
use App\Http\Props\Help\ModelPartProps;
use App\Http\Props\Help\SampleTaskProps;
use App\Models\Painter;
use Illuminate\Container\Attributes\CurrentUser;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The model in pictures, computed by itself.
 */
final class HowItWorksController
{
    public function show(#[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('help/how-it-works', ['parts' => ModelPartProps::all(...), 'tasks' => static fn () => $painter->email === SignInController::DEMO_EMAIL ? SampleTaskProps::allOf($painter) : []]);
    }
}
