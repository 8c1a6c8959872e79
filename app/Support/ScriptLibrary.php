<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Agent;
use App\Models\Business;
use App\Models\ScriptText;
use Ringo\Brief\Brief;
use Ringo\Brief\OpeningHours;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;

/** Script texts that were read in this request; a text never changes, so it is read once. */
final class ScriptLibrary
{
    /** @var array<string, Script> by agent and hash */
    private array $scripts = [];

    /** @var array<int, OpeningHours> by agent */
    private array $hours = [];

    /** @var array<string, ScriptDocument> by hash */
    private array $documents = [];

    /** @throws \Ringo\Document\InvalidDocument */
    public function documentOf(ScriptText $text): ScriptDocument
    {
        return $this->documents[$text->hash] ??= ScriptDocument::fromJson($text->document);
    }

    /** @throws \Ringo\Document\InvalidDocument */
    public function of(ScriptText $text): Script
    {
        return $this->scripts[$text->agent_id.' '.$text->hash] ??= (new ScriptReader)->fromJson($text->document)->openAs($this->hours($text->agent_id));
    }

    /** When the business of an agent is open, as its brief says. */
    private function hours(int $agent): OpeningHours
    {
        if (! isset($this->hours[$agent])) {
            $business = Agent::withTrashed()->with('business')->find($agent)?->business;
            $this->hours[$agent] = ($business instanceof Business ? $business->brief() : Brief::blank())->hours;
        }

        return $this->hours[$agent];
    }
}
