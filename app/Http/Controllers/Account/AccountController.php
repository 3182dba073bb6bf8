<?php

declare(strict_types=1);

namespace App\Http\Controllers\Account;

use App\Actions\Account\DeleteAccount;
use App\Actions\Account\SignUp;
use App\Http\Props\SetAsideProps;
use App\Http\Requests\AccountRules;
use App\Models\Painter;
use App\Models\SetAsideEdit;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * The painter's own account.
 */
final class AccountController
{
    public function show(#[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('account/index', [
            'account' => ['name' => $painter->name, 'email' => $painter->email, 'isOwner' => $painter->is_owner, 'figures' => $painter->figures()->count()],
            'setAside' => static fn (): array => array_values(SetAsideEdit::query()->where('painter_id', $painter->id)->orderByDesc('id')->limit(50)->get()->map(SetAsideProps::of(...))->all()),
        ]);
    }

    /** How things are written for this painter. */
    public function settings(Request $request, #[CurrentUser] Painter $painter): RedirectResponse
    {
        $request->validate([
            'clockHours' => ['nullable', Rule::in([12, 24])],
            'firstWeekday' => ['required', Rule::in([1, 6, 7])],
            'length' => ['sometimes', Rule::in(['mm', 'in'])],
            'volume' => ['sometimes', Rule::in(['mL', 'drops'])],
        ]);
        $painter->update([
            'clock_hours' => $request->filled('clockHours') ? $request->integer('clockHours') : null,
            'first_weekday' => $request->integer('firstWeekday'),
            'length_unit' => $request->string('length', $painter->length_unit)->value(),
            'volume_unit' => $request->string('volume', $painter->volume_unit)->value(),
        ]);

        return back();
    }

    /** What was kept when two windows changed the same; nobody needs it any more. */
    public function forget(SetAsideEdit $setAside): RedirectResponse
    {
        $setAside->delete();

        return back();
    }

    public function update(Request $request, #[CurrentUser] Painter $painter): RedirectResponse
    {
        AccountRules::lowerEmail($request);
        $request->validate([
            'name' => AccountRules::NAME,
            'email' => [...AccountRules::EMAIL, Rule::unique('painters', 'email')->ignore($painter->id)],
        ]);
        if ($request->string('email')->value() !== $painter->email) {
            self::notTheDemo($painter, 'email');
        }
        $painter->update(['name' => $request->string('name')->value(), 'email' => $request->string('email')->value()]);

        return back();
    }

    /** Another password signs out everywhere but here. */
    public function password(Request $request, #[CurrentUser] Painter $painter): RedirectResponse
    {
        $request->validate(['current' => ['bail', 'required', 'string', 'current_password'], 'password' => AccountRules::password()]);
        $painter->update(['password' => $request->string('password')->value()]);
        Auth::logoutOtherDevices($request->string('password')->value());

        return back();
    }

    public function signOutElsewhere(Request $request): RedirectResponse
    {
        $request->validate(['current' => ['bail', 'required', 'string', 'current_password']]);
        Auth::logoutOtherDevices($request->string('current')->value());

        return back();
    }

    /** Makes a link for one more painter. Only the owner of the installation may. */
    public function invite(#[CurrentUser] Painter $painter): JsonResponse
    {
        abort_unless($painter->is_owner, 403);

        return new JsonResponse(['url' => route('sign-up', ['invitation' => SignUp::invite($painter)])]);
    }

    public function destroy(Request $request, DeleteAccount $delete, #[CurrentUser] Painter $painter): RedirectResponse
    {
        $request->validate(['current' => ['bail', 'required', 'string', 'current_password'], 'heir' => ['nullable', 'email']]);
        self::notTheDemo($painter, 'current');
        $farewell = $delete($painter, $request->filled('heir') ? $request->string('heir')->trim()->value() : null);
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in', ['farewell' => $farewell]);
    }

    /** The bench of a painter who has left: who has its name may fetch it, for a week. */
    public function farewell(string $file): StreamedResponse
    {
        $path = DeleteAccount::FAREWELLS."/{$file}";
        abort_unless(Storage::disk('local')->exists($path), 404);

        return Storage::disk('local')->download($path, 'hyalin-farewell.zip');
    }

    /** @throws ValidationException for the demo's painter, whom the one-press entry must find */
    private static function notTheDemo(Painter $painter, string $field): void
    {
        if (config('hyalin.demo') === true && $painter->email === SignUp::DEMO_EMAIL) {
            throw ValidationException::withMessages([$field => 'The painter of the demo stays as she is. Create an account of your own.']);
        }
    }
}
