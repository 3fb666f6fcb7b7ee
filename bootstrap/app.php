<?php

declare(strict_types=1);

use App\Http\Middleware\SecurityHeaders;
use App\Support\Problems;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', api: __DIR__.'/../routes/api.php', commands: __DIR__.'/../routes/console.php', health: '/up', apiPrefix: 'api/v1')
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class); // the front end comes from the same origin
        $middleware->statefulApi();
        $middleware->append(SecurityHeaders::class);
        $middleware->throttleApi('api');
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withExceptions(fn (Exceptions $exceptions) => Problems::register($exceptions))
    ->create();

return $app->useStoragePath(getenv('QUARRY_STORAGE') ?: $app->basePath('var/storage'));
