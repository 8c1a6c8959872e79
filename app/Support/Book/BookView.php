<?php

declare(strict_types=1);

namespace App\Support\Book;

use App\Actions\Design\EditDraft;
use App\Models\Agent;
use App\Models\Draft;
use App\Support\AgentState;
use Ringo\Design\References;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Inspector;
use Ringo\Inspection\Placeholders;
use Ringo\Language\Vocabulary;
use Ringo\Script\Spine;

/** The prompt book of a draft as pieces of page: rows, findings, the form of one step. */
final readonly class BookView
{
    public function __construct(private Inspector $inspector, private Vocabulary $words, private AgentState $state, private EditDraft $edit)
    {
    }

    /** @return array<string, mixed> what the page needs */
    public function page(Agent $agent): array
    {
        $document = $agent->draft->scriptText->document();
        $spine = Spine::of($document->script);
        $findings = $this->inspector->inspect($document, $agent->surroundings());

        return [
            'script' => $document->script,
            'spine' => $spine,
            'rows' => (new PromptRows($document->script, $spine))->rows(),
            'findings' => $findings,
            'byStep' => $this->byStep($findings),
            'version' => $agent->draft->version,
            'undoable' => $this->undoable($agent),
        ];
    }

    /**
     * What the page must change after an edit.
     *
     * @param array<string, string> $have the rows the page shows, by hash
     *
     * @return array<string, mixed>
     */
    public function changed(Agent $agent, Draft $draft, array $have): array
    {
        $agent->setRelation('draft', $draft);
        $page = $this->page($agent);
        $rows = [];
        $order = [];
        $hashes = [];
        foreach ($page['rows'] as $row) {
            $key = $row['step']->key();
            $html = view('parts.book.row', ['row' => $row, 'script' => $page['script'], 'spine' => $page['spine'], 'findings' => $page['byStep'][$key] ?? [], 'agent' => $agent])->render();
            $hash = self::hash($html);
            $order[] = $key;
            $hashes[$key] = $hash;
            if (($have[$key] ?? null) !== $hash) {
                $rows[$key] = $html;
            }
        }

        return [
            'version' => $draft->version,
            'state' => $this->state->inWords($agent),
            'order' => $order,
            'rows' => $rows,
            'hashes' => $hashes,
            'lanes' => min(10, $page['spine']->lanes),
            'findings' => view('parts.book.findings', ['findings' => $page['findings'], 'agent' => $agent])->render(),
            'count' => $this->count($page['findings']),
            'undoable' => $this->undoable($agent),
        ];
    }

    /** @return array{version: int, words: string}|null the change that can be taken back next */
    private function undoable(Agent $agent): ?array
    {
        $version = $this->edit->undoable($agent);

        return $version === null ? null : ['version' => $version->version, 'words' => $version->words];
    }

    public static function hash(string $html): string
    {
        return substr(hash('xxh3', $html), 0, 12);
    }

    /** The form of a step, to open in its row. */
    public function form(Agent $agent, string $key): string
    {
        $document = $agent->draft->scriptText->document();
        $design = new Design($document, $this->words, $agent->surroundings());

        return view('parts.book.edit', [
            'agent' => $agent,
            'document' => $document,
            'script' => $document->script,
            'step' => $document->step($key),
            'typed' => $document->script->step($key),
            'from' => (new References)->to($document->toArray(), $key),
            'files' => $agent->business->fileNames(),
            'errands' => $agent->business->errandDesigns(),
            'offered' => (new Placeholders($design))->offered($key),
            'findings' => $this->byStep($this->inspector->inspect($document, $agent->surroundings()))[$key] ?? [],
        ])->render();
    }

    /** @param list<Finding> $findings */
    public function count(array $findings): string
    {
        $n = array_count_values(array_map(static fn (Finding $finding): string => $finding->severity->value, $findings));
        $parts = [];
        foreach (['error' => 'errors', 'warning' => 'warnings', 'note' => 'notes'] as $one => $many) {
            if (isset($n[$one])) {
                $parts[] = $n[$one].' '.($n[$one] === 1 ? $one : $many);
            }
        }

        return $parts === [] ? 'nothing found' : implode(', ', $parts);
    }

    /**
     * @param list<Finding> $findings
     *
     * @return array<string, list<Finding>>
     */
    private function byStep(array $findings): array
    {
        $by = [];
        foreach ($findings as $finding) {
            $by[$finding->step ?? ''][] = $finding;
        }

        return $by;
    }
}
