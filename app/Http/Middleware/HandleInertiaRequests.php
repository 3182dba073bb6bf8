<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Props\Cups\OpenCupProps;
use App\Http\Props\Home\TrayItemProps;
use App\Http\Props\SettingsProps;
use App\Models\Painter;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Middleware;

final class HandleInertiaRequests extends Middleware
{
    protected $rootView = 'app';

    /** @return array<string, mixed> */
    public function share(Request $request): array
    {
        $painter = $request->user();

        return [
            ...parent::share($request),
            'painter' => $painter instanceof Painter ? $painter->name : null,
            'settings' => SettingsProps::of($painter instanceof Painter ? $painter : null),
            // The tray comes after the page that it stands under.
            'openCups' => Inertia::defer(fn (): array => $painter instanceof Painter ? OpenCupProps::of($painter) : [], 'tray'),
            'tray' => Inertia::defer(fn (): array => $painter instanceof Painter ? TrayItemProps::of($painter) : [], 'tray'),
        ];
    }
}
