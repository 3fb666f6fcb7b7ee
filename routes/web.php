<?php

declare(strict_types=1);

use App\Http\Controllers\PageController;
use App\Http\Controllers\StandInController;
use Illuminate\Support\Facades\Route;

Route::get('/api/v1/openapi.json', [PageController::class, 'openapi']);
Route::get('/stand-ins/receiving', [StandInController::class, 'show']);
Route::post('/stand-ins/receiving', [StandInController::class, 'store']);
Route::get('/{path?}', [PageController::class, 'app'])->where('path', '^(?!api/|sanctum/|up$).*')->name('login');
