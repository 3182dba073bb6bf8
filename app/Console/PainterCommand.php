<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Account\DeleteAccount;
use App\Models\Painter;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\Str;

/**
 * Accounts from the command line: made, listed, given another password, deleted with everything of theirs.
 */
final class PainterCommand extends Command
{
    private const LEAST = 10;

    protected $signature = 'hyalin:painter
        {action : create, list, password or delete}
        {email? : of the painter; not for list}
        {--name= : for create; the part before the @ by default}
        {--password= : at least 10 characters; one is made and shown when it is left out}
        {--force : for delete, without asking}';

    protected $description = 'Makes and lists accounts, sets a password, deletes an account';

    public function handle(DeleteAccount $deleteAccount): int
    {
        $action = $this->argument('action');
        if ($action === 'list') {
            foreach (Painter::query()->withCount('figures')->orderBy('id')->get() as $painter) {
                $this->line("{$painter->email}  {$painter->name}  {$painter->figures_count} figures");
            }

            return self::SUCCESS;
        }
        if (! in_array($action, ['create', 'password', 'delete'], true)) {
            return $this->refused("\"{$action}\" is none of create, list, password and delete.");
        }
        $email = Str::lower((string) $this->argument('email'));
        if (Validator::make(['email' => $email], ['email' => ['required', 'email', 'max:255']])->fails()) {
            return $this->refused("\"{$email}\" is no e-mail address.");
        }
        $painter = Painter::query()->where('email', $email)->first();

        return match (true) {
            $action === 'create' => $painter !== null ? $this->refused("{$email} has an account already.") : $this->create($email),
            $painter === null => $this->refused("{$email} has no account. \"hyalin:painter list\" shows those there are."),
            $action === 'password' => $this->password($painter),
            default => $this->delete($painter, $deleteAccount),
        };
    }

    private function create(string $email): int
    {
        $password = $this->chosen();
        if ($password === null) {
            return self::FAILURE;
        }
        $name = $this->option('name');
        Painter::query()->create(['email' => $email, 'name' => is_string($name) && $name !== '' ? $name : Str::before($email, '@'), 'password' => $password]);
        $this->line("{$email} can sign in.");
        $this->told($password);

        return self::SUCCESS;
    }

    private function password(Painter $painter): int
    {
        $password = $this->chosen();
        if ($password === null) {
            return self::FAILURE;
        }
        $painter->password = $password;
        // Sessions with the old password end: they hold its hash. Remembered sign-ins end by a new token.
        $painter->setRememberToken(Str::random(60));
        $painter->save();
        $this->line("{$painter->email} has another password, and was signed out everywhere.");
        $this->told($password);

        return self::SUCCESS;
    }

    private function delete(Painter $painter, DeleteAccount $deleteAccount): int
    {
        $count = $painter->figures()->count();
        if ($this->option('force') !== true && ! $this->confirm("Delete {$painter->email} with {$count} figures, shelf and records? It cannot be undone.")) {
            return $this->refused('Nothing was deleted.');
        }
        $deleteAccount($painter);
        $this->line("{$painter->email} was deleted.");

        return self::SUCCESS;
    }

    private function chosen(): ?string
    {
        $given = $this->option('password');
        if (! is_string($given)) {
            return Str::password(16, symbols: false);
        }
        if (mb_strlen($given) < self::LEAST) {
            $this->refused('A password has at least '.self::LEAST.' characters.');

            return null;
        }

        return $given;
    }

    /** What was given is known; what was made is shown once. */
    private function told(string $password): void
    {
        if (! is_string($this->option('password'))) {
            $this->line("Password: {$password}");
        }
    }

    private function refused(string $words): int
    {
        $this->error($words);

        return self::FAILURE;
    }
}
