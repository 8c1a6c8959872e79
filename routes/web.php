<?php

declare(strict_types=1);

use App\Http\Controllers\BoardController;
use App\Http\Controllers\CallController;
use App\Http\Controllers\CallExportController;
use App\Http\Controllers\ContactSearchController;
use App\Http\Controllers\HandsetController;
use App\Http\Controllers\PromptBookController;
use App\Http\Controllers\SignInController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(static function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
    Route::post('/sign-in', [SignInController::class, 'store'])->middleware('throttle:sign-in');
});

Route::middleware('auth')->group(static function (): void {
    Route::get('/', [BoardController::class, 'home'])->name('home');
    Route::post('/sign-out', [SignInController::class, 'destroy'])->name('sign-out');

    Route::prefix('/{business}')->middleware('can:enter,business')->scopeBindings()->group(static function (): void {
        Route::get('/', [BoardController::class, 'show'])->name('board');
        Route::get('/calls', [CallController::class, 'index'])->name('calls');
        Route::get('/calls/records.csv', [CallExportController::class, 'csv'])->name('calls.csv');
        Route::get('/calls/records.jsonl', [CallExportController::class, 'jsonLines'])->name('calls.jsonl');
        Route::get('/calls/{call}', [CallController::class, 'show'])->name('call')->withTrashed();
        Route::get('/calls/{call}/vcon.json', [CallExportController::class, 'vcon'])->name('call.vcon');
        Route::get('/calls/{call}/transcript.vtt', [CallExportController::class, 'webVtt'])->name('call.vtt');
        Route::get('/calls/{call}/record.csv', [CallExportController::class, 'callCsv'])->name('call.csv');
        Route::get('/calls/{call}/record.jsonl', [CallExportController::class, 'callJsonLines'])->name('call.jsonl');
        Route::get('/calls/{call}/turns/{n}.wav', [CallController::class, 'audio'])->whereNumber('n')->name('call.audio');

        Route::middleware('can:design,business')->group(static function (): void {
            Route::get('/agents/{agent}/prompt-book', [PromptBookController::class, 'show'])->name('prompt-book');
            Route::get('/contacts/search', [ContactSearchController::class, 'index'])->name('contacts.search');
            Route::post('/agents/{agent}/ring', [HandsetController::class, 'ring'])->name('handset.ring');
            Route::get('/handset/{call}', [HandsetController::class, 'show'])->name('handset.show');
            Route::post('/handset/{call}', [HandsetController::class, 'happen'])->name('handset.happen');
            Route::post('/handset/{call}/again', [HandsetController::class, 'again'])->name('handset.again');
            Route::get('/calls/{call}/replay', [CallController::class, 'replay'])->name('call.replay');
            Route::delete('/calls/{call}', [CallController::class, 'destroy'])->name('call.delete');
            Route::post('/calls/{call}/restore', [CallController::class, 'restore'])->name('call.restore')->withTrashed();
        });
    });
});
