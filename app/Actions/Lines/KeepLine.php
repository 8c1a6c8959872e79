<?php

declare(strict_types=1);

namespace App\Actions\Lines;

use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Line;
use App\Models\LineChange;
use App\Models\Release;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Line\Button;
use Ringo\Line\Line as Design;
use Ringo\Line\LineCheck;
use Ringo\Numbering\NumberingPlan;

/** Makes and changes lines; each change keeps how the line was, by whom and when, and can be taken back. */
final readonly class KeepLine
{
    private const TOKEN_LENGTH = 24;

    public function __construct(private NumberingPlan $plan, private LinesOf $lines)
    {
    }

    /**
     * @param array<string, mixed> $document in the format of lines; number in any written form
     *
     * @throws ValidationException in words fit to show; nothing is kept then
     */
    public function make(Business $business, array $document, string $kind, User $user): Line
    {
        $document['key'] = $this->freeKey($business, (string) ($document['key'] ?? Str::slug((string) ($document['name'] ?? 'line'))));
        [$design, $agent] = $this->checked($business, $document, $kind, null);

        return DB::transaction(static function () use ($business, $design, $agent, $kind, $user): Line {
            $line = Line::query()->create(['business_id' => $business->id, 'agent_id' => $agent->id, 'key' => $design->key, 'kind' => $kind, 'name' => $design->name, 'e164' => $design->number, 'document' => $design->toArray(), 'state' => Line::MADE, 'token' => $kind === 'button' ? Str::random(self::TOKEN_LENGTH) : null]);
            AuditEntry::note($business->id, $user, 'line made', $design->name);

            return $line;
        });
    }

    /**
     * @param array<string, mixed> $document
     *
     * @throws ValidationException
     */
    public function change(Line $line, array $document, string $words, User $user): Line
    {
        [$design, $agent] = $this->checked($line->business, ['key' => $line->key] + $document, $line->kind, $line);
        if ($line->live()) {
            $this->stops($line->business, $design);
        }
        $set = ['name' => $design->name, 'e164' => $design->number, 'document' => $design->toArray(), 'agent_id' => $agent->id];
        // Another agent's line runs that agent's latest release.
        if ($agent->id !== $line->agent_id && $line->state !== Line::MADE) {
            $set['release_id'] = $agent->latestRelease?->id;
        }

        return $this->set($line, $set, $words, $user);
    }

    /** Another name for the button's page to know it by: the old one no longer works anywhere. */
    public function newToken(Line $line, User $user): Line
    {
        return $this->set($line, ['token' => Str::random(self::TOKEN_LENGTH)], 'the button’s code was made anew', $user);
    }

    /** Puts a line live on a release; a line never runs a draft. */
    public function live(Line $line, Release $release, User $user): Line
    {
        if ($release->agent_id !== $line->agent_id) {
            throw ValidationException::withMessages(['release' => 'That release belongs to another agent.']);
        }
        $this->stops($line->business, $line->design());
        $words = match (true) {
            $line->live() && $line->release_id === $release->id => null,
            $line->live() => "moved to release {$release->number}",
            default => "put live with release {$release->number}",
        };

        return $words === null ? $line : $this->set($line, ['release_id' => $release->id, 'state' => Line::LIVE, 'live_since' => $line->live() ? $line->live_since : now()], $words, $user);
    }

    public function pause(Line $line, User $user): Line
    {
        return $line->live() ? $this->set($line, ['state' => Line::PAUSED], 'paused', $user) : $line;
    }

    /** Sets a line back to how it was before a change. */
    public function back(Line $line, LineChange $change, User $user): Line
    {
        $before = $change->before;
        $taken = $before['e164'] === null ? null : Line::withTrashed()->where('e164', $before['e164'])->whereKeyNot($line->id)->first();
        if ($taken !== null) {
            throw ValidationException::withMessages(['line' => "{$before['e164']} is another line by now, so this change cannot be taken back."]);
        }
        if ($before['state'] === Line::LIVE) {
            $this->stops($line->business, Design::fromArray($before['document']));
        }

        return $this->set($line, $before, "taken back: {$change->words}", $user);
    }

    /** @param array<string, mixed> $set */
    private function set(Line $line, array $set, string $words, User $user): Line
    {
        return DB::transaction(static function () use ($line, $set, $words, $user): Line {
            LineChange::query()->create(['line_id' => $line->id, 'user_id' => $user->id, 'words' => mb_substr($words, 0, 250), 'before' => ['document' => $line->document, 'release_id' => $line->release_id, 'state' => $line->state, 'agent_id' => $line->agent_id, 'name' => $line->name, 'e164' => $line->e164]]);
            $line->update($set);
            AuditEntry::note($line->business_id, $user, 'line', "{$line->name}: {$words}");

            return $line;
        });
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array{Design, Agent}
     */
    private function checked(Business $business, array $document, string $kind, ?Line $line): array
    {
        if (trim((string) ($document['name'] ?? '')) === '') {
            throw ValidationException::withMessages(['name' => 'Give the line a name, such as “Main line”.']);
        }
        if ($kind === 'button') {
            $document['button'] ??= $line->document['button'] ?? (new Button)->toArray();
        }
        $document['number'] = $kind === 'button' ? null : $this->number($business, (string) ($document['number'] ?? ''), $line);
        $document = array_filter($document, static fn (mixed $one): bool => $one !== null);
        try {
            $design = Design::fromArray($document);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['line' => array_map(static fn (array $one): string => "{$one['path']}: {$one['message']}.", array_slice($problem->problems, 0, 5))]);
        }
        $agent = $business->agents()->where('key', $design->agent)->first();
        if (! $agent instanceof Agent) {
            throw ValidationException::withMessages(['agent' => 'Choose the agent that answers.']);
        }
        // What goes round is refused; what is merely unfinished is a finding, until the line goes live.
        $circle = $this->lines->check($business, [$design->key => $design])->circle($design->key);
        if ($circle !== []) {
            $names = [...$this->lines->designs($business), $design->key => $design];

            throw ValidationException::withMessages(['line' => 'Calls would go round in a circle: '.implode(' → ', array_map(static fn (string $key): string => $names[$key]->name, $circle)).'. Nothing was changed.']);
        }

        return [$design, $agent];
    }

    private function number(Business $business, string $written, ?Line $line): string
    {
        $number = $this->plan->parse($written, $business->country);
        if ($number === null || ! $number->valid) {
            throw ValidationException::withMessages(['number' => $written === '' ? 'Give the line its number.' : "“{$written}” is no telephone number. Write it in national form, or with + and the country code."]);
        }
        $taken = Line::withTrashed()->where('e164', $number->e164)->when($line !== null, static fn ($query) => $query->whereKeyNot($line?->id))->first();
        if ($taken !== null) {
            throw ValidationException::withMessages(['number' => $taken->business_id === $business->id ? "{$number->inNationalFormat()} is the line “{$taken->name}” already." : "{$number->inNationalFormat()} is in use already."]);
        }

        return $number->e164;
    }

    /** @throws ValidationException where a line cannot go live as it is */
    private function stops(Business $business, Design $design): void
    {
        $stops = array_filter($this->lines->check($business, [$design->key => $design])->of($design), static fn (array $one): bool => $one['severity'] === LineCheck::STOPS);
        if ($stops !== []) {
            throw ValidationException::withMessages(['line' => array_values(array_column($stops, 'words'))]);
        }
    }

    private function freeKey(Business $business, string $wanted): string
    {
        $base = substr((string) preg_replace('/^[^a-z]+/', '', Str::slug($wanted)), 0, 34) ?: 'line';
        for ($key = $base, $n = 2; Line::withTrashed()->where('business_id', $business->id)->where('key', $key)->exists(); $n++) {
            $key = "{$base}-{$n}";
        }

        return $key;
    }
}
