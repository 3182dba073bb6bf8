<?php

declare(strict_types=1);

namespace App\Actions\Account;

use App\Models\Account\Invitation;
use App\Models\Painter;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * One more painter. Whether anybody may, only the invited, or nobody, the installation says; the first painter of an empty one
 * may always, and owns it.
 */
final class SignUp
{
    public const DEMO_EMAIL = 'ines@hyalin.example';

    private const TRIES = 3;

    /** Days for which an invitation holds. */
    private const HOLDS = 14;

    public static function isOpen(?string $invitation): bool
    {
        return match (true) {
            self::isEmpty() => true,
            config('hyalin.sign_up') === 'open' => true,
            config('hyalin.sign_up') === 'invited' => $invitation !== null && Invitation::opened($invitation)->exists(),
            default => false,
        };
    }

    /** @throws ValidationException when nobody may sign up, or no longer with this invitation */
    public function __invoke(string $name, string $email, string $password, ?string $invitation): Painter
    {
        for ($try = 1; ; $try++) {
            try {
                return DB::transaction(static fn (): Painter => self::signedUp($name, $email, $password, $invitation));
            } catch (UniqueConstraintViolationException $e) {
                // Another was quicker with this address, or became the first painter: the constraints decide, and it is judged anew.
                if (Painter::query()->where('email', $email)->exists()) {
                    throw ValidationException::withMessages(['email' => 'There is an account with this e-mail already. Sign in instead.']);
                }
                if ($try === self::TRIES) {
                    throw $e;
                }
            }
        }
    }

    private static function signedUp(string $name, string $email, string $password, ?string $invitation): Painter
    {
        if (! self::isOpen($invitation)) {
            throw ValidationException::withMessages(['email' => $invitation === null ? 'Sign-up is closed here. Ask whoever runs this Hyalin for an invitation.' : 'This invitation was used or has expired. Ask for another one.']);
        }
        if ($invitation !== null) {
            Invitation::opened($invitation)->update(['used_at' => now()]);
        }
        $painter = new Painter(['name' => $name, 'email' => $email, 'password' => $password]);
        $painter->is_owner = ! Painter::query()->where('is_owner', true)->exists() && self::isEmpty();
        $painter->save();

        return $painter;
    }

    /** @return string what the invited painter needs: shown once, as only its hash is kept */
    public static function invite(Painter $owner): string
    {
        $token = Str::random(40);
        Invitation::query()->create(['painter_id' => $owner->id, 'token_hash' => hash('sha256', $token), 'expires_at' => now()->addDays(self::HOLDS)]);

        return $token;
    }

    /** @return bool whether nobody but the demo's painter is here */
    private static function isEmpty(): bool
    {
        return ! Painter::query()->where('email', '!=', self::DEMO_EMAIL)->exists();
    }
}
