<?php

declare(strict_types=1);

use App\Actions\Prune;
use App\Http\Errors\Problems;
use App\Http\Middleware\CleanInput;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SpeakLanguage;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use WideQuarry\Messages\Catalogue;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
        apiPrefix: 'api/v1',
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class); // the front end comes from the same origin
        $middleware->statefulApi();
        $middleware->prepend(SpeakLanguage::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->append(CleanInput::class);
        $middleware->throttleApi('api');
        $proxies = array_filter(explode(',', (string) getenv('QUARRY_PROXIES')));
        $middleware->trustProxies(at: $proxies === [] ? [] : $proxies);
        // Caddy refuses other hosts already; here for whoever serves it otherwise
        $middleware->trustHosts(
            at: fn (): array => [
                '^'.preg_quote((string) parse_url(config()->string('app.url'), PHP_URL_HOST), '/').'$',
                '^127\.0\.0\.1$',
                '^localhost$',
            ],
            subdomains: false,
        );
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withSchedule(
        fn (Schedule $schedule) => $schedule->call(fn () => app(Prune::class)->handle())->hourly()->name('prune')->withoutOverlapping(),
    )
    ->withExceptions(fn (Exceptions $exceptions) => Problems::register($exceptions))
    ->create();

Catalogue::add('app', $app->path());

// bin/start writes the settings beside the data when QUARRY_VAR names another place for both
$var = getenv('QUARRY_VAR') ?: $app->basePath('var');
$app->useEnvironmentPath(getenv('QUARRY_VAR') ?: $app->basePath())->useStoragePath(getenv('QUARRY_STORAGE') ?: "$var/storage");
$app->afterLoadingEnvironment(fn () => $app->useStoragePath(Illuminate\Support\Env::get('QUARRY_STORAGE') ?: "$var/storage"));

return $app;
