<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use App\Models\KnowledgePassage;
use App\Models\KnowledgeTable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Ringo\Knowledge\Passage;
use Ringo\Knowledge\Shelf;
use Ringo\Knowledge\Table;

/** The passages of a business in the database: only what a question touches is read, however much there is. */
final class DatabaseShelf implements Shelf
{
    /** @var array<string, array<int, float>> */
    private array $postings = [];

    /** Postings read of one word; a word that stands nearly everywhere tells little. */
    private const STRONGEST = 300;

    /** @var array<int, true>|null */
    private ?array $hidden = null;

    /** @var array<int, int> */
    private array $lengths = [];

    /** @var array<int, array{Passage, int}> */
    private array $passages = [];

    /** @var array{count: int, average: float}|null */
    private ?array $size = null;

    /** @var list<Table>|null */
    private ?array $tables = null;

    public function __construct(private readonly int $business, private readonly int $version)
    {
    }

    public function postings(string $key): array
    {
        $key = mb_substr($key, 0, 80);
        if (! isset($this->postings[$key])) {
            $this->postings[$key] = [];
            foreach (DB::table('knowledge_postings')->where('business_id', $this->business)->where('term', $key)->orderByDesc('tf')->limit(self::STRONGEST)->get(['passage_id', 'tf', 'length']) as $row) {
                if (isset($this->hidden()[(int) $row->passage_id])) {
                    continue;
                }
                $this->postings[$key][(int) $row->passage_id] = (float) $row->tf;
                $this->lengths[(int) $row->passage_id] = (int) $row->length;
            }
        }

        return $this->postings[$key];
    }

    /** @return array<int, true> passages of a document that is being indexed, or was replaced just now; nearly always none */
    private function hidden(): array
    {
        return $this->hidden ??= array_fill_keys(array_map(intval(...), DB::table('knowledge_passages')->where('business_id', $this->business)->where('shown', false)->pluck('id')->all()), true);
    }

    public function spread(string $key): int
    {
        $found = count($this->postings($key));

        return $found < self::STRONGEST ? $found : Cache::remember("knowledge.{$this->business}.{$this->version}.spread.{$key}", 3600, fn (): int => DB::table('knowledge_postings')->where('business_id', $this->business)->where('term', mb_substr($key, 0, 80))->count());
    }

    public function passage(int $id): Passage
    {
        return $this->load($id)[0];
    }

    public function length(int $id): int
    {
        return $this->lengths[$id] ?? $this->load($id)[1];
    }

    public function averageLength(): float
    {
        return $this->size()['average'];
    }

    public function count(): int
    {
        return $this->size()['count'];
    }

    /** Passages are told by their number in the database; few of them are all looked at, whatever words they share. */
    public function ids(): array
    {
        return array_values(array_map(intval(...), KnowledgePassage::query()->where('business_id', $this->business)->where('shown', true)->orderBy('id')->pluck('id')->all()));
    }

    public function tables(): array
    {
        if ($this->tables === null) {
            $this->tables = [];
            /** @var KnowledgeTable $table */
            foreach (KnowledgeTable::query()->with('source')->where('business_id', $this->business)->orderBy('id')->get() as $table) {
                $this->tables[] = new Table($table->source->name, $table->heading, $table->columns, $table->rows);
            }
        }

        return $this->tables;
    }

    public function stemsFrom(string $letters): array
    {
        return Cache::remember("knowledge.{$this->business}.{$this->version}.stems.{$letters}", 3600, fn (): array => DB::table('knowledge_postings')->where('business_id', $this->business)->where('term', '>=', $letters)->where('term', '<', $letters.'~')->distinct()->pluck('term')->all());
    }

    /** @return array{Passage, int} */
    private function load(int $id): array
    {
        if (! isset($this->passages[$id])) {
            $row = KnowledgePassage::query()->with('source')->whereKey($id)->firstOrFail();
            $this->passages[$id] = [new Passage($row->source->name, $row->heading, $row->path, $row->sentences, in_array($row->kind, ['qa', 'table'], true) ? $row->kind : 'prose', $row->leads_to), $row->length];
        }

        return $this->passages[$id];
    }

    /** @param list<int> $ids */
    public function prepare(array $ids): void
    {
        $wanted = array_values(array_filter($ids, fn (int $id): bool => ! isset($this->passages[$id])));
        /** @var KnowledgePassage $row */
        foreach ($wanted === [] ? [] : KnowledgePassage::query()->with('source')->whereIn('id', $wanted)->get() as $row) {
            $this->passages[$row->id] = [new Passage($row->source->name, $row->heading, $row->path, $row->sentences, in_array($row->kind, ['qa', 'table'], true) ? $row->kind : 'prose', $row->leads_to), $row->length];
        }
    }

    /** @return array{count: int, average: float} */
    private function size(): array
    {
        if ($this->size === null) {
            $row = DB::table('knowledge_passages')->where('business_id', $this->business)->where('shown', true)->selectRaw('count(*) as n, avg(length) as a')->first();
            $this->size = ['count' => (int) ($row->n ?? 0), 'average' => max(1.0, (float) ($row->a ?? 1))];
        }

        return $this->size;
    }
}
