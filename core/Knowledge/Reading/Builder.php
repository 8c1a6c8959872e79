<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

use Ringo\Knowledge\Document;
use Ringo\Knowledge\Passage;
use Ringo\Knowledge\Table;

/** Gathers headings, paragraphs, lists and tables in reading order, and cuts passages by headings and by sense. */
final class Builder
{
    /** A passage longer than this is cut between paragraphs. */
    private const WORDS = 130;

    /** @var list<Passage> */
    private array $passages = [];

    /** @var list<Table> */
    private array $tables = [];

    /** @var array<int, string> headings by depth */
    private array $headings = [];

    /** @var list<string> */
    private array $sentences = [];

    private int $words = 0;

    private ?string $question = null;

    private readonly Sentences $cut;

    public function __construct(private readonly string $source)
    {
        $this->cut = new Sentences;
    }

    public function heading(int $depth, string $text): void
    {
        $this->close();
        $text = $this->plain($text);
        $this->headings = array_filter($this->headings, static fn (int $one): bool => $one < $depth, ARRAY_FILTER_USE_KEY);
        if ($text !== '') {
            $this->headings[$depth] = $text;
            ksort($this->headings);
        }
        $this->question = null;
    }

    public function paragraph(string $text): void
    {
        $text = $this->plain($text);
        if ($text === '') {
            return;
        }
        // 'Q: …' and 'A: …', or a paragraph that is one question.
        if (preg_match('/^(?:Q|Question)\s?[:.)]\s*(.+)$/isu', $text, $m) === 1) {
            $this->close();
            $parts = preg_split('/\s+(?:A|Answer)\s?[:.)]\s+/u', $m[1], 2) ?: [$m[1]];
            $this->question = trim($parts[0]);
            if (isset($parts[1])) {
                $this->paragraph($parts[1]);
                $this->close();
            }

            return;
        }
        $text = (string) preg_replace('/^(?:A|Answer)\s?[:.)]\s+/u', '', $text);
        if (preg_match('/^[^.!?]{6,140}\?$/u', $text) === 1) {
            $this->close();
            $this->question = $text;

            return;
        }
        $sentences = $this->cut->of($text);
        $words = str_word_count($text);
        if ($this->words > 0 && $this->words + $words > self::WORDS && $this->question === null) {
            $this->close(true);
        }
        array_push($this->sentences, ...$sentences);
        $this->words += $words;
    }

    public function item(string $text, ?string $intro = null): void
    {
        $text = $this->plain($text);
        if ($text === '') {
            return;
        }
        array_push($this->sentences, ...$this->cut->of(preg_match('/[.!?:]$/u', $text) === 1 ? $text : $text.'.'));
        $this->words += str_word_count($text);
    }

    /**
     * @param list<string> $columns
     * @param list<list<string>> $rows
     */
    public function table(array $columns, array $rows): void
    {
        $columns = array_map($this->plain(...), $columns);
        $rows = array_map(fn (array $row): array => array_map($this->plain(...), array_pad(array_slice($row, 0, count($columns)), count($columns), '')), $rows);
        $rows = array_values(array_filter($rows, static fn (array $row): bool => implode('', $row) !== ''));
        if (count($columns) < 2 || $rows === []) {
            return;
        }
        $question = array_search('question', array_map(mb_strtolower(...), $columns), true);
        $answer = array_search('answer', array_map(mb_strtolower(...), $columns), true);
        if (is_int($question) && is_int($answer)) {
            foreach ($rows as $row) {
                $this->close();
                $this->question = $row[$question];
                $this->paragraph($row[$answer]);
                $this->close();
            }

            return;
        }
        $this->tables[] = new Table($this->source, $this->nearest(), $columns, $rows, array_slice(array_values($this->headings), 0, -1));
    }

    public function document(): Document
    {
        $this->close();

        return new Document($this->source, $this->passages, $this->tables);
    }

    private function close(bool $goesOn = false): void
    {
        if ($this->sentences !== []) {
            $heading = $this->question ?? $this->nearest();
            $path = $this->question === null ? array_slice(array_values($this->headings), 0, -1) : array_values($this->headings);
            $asks = $this->question !== null || preg_match('/\?\s*$/', $heading) === 1;
            $this->passages[] = new Passage($this->source, $heading, array_values($path), $this->sentences, $asks ? 'qa' : 'prose');
        }
        $this->sentences = [];
        $this->words = 0;
        if (! $goesOn) {
            $this->question = null;
        }
    }

    private function nearest(): string
    {
        return $this->headings === [] ? '' : $this->headings[max(array_keys($this->headings))];
    }

    /** Without the marks of a page: bold, links, code. */
    private function plain(string $text): string
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            $text = mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        }
        $text = (string) preg_replace(['/!\[[^\]]*\]\([^)]*\)/u', '/\[([^\]]+)\]\([^)]*\)/u', '/<[^>]+>/', '/(\*\*|__|~~|`)(.+?)\1/u', '/(?<![\w*])\*([^*\n]+)\*(?![\w*])/u', '/(?<![\w_])_([^_\n]+)_(?![\w_])/u'], ['', '$1', ' ', '$2', '$1', '$1'], $text);

        return trim((string) preg_replace('/\s+/u', ' ', html_entity_decode($text, ENT_QUOTES | ENT_HTML5, 'UTF-8')), " \t\n\r\0\x0B");
    }
}
