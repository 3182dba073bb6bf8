<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Account\DeleteAccount;
use App\Http\Controllers\SignInController;
use App\Http\KnownHosts;
use App\Models\Account\Invitation;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Illuminate\Auth\Notifications\ResetPassword;
use Illuminate\Database\Events\TransactionRolledBack;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Notification;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use PDOException;

/**
 * Painters come in, change how they come in, and leave.
 */
final class AccountTest extends TestCase
{
    private const OWN = ['name' => 'Oda', 'email' => ' Oda@Example.com', 'password' => 'ten letters or more'];

    protected function setUp(): void
    {
        parent::setUp();
        config(['hyalin.sign_ins_a_minute' => 100]);
    }

    public function test_the_clock_and_the_week_are_the_painters_own(): void
    {
        $this->get('/account')->assertInertia(fn (AssertableInertia $page) => $page->where('settings', ['clockHours' => null, 'firstWeekday' => 1, 'length' => 'mm', 'volume' => 'mL']));
        $this->put('/account/settings', ['clockHours' => 12, 'firstWeekday' => 7, 'length' => 'in', 'volume' => 'drops'])->assertSessionHasNoErrors();
        $this->get('/shelf')->assertInertia(fn (AssertableInertia $page) => $page->where('settings', ['clockHours' => 12, 'firstWeekday' => 7, 'length' => 'in', 'volume' => 'drops']));
        $this->put('/account/settings', ['clockHours' => null, 'firstWeekday' => 6])->assertSessionHasNoErrors();
        self::assertSame([null, 'in'], [$this->painter->refresh()->clock_hours, $this->painter->length_unit]);
        $this->put('/account/settings', ['clockHours' => 13, 'firstWeekday' => 2, 'length' => 'cubit', 'volume' => 'gill'])->assertSessionHasErrors(['clockHours', 'firstWeekday', 'length', 'volume']);
    }

    public function test_the_first_painter_of_an_empty_installation_owns_it_and_invites_the_next(): void
    {
        $this->leave();
        Painter::query()->delete();
        Painter::factory()->create(['email' => SignInController::DEMO_EMAIL]);
        config(['hyalin.sign_up' => 'closed']);
        $this->get('/sign-up')->assertInertia(fn (AssertableInertia $page) => $page->component('sign-in/sign-up')->where('isOpen', true));
        foreach ([['password' => 'short'], ['email' => 'nobody'], ['email' => ['a@example.com']], ['name' => '']] as $wrong) {
            $this->post('/sign-up', [...self::OWN, ...$wrong])->assertSessionHasErrors(array_keys($wrong)[0]);
        }
        $this->post('/sign-up', self::OWN)->assertRedirect('/');
        $oda = Painter::query()->where('email', 'oda@example.com')->sole();
        $this->assertAuthenticatedAs($oda);
        self::assertTrue($oda->is_owner);
        $link = $this->postJson('/account/invitations')->assertOk()->json('url');
        self::assertIsString($link);
        // Closed it stays closed, also with an invitation; for the invited it opens once.
        $this->leave();
        $next = [...self::OWN, 'email' => 'per@example.com', 'invitation' => substr($link, (int) strpos($link, '=') + 1)];
        $this->post('/sign-up', [...$next, 'invitation' => null])->assertSessionHasErrors('email');
        $this->post('/sign-up', $next)->assertSessionHasErrors('email');
        config(['hyalin.sign_up' => 'invited']);
        $this->get($link)->assertInertia(fn (AssertableInertia $page) => $page->where('isOpen', true));
        $this->travel(15)->days();
        $this->post('/sign-up', $next)->assertSessionHasErrors('email');
        $this->travelBack();
        $this->post('/sign-up', $next)->assertRedirect('/');
        $per = Painter::query()->where('email', 'per@example.com')->sole();
        self::assertSame([false, 1], [$per->is_owner, Invitation::query()->whereNotNull('used_at')->count()]);
        $this->postJson('/account/invitations')->assertForbidden();
        $this->leave();
        $this->post('/sign-up', [...$next, 'email' => 'liv@example.com'])->assertSessionHasErrors('email');
        config(['hyalin.sign_up' => 'open']);
        $this->post('/sign-up', [...$next, 'email' => 'per@example.com'])->assertSessionHasErrors('email');
        $this->post('/sign-up', [...self::OWN, 'email' => 'liv@example.com'])->assertRedirect('/');
    }

