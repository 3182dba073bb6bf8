<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Account\SignUp;
use App\Models\Painter;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

final class SignInController
{
    public const DEMO_EMAIL = SignUp::DEMO_EMAIL;

    /** No secret: it is shown on the sign-in page of the demo, and exists nowhere else. */
    public const DEMO_PASSWORD = 'the lamp is lit';

    public function show(): Response
    {
        return Inertia::render('sign-in/index', [
            'demo' => static fn () => config('hyalin.demo') === true
                ? ['email' => self::DEMO_EMAIL, 'password' => self::DEMO_PASSWORD]
                : null,
            'canSignUp' => static fn (): bool => SignUp::isOpen(null),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $request->validate(['email' => ['required', 'string'], 'password' => ['required', 'string']]);
        $known = Auth::attempt([
            'email' => $request->string('email')->lower()->value(),
            'password' => $request->string('password')->value(),
        ], $request->boolean('remember'));
        if ($known && $this->isClosedDemo($request)) {
            Auth::logout();
            $known = false;
        }
        if (! $known) {
            throw ValidationException::withMessages(['email' => 'This e-mail and password do not match.']);
        }
        $request->session()->regenerate();

        return redirect()->intended(route('home', absolute: false));
    }

    /** With the demo switched off its published password opens nothing, also where its painter is still there. */
    private function isClosedDemo(Request $request): bool
    {
        return config('hyalin.demo') !== true && $request->string('email')->lower()->value() === self::DEMO_EMAIL && $request->string('password')->value() === self::DEMO_PASSWORD;
    }

    /** One-press entry of the demo. */
    public function demo(Request $request): RedirectResponse
    {
        abort_unless(config('hyalin.demo') === true, 404);
        Auth::login(Painter::query()->where('email', self::DEMO_EMAIL)->firstOrFail());
        $request->session()->regenerate();

        return redirect()->route('home');
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }
}
