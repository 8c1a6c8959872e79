<?php

declare(strict_types=1);

use App\Http\Controllers\AgentController;
use App\Http\Controllers\BoardController;
use App\Http\Controllers\CallController;
use App\Http\Controllers\CallExportController;
use App\Http\Controllers\CallMapController;
use App\Http\Controllers\ContactController;
use App\Http\Controllers\ContactSearchController;
use App\Http\Controllers\DeskController;
use App\Http\Controllers\HandsetController;
use App\Http\Controllers\PromptBookController;
use App\Http\Controllers\RecognitionController;
use App\Http\Controllers\RecordingController;
use App\Http\Controllers\ReleaseController;
use App\Http\Controllers\ScriptTextController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\TransferController;
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
        Route::get('/agents/{agent}/recordings/{recording}/audio', [RecordingController::class, 'audio'])->name('recording.audio');
        Route::get('/calls/{call}/turns/{n}.wav', [CallController::class, 'audio'])->whereNumber('n')->name('call.audio');

        Route::get('/desk', [DeskController::class, 'show'])->name('desk');
        Route::post('/desk/sit', [DeskController::class, 'sit'])->name('desk.sit');
        Route::get('/desk/state', [DeskController::class, 'state'])->name('desk.state');
        Route::post('/desk/presence', [DeskController::class, 'presence'])->name('desk.presence');
        Route::post('/desk/offers/{offer}', [DeskController::class, 'answer'])->name('desk.answer');
        Route::post('/desk/call-backs/{callBack}', [DeskController::class, 'rangBack'])->name('desk.rang-back');
        Route::post('/desk/calls/{call}', [DeskController::class, 'say'])->name('desk.say');
        Route::get('/callers', [ContactController::class, 'index'])->name('callers');
        Route::middleware('can:design,business')->group(static function (): void {
            Route::get('/callers/new', [ContactController::class, 'create'])->name('caller.new');
            Route::post('/callers', [ContactController::class, 'store'])->name('caller.store');
            Route::post('/callers/columns', [ContactController::class, 'column'])->name('callers.column');
            Route::get('/callers/callers.csv', [ContactController::class, 'csv'])->name('callers.csv');
            Route::get('/callers/callers.vcf', [ContactController::class, 'vcards'])->name('callers.vcf');
            Route::post('/callers/imports', [ContactController::class, 'upload'])->name('import.upload');
            Route::get('/callers/imports/{import}', [ContactController::class, 'import'])->name('import');
            Route::post('/callers/imports/{import}', [ContactController::class, 'map'])->name('import.map');
            Route::get('/callers/imports/{import}/progress', [ContactController::class, 'progress'])->name('import.progress');
            Route::post('/callers/imports/{import}/stop', [ContactController::class, 'stop'])->name('import.stop');
            Route::put('/callers/{contact}', [ContactController::class, 'update'])->name('caller.update');
            Route::post('/callers/{contact}/merge', [ContactController::class, 'merge'])->name('caller.merge');
            Route::delete('/callers/{contact}', [ContactController::class, 'erase'])->name('caller.erase');
            Route::post('/callers/{contact}/changes/{change}', [ContactController::class, 'decide'])->name('caller.decide');
        });
        Route::get('/callers/{contact}', [ContactController::class, 'show'])->name('caller')->whereNumber('contact');

        Route::middleware('can:design,business')->group(static function (): void {
            Route::get('/agents', [AgentController::class, 'index'])->name('agents');
            Route::get('/agents/new', [AgentController::class, 'new'])->name('agent.new');
            Route::post('/agents', [AgentController::class, 'store'])->name('agent.store');
            Route::get('/agents/starters/{starter}', [AgentController::class, 'starter'])->name('starter');
            Route::get('/agents/starters/{starter}/{n}.wav', [AgentController::class, 'starterAudio'])->whereNumber('n')->name('starter.audio');
            Route::post('/agents/preview', [AgentController::class, 'preview'])->name('agent.preview');
            Route::post('/agents/import', [AgentController::class, 'import'])->name('agent.import');
            Route::get('/agents/{agent}', [AgentController::class, 'show'])->name('agent');
            Route::put('/agents/{agent}', [AgentController::class, 'update'])->name('agent.update');
            Route::delete('/agents/{agent}', [AgentController::class, 'destroy'])->name('agent.delete');
            Route::post('/agents/{agent}/restore', [AgentController::class, 'restore'])->name('agent.restore')->withTrashed();
            Route::get('/agents/{agent}/audition.wav', [AgentController::class, 'audition'])->name('agent.audition')->middleware('throttle:240,1');
            Route::get('/agents/{agent}/export', [AgentController::class, 'export'])->name('agent.export');
            Route::get('/agents/{agent}/recordings', [RecordingController::class, 'index'])->name('agent.recordings');
            Route::post('/agents/{agent}/recordings', [RecordingController::class, 'store'])->name('recording.store');
            Route::delete('/agents/{agent}/recordings/{recording}', [RecordingController::class, 'destroy'])->name('recording.delete');
            Route::get('/agents/{agent}/recognition', [RecognitionController::class, 'show'])->name('recognition');
            Route::put('/agents/{agent}/recognition', [RecognitionController::class, 'update'])->name('recognition.update');
            Route::get('/transfers', [TransferController::class, 'show'])->name('transfers');
            Route::put('/agents/{agent}/transfers', [TransferController::class, 'rules'])->name('transfers.rules');
            Route::post('/teams', [TransferController::class, 'team'])->name('team.store');
            Route::put('/teams/{team}', [TransferController::class, 'team'])->name('team.update');
            Route::delete('/teams/{team}', [TransferController::class, 'removeTeam'])->name('team.delete');
            Route::post('/people', [TransferController::class, 'person'])->name('person.store');
            Route::put('/people/{person}', [TransferController::class, 'person'])->name('person.update');
            Route::delete('/people/{person}', [TransferController::class, 'removePerson'])->name('person.delete');
            Route::post('/handset/{call}/colleague', [HandsetController::class, 'colleague'])->name('handset.colleague');
            Route::get('/agents/{agent}/call-map', [CallMapController::class, 'show'])->name('call-map');
            Route::get('/agents/{agent}/text', [ScriptTextController::class, 'show'])->name('script-text');
            Route::put('/agents/{agent}/text', [ScriptTextController::class, 'update'])->name('script-text.update');
            Route::post('/agents/{agent}/text/check', [ScriptTextController::class, 'check'])->name('script-text.check');
            Route::get('/agents/{agent}/releases', [ReleaseController::class, 'index'])->name('releases');
            Route::post('/agents/{agent}/releases', [ReleaseController::class, 'store'])->name('release.store');
            Route::get('/agents/{agent}/releases/compare', [ReleaseController::class, 'compare'])->name('releases.compare');
            Route::post('/agents/{agent}/releases/{number}/again', [ReleaseController::class, 'again'])->whereNumber('number')->name('release.again');
            Route::get('/agents/{agent}/prompt-book', [PromptBookController::class, 'show'])->name('prompt-book');
            Route::post('/agents/{agent}/prompt-book/steps', [PromptBookController::class, 'insert'])->name('step.insert');
            Route::get('/agents/{agent}/prompt-book/steps/{step}', [PromptBookController::class, 'form'])->name('step.form');
            Route::put('/agents/{agent}/prompt-book/steps/{step}', [PromptBookController::class, 'update'])->name('step.update');
            Route::delete('/agents/{agent}/prompt-book/steps/{step}', [PromptBookController::class, 'destroy'])->name('step.delete');
            Route::post('/agents/{agent}/prompt-book/steps/{step}/move', [PromptBookController::class, 'move'])->name('step.move');
            Route::post('/agents/{agent}/prompt-book/steps/{step}/copy', [PromptBookController::class, 'duplicate'])->name('step.copy');
            Route::post('/agents/{agent}/prompt-book/fix', [PromptBookController::class, 'fix'])->name('finding.fix');
            Route::post('/agents/{agent}/prompt-book/undo', [PromptBookController::class, 'undo'])->name('draft.undo');
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
