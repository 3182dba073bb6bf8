<?php

declare(strict_types=1);

namespace App\Http\Controllers\Account;

use App\Http\Requests\AccountRules;
use App\Models\Painter;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * A forgotten password: a link by mail, and another one in its place.
 */
final class PasswordController
{
    public function forgot(Request $request): Response
    {
        return Inertia::render('sign-in/forgot', ['isSent' => $request->session()->get('reset-link-sent') === true]);
    }

    public function send(Request $request): RedirectResponse
    {
        $request->validate(['email' => ['required', 'string', 'email']]);
        // Whether there is such an account is nobody else's business: the answer is the same.
        Password::sendResetLink(['email' => $request->string('email')->lower()->value()]);

        return back()->with('reset-link-sent', true);
    }

    public function show(Request $request, string $token): Response
    {
        return Inertia::render('sign-in/reset', ['token' => $token, 'email' => is_string($request->query('email')) ? $request->query('email') : '']);
    }

    /** @throws ValidationException when the link is not, or no longer, right */
    public function reset(Request $request): RedirectResponse
    {
        $request->validate(['token' => ['required', 'string'], 'email' => ['required', 'string', 'email'], 'password' => AccountRules::password()]);
        $status = Password::reset(
            ['email' => $request->string('email')->lower()->value(), 'password' => $request->string('password')->value(), 'token' => $request->string('token')->value()],
            static function (Painter $painter, string $password): void {
                $painter->password = $password;
                $painter->setRememberToken(Str::random(60));
                $painter->save();
            },
        );
        if ($status !== Password::PASSWORD_RESET) {
            throw ValidationException::withMessages(['email' => 'This link was used or has expired. Ask for another one.']);
        }

        return redirect()->route('sign-in');
    }
}
