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
        return $this->scripts[$text->agent_id.' '.$text->hash] ??= $this->opened($this->read($text), $text->agent_id);
    }

    /** A script that says itself when it is open needs to ask nobody. */
    private function opened(Script $script, int $agent): Script
    {
        return $script->hours->given() ? $script : $script->openAs($this->hours($agent));
    }

    /**
     * Where settings are worked out once for a server, so is what a text reads as: its folder is emptied whenever that server starts,
     * so that no reading outlives the code that made it.
     *
     * @throws \Ringo\Document\InvalidDocument
     */
    private function read(ScriptText $text): Script
    {
        if (! app()->configurationIsCached()) {
            return (new ScriptReader)->fromJson($text->document);
        }
        $file = dirname(app()->getCachedConfigPath())."/scripts/{$text->hash}";
        $kept = is_file($file) ? unserialize((string) file_get_contents($file)) : null;
        if ($kept instanceof Script) {
            return $kept;
        }
        $script = (new ScriptReader)->fromJson($text->document);
        is_dir(dirname($file)) || @mkdir(dirname($file), 0o700, true);
        // Written aside and put in place in one go: whoever reads meanwhile reads all of it or nothing.
        if (@file_put_contents($new = $file.'.'.getmypid(), serialize($script)) !== false) {
            rename($new, $file);
        }

        return $script;
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
