<?php

declare(strict_types=1);

namespace App\Actions\Lines;

use App\Actions\Transfers\SwitchboardOf;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Line;
use Ringo\Line\Exchange;
use Ringo\Line\InWords;
use Ringo\Line\Line as Design;
use Ringo\Line\LineCheck;
use Ringo\Transfer\Switchboard;

/** The lines of a business as the core reads them, with who can be reached just now. */
final readonly class LinesOf
{
    public function __construct(private SwitchboardOf $switchboard)
    {
    }

    /** @return array<string, Design> by key */
    public function designs(Business $business): array
    {
        return $business->lines()->get()->mapWithKeys(static fn (Line $line): array => [$line->key => $line->design()])->all();
    }

    /** The exchange as it stands: which calls are in progress on which line counts. */
    public function exchange(Business $business): Exchange
    {
        $busy = [];
        foreach ($business->lines()->get() as $line) {
            $busy[$line->key] = Call::query()->where('line_id', $line->id)->where('status', 'in_progress')->count();
        }

        return new Exchange($this->designs($business), $business->brief()->hours, $this->switchboard->business($business), $busy, $business->agents()->pluck('name', 'key')->all());
    }

    /** @param array<string, Design> $designs lines that are not kept yet, in place of those that are */
    public function check(Business $business, array $designs = []): LineCheck
    {
        return new LineCheck([...$this->designs($business), ...$designs], $business->brief()->hours, $this->switchboard->business($business, true), $this->released($business), $business->agents()->pluck('name', 'key')->all());
    }

    public function words(Business $business, ?Switchboard $switchboard = null): InWords
    {
        return new InWords($this->designs($business), $switchboard ?? $this->switchboard->business($business, true), $business->agents()->pluck('name', 'key')->all());
    }

    /** @return array<string, list<string>> steps of the release an agent's lines run, by agent */
    public function released(Business $business): array
    {
        $steps = [];
        foreach ($business->agents()->with('latestRelease.scriptText')->get() as $agent) {
            /** @var Agent $agent */
            if ($agent->latestRelease !== null) {
                $steps[$agent->key] = array_map(strval(...), array_keys($agent->latestRelease->scriptText->script()->steps));
            }
        }

        return $steps;
    }
}
