<?php

declare(strict_types=1);

use App\Actions\Account\DeleteAccount;
use App\Http\KnownHosts;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\RunInMode;
use App\Http\Middleware\SecurityHeaders;
use App\Http\ShowErrors;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        health: '/up',
    )
    ->withCommands([__DIR__.'/../app/Console'])
    ->withSchedule(function (Schedule $schedule): void {
        $schedule->command('hyalin:backup')->dailyAt(config()->string('hyalin.backups.at'));
        $schedule->call(DeleteAccount::tidy(...))->name('tidy farewell files')->daily();
    })
    ->withMiddleware(function (Middleware $middleware): void {
        // What names another host is refused: its name would go into links.
        $middleware->trustHosts(at: static fn (): array => KnownHosts::patterns(), subdomains: false);
        $middleware->append([SecurityHeaders::class, RunInMode::class]);
        $middleware->web(append: [HandleInertiaRequests::class]);
        $middleware->redirectGuestsTo('/sign-in');
        // Another password signs out everywhere.
        $middleware->authenticateSessions();
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        ShowErrors::register($exceptions);
    })
    ->create();