    public function test_a_forgotten_password_is_replaced_by_a_link_that_works_once(): void
    {
        $this->leave();
        Notification::fake();
        $this->get('/forgot-password')->assertOk();
        // Nobody is told who has an account.
        foreach (['nobody@example.com', strtoupper($this->painter->email)] as $email) {
            $this->from('/forgot-password')->post('/forgot-password', ['email' => $email])->assertRedirect('/forgot-password')->assertSessionHas('reset-link-sent', true);
        }
        $token = '';
        Notification::assertSentToTimes($this->painter, ResetPassword::class, 1);
        Notification::assertSentTo($this->painter, ResetPassword::class, static function (ResetPassword $sent) use (&$token): bool {
            $token = is_string($sent->token) ? $sent->token : '';

            return $token !== '';
        });
        $this->get("/reset-password/{$token}?email={$this->painter->email}")->assertOk();
        $own = ['token' => $token, 'email' => $this->painter->email, 'password' => 'quite another one'];
        $this->post('/reset-password', [...$own, 'token' => 'wrong'])->assertSessionHasErrors('email');
        $this->post('/reset-password', [...$own, 'password' => 'short'])->assertSessionHasErrors('password');
        $this->post('/reset-password', $own)->assertRedirect('/sign-in');
        $this->post('/reset-password', $own)->assertSessionHasErrors('email');
        $this->post('/sign-in', ['email' => $this->painter->email, 'password' => 'quite another one'])->assertRedirect('/');
    }

