<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Recordings\KeepRecording;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Recording;
use App\Models\User;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Ringo\Inspection\Design;
use Ringo\Language\Vocabulary;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Recorded prompts of an agent: each goes with exactly the words it was spoken for. */
final class RecordingController
{
    public function index(Business $business, Agent $agent, CurrentAgent $current, Vocabulary $words): View
    {
        $current->remember($agent);
        $document = $agent->draft->scriptText->document();
        $recordings = $agent->recordings()->get()->keyBy('text_hash');
        $lines = [];
        foreach ((new Design($document, $words))->lines() as $line) {
            $lines[Recording::hashOf($line->text)] ??= ['line' => $line, 'recording' => $recordings->get(Recording::hashOf($line->text))];
        }

        return view('recordings', ['business' => $business, 'agent' => $agent, 'lines' => array_values($lines), 'stale' => $recordings->reject(static fn (Recording $one): bool => isset($lines[$one->text_hash]))->values()]);
    }

    public function store(Request $request, Business $business, Agent $agent, KeepRecording $keep): JsonResponse|RedirectResponse
    {
        $given = $request->validate(['text' => ['required', 'string', 'max:2000'], 'file' => ['required', 'file', 'max:20480'], 'seconds' => ['nullable', 'numeric'], 'loudness' => ['nullable', 'numeric'], 'peak' => ['nullable', 'numeric']], ['file.required' => 'Choose a recording first.', 'file.max' => 'The recording is larger than 20 MB.']);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        /** @var User $user */
        $user = $request->user();
        $number = static fn (string $name): ?float => isset($given[$name]) ? (float) $given[$name] : null;
        try {
            $kept = $keep->keep($agent, $given['text'], $file, $number('seconds'), $number('loudness'), $number('peak'), $user);
        } catch (\DomainException $problem) {
            return $request->expectsJson() ? response()->json(['message' => $problem->getMessage()], 422) : redirect()->back()->withErrors(['file' => $problem->getMessage()]);
        }
        $html = view('parts.recording', ['business' => $business, 'agent' => $agent, 'recording' => $kept])->render();

        return $request->expectsJson() ? response()->json(['html' => $html]) : redirect()->route('agent.recordings', [$business, $agent])->with('notice', 'The recording is kept, and is played wherever these words are said.');
    }

    public function audio(Business $business, Agent $agent, Recording $recording): BinaryFileResponse
    {
        abort_unless(Storage::disk('local')->exists($recording->path), 404, 'The file of this recording is gone; the voice speaks the words until it is recorded again.');

        return response()->file(Storage::disk('local')->path($recording->path), ['Content-Type' => $recording->mime, 'Cache-Control' => 'private, max-age=86400', 'X-Content-Type-Options' => 'nosniff']);
    }

    public function destroy(Business $business, Agent $agent, Recording $recording): RedirectResponse
    {
        Storage::disk('local')->delete($recording->path);
        $recording->delete();

        return redirect()->route('agent.recordings', [$business, $agent])->with('notice', 'The recording is gone; the voice speaks these words again.');
    }
}
