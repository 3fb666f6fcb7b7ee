<?php

declare(strict_types=1);

use App\Http\Controllers\HealthController;
use App\Http\Controllers\PageController;
use App\Http\Controllers\StandInController;
use Illuminate\Support\Facades\Route;

Route::get('/api/v1/openapi.json', [PageController::class, 'openapi']);
Route::get('/stand-ins/receiving', [StandInController::class, 'show']);
Route::get('/stand-ins/sending', [StandInController::class, 'sending']);
Route::get('/stand-ins/sending/{file}', [StandInController::class, 'sent']);
Route::get('/stand-ins/outbox', [StandInController::class, 'outbox']);
Route::post('/stand-ins/receiving', [StandInController::class, 'store']);
Route::withoutMiddleware('web')->group(function (): void {
    // no session, so that they answer without a database
    Route::get('/up/live', [HealthController::class, 'live']);
    Route::get('/up', [HealthController::class, 'ready']);
    Route::get('/up/ready', [HealthController::class, 'ready']);
});
Route::get('/{path?}', [PageController::class, 'app'])
    ->where('path', '^(?!api/|sanctum/|up$|up/).*')
    ->name('login');
