<?php

declare(strict_types=1);

namespace App\Http\Controllers\Account;

use App\Actions\Account\SignUp;
use App\Http\Requests\AccountRules;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The door for a new painter.
 */
final class SignUpController
{
    public function show(Request $request): Response
    {
        $invitation = is_string($request->query('invitation')) ? $request->query('invitation') : null;

        return Inertia::render('sign-in/sign-up', ['invitation' => $invitation, 'isOpen' => SignUp::isOpen($invitation)]);
    }

    public function store(Request $request, SignUp $signUp): RedirectResponse
    {
        AccountRules::lowerEmail($request);
        $request->validate([
            'name' => AccountRules::NAME,
            'email' => [...AccountRules::EMAIL, 'unique:painters,email'],
            'password' => AccountRules::password(),
            'invitation' => ['nullable', 'string', 'max:80'],
        ]);
        $painter = $signUp(
            $request->string('name')->value(),
            $request->string('email')->value(),
            $request->string('password')->value(),
            $request->filled('invitation') ? $request->string('invitation')->value() : null,
        );
        Auth::login($painter);
        $request->session()->regenerate();

        return redirect()->route('home');
    }
}
