<?php

declare(strict_types=1);

namespace App\Actions\Recordings;

use App\Models\Agent;
use App\Models\Recording;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;

/** Keeps a recorded prompt as it was given, for exactly one text. */
final readonly class KeepRecording
{
    /** @throws \DomainException in words fit to show */
    public function keep(Agent $agent, string $text, UploadedFile $file, ?float $seconds, ?float $loudness, ?float $peak, User $user): Recording
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));
        if (str_contains($text, '[')) {
            throw new \DomainException('A prompt with a value in it changes from call to call and cannot be recorded whole. Split the sentence with the value off into a step of its own.');
        }
        $audio = AudioFile::read($file->getRealPath())->measured($seconds, $loudness, $peak);
        $hash = Recording::hashOf($text);
        $path = "recordings/{$agent->id}/".substr($hash, 0, 16).'-'.bin2hex(random_bytes(4)).'.'.$audio->extension;
        Storage::disk('local')->put($path, (string) file_get_contents($file->getRealPath()));
        $old = Recording::query()->where('agent_id', $agent->id)->where('text_hash', $hash)->first();
        $kept = Recording::query()->updateOrCreate(['agent_id' => $agent->id, 'text_hash' => $hash], [
            'text' => $text, 'path' => $path, 'mime' => $audio->mime, 'seconds' => $audio->seconds, 'loudness' => $audio->loudness, 'peak' => $audio->peak, 'bytes' => (int) $file->getSize(), 'user_id' => $user->id,
        ]);
        if ($old instanceof Recording) {
            Storage::disk('local')->delete($old->path);
        }

        return $kept;
    }
}
