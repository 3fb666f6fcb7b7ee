<?php

declare(strict_types=1);

namespace App\Providers;

use App\Accounts\Network;
use App\Infrastructure\Cbc;
use App\Infrastructure\KeptConnector;
use App\Infrastructure\LimiterStore;
use App\Infrastructure\OfficePrograms;
use App\Infrastructure\OutboxTransport;
use App\Infrastructure\QueueBell;
use App\Infrastructure\WorkerHeartbeat;
use App\Jobs\BackgroundWork;
use App\Models\Assessment;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\Question;
use App\Models\Stimulus;
use App\Models\User;
use App\Policies\AssessmentPolicy;
use App\Policies\BankPolicy;
use App\Policies\IntakePolicy;
use App\Policies\QuestionPolicy;
use App\Policies\StimulusPolicy;
use App\Search\Breadth;
use Illuminate\Cache\CacheManager;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Cache\Repository;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\PartKinds;
use WideQuarry\Selection\Solver;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(Breadth::class); // what it found out serves the whole request
        $this->app->singleton(PartKinds::class, fn (): PartKinds => StandardKinds::all());
        $this->app->singleton(DocumentConverter::class, OfficePrograms::class);
        $this->app->singleton(Solver::class, Cbc::class);
        $this->app->singleton(QueueBell::class, fn (): QueueBell => new QueueBell(DB::connection()));
        if (PHP_SAPI === 'fpm-fcgi') {
            $this->app->bind('db.connector.pgsql', KeptConnector::class);
        }
        // before anything asks for the rate limiter, which counts in it
        $this->app->resolving(
            'cache',
            fn (CacheManager $cache) => $cache->extend(
                'limiter',
                fn (Application $app): Repository => $cache->repository(
                    new LimiterStore($app->make(Filesystem::class), storage_path('framework/cache/data')),
                ),
            ),
        );
    }

    public function boot(): void
    {
        Gate::policy(Bank::class, BankPolicy::class);
        Gate::policy(Question::class, QuestionPolicy::class);
        Gate::policy(Stimulus::class, StimulusPolicy::class);
        Gate::policy(Assessment::class, AssessmentPolicy::class);
        Gate::policy(Intake::class, IntakePolicy::class);
        \Illuminate\Database\Eloquent\Model::shouldBeStrict();
        $who = fn (Request $request): string => $request->user() instanceof User ? $request->user()->id : (string) $request->ip();
        RateLimiter::for('api', fn (Request $request): Limit => Limit::perMinute(1200)->by($who($request)));
        RateLimiter::for(
            'sign-in',
            fn (Request $request): array => [
                Limit::perMinute(10)->by(
                    'account:'.
                        ($request->user() instanceof User
                            ? $request->user()->id
                            : (mb_strtolower(mb_strcut($request->string('email')->value(), 0, 255)) ?: (string) $request->ip())),
                ),
                Limit::perMinute(30)->by("address:{$request->ip()}"),
                Limit::perMinute(100)->by('network:'.Network::of((string) $request->ip())),
            ],
        );
        RateLimiter::for('give', fn (Request $request): Limit => Limit::perMinute(60)->by('give:'.$who($request)));
        Mail::extend('outbox', fn (): OutboxTransport => new OutboxTransport);
        Queue::createPayloadUsing(
            function (string $connection, ?string $queue, array $payload): array {
                $work = is_array($payload['data'] ?? null) ? $payload['data']['command'] ?? null : null;

                return $work instanceof BackgroundWork ? ['person' => $work->person] : [];
            },
        );
        $this->listenToWorkers();
        RateLimiter::for('try', fn (Request $request): Limit => Limit::perMinute(600)->by('try:'.$who($request)));
    }

    private function listenToWorkers(): void
    {
        Event::listen(Looping::class, function (): void {
            WorkerHeartbeat::idle();
            $this->app->make(QueueBell::class)->wait();
        });
        Event::listen(JobProcessing::class, function (JobProcessing $event): void {
            if ($event->connectionName !== 'sync') {
                WorkerHeartbeat::busy($event->job->resolveName());
                $this->app->make(QueueBell::class)->worked();
            }
        });
    }
}
