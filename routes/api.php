<?php

declare(strict_types=1);

use App\Http\Controllers\Api\CallsController;
use App\Http\Controllers\Api\ContactsController;
use App\Http\Controllers\Api\DescriptionController;
use App\Http\Controllers\Api\OutreachController;
use App\Http\Middleware\Api\DoneOnce;
use App\Http\Middleware\Api\KnowsToken;
use App\Http\Middleware\Api\MayDo;
use App\Http\Middleware\Api\SaysUnchanged;
use Illuminate\Support\Facades\Route;

// What other systems may do with a token of a business; each address stands in App\Api\Description, which a test compares with this list.
$may = static fn (string $ability): string => MayDo::class.':'.$ability;
Route::get('/openapi.json', [DescriptionController::class, 'show'])->middleware(SaysUnchanged::class);
Route::middleware([KnowsToken::class, SaysUnchanged::class, DoneOnce::class])->group(static function () use ($may): void {
    Route::get('/calls', [CallsController::class, 'index'])->middleware($may('calls'));
    Route::get('/calls/{ref}', [CallsController::class, 'show'])->middleware($may('calls'));
    Route::get('/calls/{ref}/transcript', [CallsController::class, 'transcript'])->middleware($may('transcripts'));
    Route::get('/calls/{ref}/record', [CallsController::class, 'record'])->middleware($may('records'));
    Route::get('/records', [CallsController::class, 'records'])->middleware($may('records'));
    Route::get('/contacts', [ContactsController::class, 'index'])->middleware($may('contacts'));
    Route::post('/contacts', [ContactsController::class, 'store'])->middleware($may('contacts_write'));
    Route::put('/contacts/by-number/{number}', [ContactsController::class, 'upsert'])->middleware($may('contacts_write'));
    Route::get('/contacts/{id}', [ContactsController::class, 'show'])->middleware($may('contacts'));
    Route::patch('/contacts/{id}', [ContactsController::class, 'update'])->middleware($may('contacts_write'));
    Route::get('/bookings', [OutreachController::class, 'bookings'])->middleware($may('bookings'));
    Route::post('/outreach/people', [OutreachController::class, 'ring'])->middleware($may('outreach'));
    Route::get('/outreach/people/{id}', [OutreachController::class, 'person'])->middleware($may('outreach'));
    Route::post('/outreach/{campaign}/forms', [OutreachController::class, 'form'])->middleware($may('forms'));
});
