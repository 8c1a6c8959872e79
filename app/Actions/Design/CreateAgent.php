<?php

declare(strict_types=1);

namespace App\Actions\Design;

use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Draft;
use App\Models\DraftVersion;
use App\Models\ScriptText;
use App\Models\User;
use App\Support\WholeNames;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;

/** Makes an agent of a business, with its draft, from a whole script document. */
final readonly class CreateAgent
{
    public function from(Business $business, ScriptDocument $document, User $user, string $words): Agent
    {
        return DB::transaction(function () use ($business, $document, $user, $words): Agent {
            $name = $document->script->agent->name;
            $agent = Agent::query()->create(['business_id' => $business->id, 'key' => $this->freeKey($business, $name), 'name' => $name, 'direction' => $document->script->agent->direction]);
            $text = ScriptText::of($agent, $document->toJson());
            Draft::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'version' => 1, 'edited_by' => $user->id]);
            DraftVersion::query()->create(['agent_id' => $agent->id, 'version' => 1, 'script_text_id' => $text->id, 'user_id' => $user->id, 'words' => $words]);
            AuditEntry::note($business->id, $user, 'agent made', "{$name}, {$words}");

            return $agent;
        });
    }

    /** A script with one greeting and one ending, for a business. */
    public function blank(Business $business, string $name, string $direction): ScriptDocument
    {
        return ScriptDocument::fromArray([
            'format' => 'ringo-script/1',
            'agent' => ['name' => $name, 'business' => $business->name, 'direction' => $direction, 'language' => 'en', 'country' => $business->country, 'tz' => $business->tz, 'voice' => ['engine' => 'flite', 'name' => 'slt', 'pace' => 1.0, 'pitch' => 1.0]],
            'standing' => [],
            'sheet' => ['$schema' => 'https://json-schema.org/draft/2020-12/schema', 'type' => 'object', 'title' => 'Call', 'properties' => []],
            'first' => 'opening',
            'steps' => [
                ['key' => 'opening', 'kind' => 'say', 'prompt' => '[business], [agent] speaking.', 'next' => 'goodbye'],
                ['key' => 'goodbye', 'kind' => 'finish', 'prompt' => 'Thank you for calling. Goodbye.', 'outcome' => 'answered'],
            ],
        ]);
    }

    /** The document as an agent of this business under a name: business, country and zone follow. */
    public function fitted(ScriptDocument $document, Business $business, string $name): ScriptDocument
    {
        $agent = $document->toArray()['agent'];
        $old = (string) ($agent['business'] ?? '');
        $changed = ScriptDocument::fromArray([...$document->toArray(), 'agent' => [...$agent, 'name' => $name, 'business' => $business->name, 'country' => $business->country, 'tz' => $business->tz]]);
        if ($old === $business->name || $old === '') {
            return $changed;
        }

        // The old business's and agent's spoken names go with them.
        return ScriptDocument::fromArray($this->renamed($changed->toArray(), [$old => $business->name, (string) ($agent['name'] ?? '') => $name]));
    }

    /** @throws ValidationException */
    public function checkName(Business $business, string $name): void
    {
        if (Agent::query()->where('business_id', $business->id)->where('name', $name)->exists()) {
            throw ValidationException::withMessages(['name' => "{$business->name} has an agent called {$name} already. Choose another name."]);
        }
    }

    /**
     * @param array<string, mixed> $data
     * @param array<string, string> $names
     *
     * @return array<string, mixed>
     */
    private function renamed(array $data, array $names): array
    {
        $whole = new WholeNames($names);
        foreach (['agent', 'standing', 'steps', 'facts'] as $part) {
            if (is_array($data[$part] ?? null)) {
                $keys = $part === 'steps' ? array_column($data[$part], 'key') : [];
                $data[$part] = $whole->in($data[$part]);
                foreach ($keys as $i => $key) {
                    $data[$part][$i]['key'] = $key;
                }
            }
        }

        return $data;
    }

    private function freeKey(Business $business, string $name): string
    {
        $base = Str::slug($name) ?: 'agent';
        for ($key = $base, $n = 2; Agent::withTrashed()->where('business_id', $business->id)->where('key', $key)->exists(); $n++) {
            $key = $base.'-'.$n;
        }

        return $key;
    }
}
