<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use App\Models\Business;
use App\Models\KnowledgePassage;
use App\Models\KnowledgeSource;
use App\Models\KnowledgeTable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Ringo\Knowledge\Document;
use Ringo\Knowledge\Library;
use Ringo\Knowledge\MemoryShelf;
use Ringo\Knowledge\Passage;
use Ringo\Knowledge\Reading\UnreadableSource;
use Ringo\Knowledge\Terms;
use Ringo\Language\Vocabulary;

/** Keeps what a business has written: read, cut into passages and indexed, all or nothing. */
final readonly class KeepSource
{
    /** Most words a business may keep: about 1,500 pages. */
    public const WORDS = 900_000;

    /** Terms that are written in one go, and passages that are taken away: about a tenth of a second. */
    private const TOGETHER = 1_000;

    private const CLEARED = 30;

    /** Seconds that the largest document takes. */
    private const LONGEST = 120;

    public function __construct(private Library $library, private Vocabulary $words, private CheckAnswers $checks)
    {
    }

    /**
     * @param string $bytes as they came; a PDF is kept as its text
     *
     * @throws UnreadableSource
     */
    public function keep(Business $business, string $name, string $kind, string $bytes, ?string $url = null, ?KnowledgeSource $known = null): KnowledgeSource
    {
        $document = $this->library->read($name, $bytes);
        if ($document->passages === [] && $document->tables === []) {
            throw new UnreadableSource("{$name}: there is nothing in it to answer from.");
        }
        $others = (int) KnowledgeSource::query()->where('business_id', $business->id)->when($known !== null, static fn ($query) => $query->whereKeyNot($known?->id))->sum('words');
        if ($others + $document->words() > self::WORDS) {
            throw new UnreadableSource("{$name}: with it the business would have more than about 1,500 pages. Take something out first.");
        }
        $text = str_starts_with($bytes, '%PDF-') ? $this->asMarkdown($document) : mb_scrub($bytes);
        // One after another for one document; calls that ring meanwhile wait for none of them.
        $source = Cache::lock("knowledge {$business->id} {$name}", self::LONGEST)->block(self::LONGEST, fn (): KnowledgeSource => $this->replaced($business, $name, $kind, $text, $url, $known, $document));
        $this->checks->run($business->refresh());

        return $source;
    }

    /** The new passages are written where nobody sees them, and take the place of the old ones in one short go. */
    private function replaced(Business $business, string $name, string $kind, string $text, ?string $url, ?KnowledgeSource $known, Document $document): KnowledgeSource
    {
        $source = $known ?? KnowledgeSource::withTrashed()->where('business_id', $business->id)->where('name', $name)->first();
        $new = $source === null;
        $source ??= KnowledgeSource::query()->create(['business_id' => $business->id, 'name' => $name, 'kind' => $kind, 'url' => $url, 'text' => '', 'fetched_at' => null])->refresh();
        $this->clear($source);
        try {
            $left = $this->index($source, $document, new Terms($this->words, $business->own_words ?? []));
            $before = $new ? null : $this->lines($source);
            $now = array_map(static fn (Passage $passage): string => $passage->text(), $document->passages);
            $change = $before === null ? null : ['added' => array_values(array_slice(array_map(static fn (string $one): string => mb_substr($one, 0, 200), array_diff($now, $before)), 0, 20)), 'removed' => array_values(array_slice(array_map(static fn (string $one): string => mb_substr($one, 0, 200), array_diff($before, $now)), 0, 20))];
            DB::transaction(function () use ($source, $business, $name, $text, $url, $new, $change, $document, $left): void {
                KnowledgePassage::query()->where('knowledge_source_id', $source->id)->update(['shown' => DB::raw('not shown')]);
                KnowledgeTable::query()->where('knowledge_source_id', $source->id)->delete();
                foreach ($document->tables as $table) {
                    KnowledgeTable::query()->create(['business_id' => $source->business_id, 'knowledge_source_id' => $source->id, 'heading' => mb_substr($table->heading, 0, 250), 'columns' => $table->columns, 'rows' => $table->rows]);
                }
                $source->restore();
                $changed = ! $new && ($change !== null && ($change['added'] !== [] || $change['removed'] !== []) || $source->text !== $text);
                $source->update(['name' => $name, 'text' => $text, 'version' => $source->version + ($changed ? 1 : 0), 'last_change' => $changed ? $change : $source->last_change, 'url' => $url ?? $source->url, 'fetched_at' => $url === null ? $source->fetched_at : now(), 'words' => $document->words(), 'left_out' => $left === [] ? null : $left, 'pieces' => max(0, count($document->passages) + count($document->tables) - count($left))]);
                Business::query()->whereKey($business->id)->increment('knowledge_version');
            });
        } catch (\Throwable $problem) {
            // All or nothing: what was written aside goes again, and what was there stays.
            $this->clear($source);
            $new && $source->forceDelete();

            throw $problem;
        }
        $this->clear($source);

        return $source->refresh();
    }

    public function remove(KnowledgeSource $source): void
    {
        DB::transaction(static function () use ($source): void {
            KnowledgePassage::query()->where('knowledge_source_id', $source->id)->update(['shown' => false]);
            KnowledgeTable::query()->where('knowledge_source_id', $source->id)->delete();
            $source->delete();
            Business::query()->whereKey($source->business_id)->increment('knowledge_version');
        });
        $this->clear($source);
        $this->checks->run($source->business->refresh());
    }

    public function restore(KnowledgeSource $source): void
    {
        $this->keep($source->business, $source->name, $source->kind, $source->text, null, $source);
    }

    /**
     * Writes the passages of a document, a few at a time, so that the lock is held briefly; nobody sees them yet. What was left out stays
     * out, and how often each has answered is carried on.
     *
     * @return list<array{mark: string, heading: string, text: string}> what was left out and still stands in it
     */
    private function index(KnowledgeSource $source, Document $document, Terms $terms): array
    {
        $waiting = [];
        $size = 0;
        $out = array_column($source->left_out ?? [], null, 'mark');
        $left = [];
        $answered = $source->passages()->where('answered', '>', 0)->get()->mapWithKeys(static fn (KnowledgePassage $one): array => [$one->mark() => $one->answered])->all();
        foreach ([...$document->passages, ...array_merge([], ...array_map(Passage::ofTable(...), $document->tables))] as $passage) {
            $mark = KnowledgePassage::marked($passage->heading, $passage->sentences);
            if (isset($out[$mark])) {
                $left[$mark] = $out[$mark];

                continue;
            }
            $keys = $terms->keys($passage->text());
            $tf = [];
            foreach ([[$keys, 1.0], [$terms->keys($passage->heading), 2.2], [$terms->keys(implode('. ', $passage->path).'. '.MemoryShelf::name($source->name)), 1.0]] as [$some, $weight]) {
                foreach ($some as $key) {
                    $key = mb_substr($key, 0, 80);
                    $tf[$key] = ($tf[$key] ?? 0.0) + $weight;
                }
            }
            $waiting[] = [['business_id' => $source->business_id, 'knowledge_source_id' => $source->id, 'heading' => mb_substr($passage->heading, 0, 250), 'path' => $passage->path, 'sentences' => $passage->sentences, 'kind' => $passage->kind, 'leads_to' => $passage->leadsTo, 'length' => count($keys), 'answered' => $answered[$mark] ?? 0, 'shown' => false], $tf];
            $size += count($tf);
            if ($size > self::TOGETHER) {
                $this->write($waiting);
                [$waiting, $size] = [[], 0];
            }
        }
        $this->write($waiting);

        return array_values($left);
    }

    /** @param list<array{array<string, mixed>, array<array-key, float>}> $passages with the weights of their terms */
    private function write(array $passages): void
    {
        DB::transaction(static function () use ($passages): void {
            $postings = [];
            foreach ($passages as [$attributes, $tf]) {
                $row = KnowledgePassage::query()->create($attributes);
                foreach ($tf as $key => $value) {
                    $postings[] = ['business_id' => $row->business_id, 'term' => (string) $key, 'passage_id' => $row->id, 'tf' => $value, 'length' => $row->length];
                }
            }
            foreach (array_chunk($postings, 180) as $some) {
                DB::table('knowledge_postings')->insert($some);
            }
        });
    }

    /** Takes away what is not shown, a few passages at a time: what was replaced, and what a process that died had begun. */
    private function clear(KnowledgeSource $source): void
    {
        do {
            $ids = KnowledgePassage::query()->where('knowledge_source_id', $source->id)->where('shown', false)->limit(self::CLEARED)->pluck('id')->all();
            DB::table('knowledge_passages')->whereIn('id', $ids)->delete();
        } while (count($ids) === self::CLEARED);
    }

    /** @return list<string> */
    private function lines(KnowledgeSource $source): array
    {
        return array_values($source->passages()->where('kind', '!=', 'table')->get()->map(static fn (KnowledgePassage $passage): string => implode(' ', $passage->sentences))->all());
    }

    private function asMarkdown(Document $document): string
    {
        $text = '';
        $heading = null;
        foreach ($document->passages as $passage) {
            if ($passage->heading !== $heading) {
                $text .= ($text === '' ? '' : "\n").($passage->heading === '' ? '' : "## {$passage->heading}\n\n");
                $heading = $passage->heading;
            }
            $text .= $passage->text()."\n\n";
        }

        return trim($text)."\n";
    }
}
