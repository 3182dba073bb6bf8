<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Props\Cups\OpenCupProps;
use App\Http\Props\Home\TrayItemProps;
use App\Models\Painter;
use Illuminate\Http\Request;
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
            'openCups' => fn (): array => $painter instanceof Painter ? OpenCupProps::of($painter) : [],
            'tray' => fn (): array => $painter instanceof Painter ? TrayItemProps::of($painter) : [],
        ];
    }
}
