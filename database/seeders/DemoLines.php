<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Brief\KeepBrief;
use App\Actions\Design\CreateAgent;
use App\Actions\Lines\KeepLine;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Line;
use App\Models\LineChange;
use App\Models\Release;
use App\Models\User;
use App\Support\Starters;
use Illuminate\Support\Carbon;
use Ringo\Line\Who;

/** The demonstration's briefs and lines, and which line each of its calls came in on. */
final readonly class DemoLines
{
    /** Days the lines have been live. */
    private const LIVE_DAYS = 40;

    public function __construct(private KeepBrief $briefs, private KeepLine $lines, private CreateAgent $agents, private Starters $starters)
    {
    }

    public function brief(Business $business): void
    {
        $this->briefs->keep($business, $this->file($business, 'brief.json'), null);
    }

    public function lines(Business $business, User $user): void
    {
        if ($business->key === 'quillmoor') {
            $this->reception($business, $user);
        }
        $made = [];
        foreach ($this->file($business, 'lines.json') as $document) {
            $kind = (string) ($document['kind'] ?? 'number');
            unset($document['kind']);
            $line = $this->lines->make($business, $document, $kind, $user);
            $made[$line->key] = $line;
        }
        // Live only once all are there: calls go on from one to another.
        foreach ($made as $line) {
            $release = $line->agent->releases()->first();
            if ($release instanceof Release) {
                $this->lines->live($line, $release, $user);
                $line->update(['live_since' => now()->subDays(self::LIVE_DAYS)]);
                LineChange::query()->where('line_id', $line->id)->update(['created_at' => now()->subDays(self::LIVE_DAYS)]);
            }
        }
        $this->came($business, $made);
    }

    /**
     * Calls of the demonstration came in on the line that was answered at their hour.
     *
     * @param array<string, Line> $lines
     */
    private function came(Business $business, array $lines): void
    {
        $hours = $business->brief()->hours;
        foreach (Call::query()->where('business_id', $business->id)->where('kind', 'live')->where('direction', 'inbound')->get(['id', 'agent_id', 'started_at', 'tz']) as $call) {
            $line = array_values(array_filter($lines, static fn (Line $one): bool => $one->agent_id === $call->agent_id && $one->kind === 'number'))[0] ?? null;
            foreach ($lines as $one) {
                if ($one->agent_id === $call->agent_id && $one->kind === 'number' && $one->design()->answering->at($call->placedAt()->toDateTimeImmutable(), $hours)->answer->who !== Who::Forward) {
                    $line = $one;

                    break;
                }
            }
            if ($line !== null) {
                Call::query()->toBase()->where('id', $call->id)->update(['line_id' => $line->id, 'to' => $line->e164]);
            }
        }
    }

    /** Somebody who answers the office of a business whose other agent only calls out. */
    private function reception(Business $business, User $user): void
    {
        $agent = $this->agents->from($business, $this->agents->fitted($this->starters->filled('message'), $business, 'Wren'), $user, 'from the starter message');
        $agent = Agent::query()->with('draft')->findOrFail($agent->id);
        Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $agent->draft->script_text_id, 'number' => 1, 'note' => 'First release: takes messages for the office', 'created_at' => Carbon::now()->subDays(self::LIVE_DAYS)]);
    }

    /** @return array<array-key, mixed> */
    private function file(Business $business, string $name): array
    {
        return json_decode((string) file_get_contents(database_path("demo/{$business->key}/{$name}")), true, 32, JSON_THROW_ON_ERROR);
    }
}