    public function test_name_and_password_are_changed_and_an_account_is_deleted_with_everything_of_it(): void
    {
        $painter = $this->painter;
        $painter->update(['password' => 'the present one']);
        $this->leave();
        $this->post('/sign-in', ['email' => $painter->email, 'password' => 'the present one'])->assertRedirect('/');
        $other = Painter::factory()->create();
        $this->get('/account')->assertInertia(fn (AssertableInertia $page) => $page->component('account/index')->where('account.email', $painter->email));
        $this->put('/account', ['name' => 'Oda', 'email' => $other->email])->assertSessionHasErrors('email');
        $this->put('/account', ['name' => 'Oda', 'email' => 'ODA@example.com'])->assertSessionHasNoErrors();
        self::assertSame(['Oda', 'oda@example.com'], [$painter->refresh()->name, $painter->email]);
        $this->put('/account/password', ['current' => 'wrong', 'password' => 'quite another one'])->assertSessionHasErrors('current');
        $this->put('/account/password', ['current' => 'the present one', 'password' => 'quite another one'])->assertSessionHasNoErrors();
        // Here one stays signed in; elsewhere the old hash opens nothing more.
        $this->get('/account')->assertOk();
        $this->post('/account/sign-out-elsewhere', ['current' => 'wrong'])->assertSessionHasErrors('current');
        $this->post('/account/sign-out-elsewhere', ['current' => 'quite another one'])->assertSessionHasNoErrors();
        $this->get('/account')->assertOk();
        $figure = $this->figure($painter);
        $theirs = $this->figure($other);
        // A pot that a layer, a cup and a chip name.
        $pot = $this->pot('Reed Green', '#5c7434', owner: $painter);
        $area = $this->area($figure);
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [$this->layer($pot)], 'version' => 1])->assertOk();
        $this->postJson('/cups', ['name' => 'Cloak', 'mix' => [['paintId' => $pot->id, 'parts' => 2]]])->assertCreated();
        DB::table('chips')->insert(['painter_id' => $painter->id, 'paint_id' => $pot->id, 'technique' => 'base coat', 'coats' => 1, 'thinner' => 0, 'card' => 0.9, 'read' => '[]', 'created_at' => now(), 'updated_at' => now()]);
        $painter->forceFill(['is_owner' => true])->save();
        $this->delete('/account', ['current' => 'wrong'])->assertSessionHasErrors('current');
        self::assertSame(1, Figure::query()->whereKey($figure->id)->count());
        // The one-press entry of the demo must find its painter.
        config(['hyalin.demo' => true]);
        $painter->update(['email' => SignInController::DEMO_EMAIL]);
        Auth::forgetGuards();
        $this->delete('/account', ['current' => 'quite another one'])->assertSessionHasErrors('current');
        $this->put('/account', ['name' => 'Ines', 'email' => 'other@example.com'])->assertSessionHasErrors('email');
        config(['hyalin.demo' => false]);
        $this->delete('/account', ['current' => 'quite another one', 'heir' => 'nobody@example.com'])->assertSessionHasErrors('heir');
        self::assertSame([1, true, []], [$painter->figures()->count(), $painter->refresh()->is_owner, Storage::disk('local')->files(DeleteAccount::FAREWELLS)]);
        $to = (string) $this->delete('/account', ['current' => 'quite another one'])->assertRedirectContains('/sign-in?farewell=')->headers->get('Location');
        $this->assertGuest();
        self::assertTrue($other->refresh()->is_owner);
        $this->get('/farewell/'.substr($to, -44))->assertOk()->assertDownload('hyalin-farewell.zip');
        $this->travel(8)->days();
        DeleteAccount::tidy();
        $this->get('/farewell/'.substr($to, -44))->assertNotFound();
        self::assertSame([0, 0, 1], [Painter::query()->whereKey($painter->id)->count(), Figure::query()->whereKey($figure->id)->count(), Figure::query()->whereKey($theirs->id)->count()]);
    }

    /** As when four sign up at once into an empty place: each has seen that nobody is there. */
    public function test_constraints_decide_who_is_first_and_the_others_are_told_in_words(): void
    {
        config(['hyalin.demo' => false, 'hyalin.sign_up' => 'closed']);
        Painter::query()->delete();
        $this->leave();
        // Another transaction is committed while this one is under way, and this one breaks a constraint.
        $collides = true;
        Painter::creating(static function () use (&$collides): void {
            if ($collides) {
                $collides = false;
                throw new UniqueConstraintViolationException('sqlite', 'insert', [], new PDOException('one owner'));
            }
        });
        Event::listen(TransactionRolledBack::class, static fn () => Painter::query()->exists() || (new Painter)->forceFill(['name' => 'Quicker', 'email' => 'quicker@example.com', 'password' => 'x', 'is_owner' => true])->saveQuietly());
        $this->post('/sign-up', ['name' => 'Slower', 'email' => 'slower@example.com', 'password' => 'long enough word'])->assertSessionHasErrors('email');
        self::assertSame(['quicker@example.com'], Painter::query()->pluck('email')->all());
        $this->expectException(UniqueConstraintViolationException::class);
        (new Painter)->forceFill(['name' => 'Second', 'email' => 'second@example.com', 'password' => 'x', 'is_owner' => true])->saveQuietly();
    }

    public function test_links_in_mails_lead_to_the_installation_and_unknown_hosts_are_refused(): void
    {
        $this->leave();
        Notification::fake();
        config(['app.url' => 'https://hyalin.example', 'hyalin.hosts' => 'bench.example']);
        $this->post('/forgot-password', ['email' => $this->painter->email], ['Host' => 'elsewhere.example']);
        Notification::assertSentTo($this->painter, ResetPassword::class, fn (ResetPassword $n): bool => str_starts_with($n->toMail($this->painter)->actionUrl, 'https://hyalin.example/reset-password/'));
        self::assertSame(['^hyalin\\.example$', '^localhost$', '^127\\.0\\.0\\.1$', '^\\[\\:\\:1\\]$', '^bench\\.example$'], KnownHosts::patterns());
        $this->get('https://localhost/sign-in')->assertHeader('Strict-Transport-Security');
        $this->get('http://localhost/sign-in')->assertHeaderMissing('Strict-Transport-Security');
    }

    private function leave(): void
    {
        Auth::logout();
        Auth::forgetGuards();
        session()->flush();
    }
}
