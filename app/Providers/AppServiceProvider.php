<?php

declare(strict_types=1);

namespace App\Providers;

use App\Adapters\Bench\AidedDrying;
use App\Adapters\Bench\PaintNeeds;
use App\Adapters\Finish\Corrections;
use App\Adapters\Finish\Hands;
use App\Adapters\Lease;
use App\Adapters\Operations\Heartbeat;
use App\Adapters\Order\LearnedMinutes;
use App\Adapters\WholeSessions;
use App\Database\ImmediateSQLiteConnection;
use App\Devices\Camera;
use App\Devices\ColourReader;
use App\Devices\DropScale;
use App\Devices\SheetCamera;
use App\Devices\SimulatedCamera;
use App\Devices\SimulatedColourReader;
use App\Devices\SimulatedDropScale;
use App\Devices\SimulatedSheetCamera;
use App\Models\Bench\Run;
use App\Models\Bench\Timer;
use App\Models\Brief\Figure;
use App\Models\Compare\Correction;
use App\Models\Compare\LessonRecord;
use App\Models\Cups\CupRecord;
use App\Models\Painter;
use App\Models\Practice\PracticeRound;
use App\Models\SetAsideEdit;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\Paint;
use App\Models\Shelf\ShelfImport;
use App\Models\Shelf\SwatchSheet;
use App\Models\Task;
use App\Policies\OwnerPolicy;
use Closure;
use Illuminate\Auth\Notifications\ResetPassword;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\MassAssignmentException;
use Illuminate\Database\Eloquent\MissingAttributeException;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\LazyLoadingViolationException;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\JobExceptionOccurred;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(Hands::class);
        $this->app->scoped(Corrections::class);
        $this->app->scoped(LearnedMinutes::class);
        $this->app->scoped(AidedDrying::class);
        $this->app->scoped(PaintNeeds::class);
        $this->app->bind(ColourReader::class, SimulatedColourReader::class);
        $this->app->bind(DropScale::class, SimulatedDropScale::class);
        $this->app->bind(Camera::class, SimulatedCamera::class);
        $this->app->bind(SheetCamera::class, SimulatedSheetCamera::class);
        Connection::resolverFor(
            'sqlite',
            fn (PDO|Closure $pdo, string $database, string $prefix, array $config): Connection => new ImmediateSQLiteConnection($pdo, $database, $prefix, $config),
        );
    }

    public function boot(): void
    {
        // Links in mails lead to where the installation says it is, whatever host was asked.
        ResetPassword::createUrlUsing(static fn (mixed $to, string $token): string => rtrim(config()->string('app.url'), '/').route('password.reset', ['token' => $token, 'email' => $to instanceof Painter ? $to->email : ''], false));
        Model::shouldBeStrict();
        if ($this->app->isProduction()) {
            self::reportViolations();
        }
        foreach ([
            ChipRecord::class,
            Correction::class,
            LessonRecord::class,
            CupRecord::class,
            PracticeRound::class,
            Figure::class,
            Paint::class,
            Run::class,
            SetAsideEdit::class,
            ShelfImport::class,
            SwatchSheet::class,
            Task::class,
            Timer::class,
        ] as $model) {
            Gate::policy($model, OwnerPolicy::class);
        }
        Event::listen(Looping::class, static fn () => Heartbeat::tell());
        Event::listen(JobProcessing::class, static fn (JobProcessing $at) => Lease::hold($at->connectionName === 'database' ? $at->job->getJobId() : null));
        Event::listen([JobProcessed::class, JobExceptionOccurred::class], static fn () => Lease::hold(null));
        Session::extend('file', fn (): WholeSessions => new WholeSessions($this->app->make('files'), config()->string('session.files'), config()->integer('session.lifetime')));
        // Limits count tries by address, and by name from one address: tries from elsewhere do not shut a painter out. Guessing one
        // password from many addresses is slowed later.
        RateLimiter::for('sign-in', fn (Request $request): array => [
            Limit::perMinute(2 * config()->integer('hyalin.sign_ins_a_minute'))->by('address:'.$request->ip()),
            ...is_string($request->input('email')) ? self::byName(mb_strtolower($request->string('email')->value()), (string) $request->ip()) : [],
        ]);
    }

    /** At work a violation is reported and the request goes on: a painter's record must not be lost to a query that was not foreseen. */
    private static function reportViolations(): void
    {
        Model::handleLazyLoadingViolationUsing(static fn (Model $model, string $relation) => report(new LazyLoadingViolationException($model, $relation)));
        Model::handleMissingAttributeViolationUsing(static fn (Model $model, string $key) => report(new MissingAttributeException($model, $key)));
        Model::handleDiscardedAttributeViolationUsing(static fn (Model $model, array $keys) => report(new MassAssignmentException(implode(', ', array_filter($keys, is_string(...))).' of '.$model::class)));
    }

    /** @return list<Limit> */
    private static function byName(string $name, string $address): array
    {
        $tries = config()->integer('hyalin.sign_ins_a_minute');

        return [Limit::perMinute($tries)->by("name:{$name} {$address}"), Limit::perMinute(20 * $tries)->by("name:{$name}")];
    }
}
