<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\Request;
use Illuminate\Validation\Rules\Password;

/**
 * Rules for the name, the address and the password of a painter.
 */
final class AccountRules
{
    public const NAME = ['required', 'string', 'max:80'];

    public const EMAIL = ['required', 'string', 'email', 'max:255'];

    /** @return list<mixed> ten characters at least */
    public static function password(): array
    {
        return ['required', 'string', Password::min(10), 'max:200'];
    }

    /** An address is kept in small letters: it is the same painter however it is typed. */
    public static function lowerEmail(Request $request): void
    {
        if (is_string($request->input('email'))) {
            $request->merge(['email' => mb_strtolower(trim($request->string('email')->value()))]);
        }
    }
}
