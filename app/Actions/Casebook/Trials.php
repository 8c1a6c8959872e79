<?php

declare(strict_types=1);

namespace App\Actions\Casebook;

use App\Actions\Diary\DiariesOf;
use App\Actions\Knowledge\KnowledgeOf;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Agent;
use App\Models\ScriptText;
use Ringo\Dialogue\Engine;
use Ringo\Diary\Diaries;
use Ringo\Rehearsal\Casebook\Trial;
use Ringo\Rehearsal\SketchBook;

/** The trials of one run of an agent's casebook: what an engine has worked out for a script serves all cases, bookings serve one. */
final class Trials
{
    /** @var array<int, array{Engine, SketchBook}> by script text */
    private array $engines = [];

    public function __construct(private readonly Agent $agent, private readonly SwitchboardOf $switchboard, private readonly KnowledgeOf $knowledge, private readonly DiariesOf $diaries)
    {
    }

    public function on(ScriptText $text): Trial
    {
        return new Trial(...($this->engines[$text->id] ??= $this->made($text)));
    }

    /** @return array{Engine, SketchBook} */
    private function made(ScriptText $text): array
    {
        $business = $this->agent->business;
        $book = new SketchBook(Diaries::fromArray($this->diaries->document($business)));

        return [Engine::for($text->script(), $this->switchboard->business($business, true), $this->knowledge->forCalls($business), appointments: $book, errands: $business->errandDesigns()), $book];
    }
}
