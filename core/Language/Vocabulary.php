<?php

declare(strict_types=1);

namespace Ringo\Language;

/**
 * The word tables of one language. A second language is a second folder of the same files.
 *
 * Tables are read when first asked for and kept as long as the object.
 */
final class Vocabulary
{
    /** @var array<string, array<string, mixed>> */
    private array $tables = [];

    /** @var array<string, array<string, true>> */
    private array $sets = [];

    /** @var array<string, Phrases<mixed>> */
    private array $phrases = [];

    /** @var array<string, array<string, Phrases<mixed>>> those of one section, by table */
    private array $single = [];

    private function __construct(private readonly string $folder, public readonly string $language)
    {
    }

    /** @throws \InvalidArgumentException where no tables of that language are shipped */
    public static function of(string $language = 'en'): self
    {
        $folder = __DIR__.'/'.$language;
        if (preg_match('/^[a-z]{2}$/', $language) !== 1 || ! is_dir($folder)) {
            throw new \InvalidArgumentException("There are no word tables for the language “{$language}”; English (en) is there.");
        }

        return new self($folder, $language);
    }

    /** Tables that turns of a call ask: their phrases are written out by tools/phrase-trees.php, so that no process has to cut them. */
    public const WRITTEN_OUT = ['acts', 'address', 'calendar', 'extraction', 'letters', 'names', 'numbers', 'outbound', 'preambles', 'questions', 'several', 'spelling', 'talk', 'units', 'weighing', 'wish_answers', 'wish_series', 'wishes', 'yes_no'];

    /** Sections of a table that are asked for as one. */
    public const TOGETHER = ['talk' => ['soft+about+corrections', 'soft+fillers', 'questions+what_day+open+who+machine', 'doubt+refusals+nothing_more']];

    /** @return array<array-key, mixed> one section of a table */
    public function section(string $table, string $section): array
    {
        $this->tables[$table] ??= require "{$this->folder}/{$table}.php";

        return $this->tables[$table][$section]
            ?? throw new \OutOfBoundsException("The table {$table} has no section {$section}.");
    }

    /** @return array<string, true> a long list of words as a set */
    public function set(string $list): array
    {
        return $this->sets[$list] ??= require "{$this->folder}/{$list}.php";
    }

    /** @return Phrases<mixed> a section as phrases; a plain list stands for itself */
    public function phrases(string $table, string ...$sections): Phrases
    {
        // Mostly one, and asked for many times a turn.
        if (count($sections) === 1 && isset($sections[0])) {
            return $this->single[$table][$sections[0]] ??= $this->build($table, [$sections[0]]);
        }
        $name = $table.'/'.implode('+', $sections);

        return $this->phrases[$name] ??= $this->build($table, array_values($sections));
    }

    /**
     * @param list<string> $sections
     *
     * @return Phrases<mixed>
     */
    private function build(string $table, array $sections): Phrases
    {
        $tree = $this->tree($table, implode('+', $sections));

        return $tree === null ? new Phrases($this->entries($table, $sections)) : Phrases::grown($tree);
    }

    /**
     * Phrases put together from several tables, or with meanings of their own: as they were written out under a name, or put together now.
     *
     * @template T
     *
     * @param callable(): array<string, T> $entries
     *
     * @return Phrases<T>
     */
    public function composed(string $name, callable $entries): Phrases
    {
        $tree = $this->tree('composed', $name);

        /** @var Phrases<T> */
        return $tree === null ? new Phrases($entries()) : Phrases::grown($tree);
    }

    /**
     * @param list<string> $sections
     *
     * @return array<string, mixed> phrases of sections and what each stands for
     */
    public function entries(string $table, array $sections): array
    {
        $entries = [];
        foreach ($sections as $section) {
            $rows = $this->section($table, $section);
            $entries += array_is_list($rows) ? array_combine($rows, $rows) : $rows;
        }

        return $entries;
    }

    /** Whether a section can be phrases at all: a list of them, or what each stands for; not a table of figures or of lists without a name. */
    public static function ofPhrases(mixed $section): bool
    {
        return is_array($section) && $section !== [] && (array_is_list($section) ? array_filter($section, is_string(...)) === $section : array_filter(array_keys($section), is_string(...)) !== []);
    }

    /** @return array<string, mixed>|null as it was written out; null where it was not */
    private function tree(string $table, string $name): ?array
    {
        if ($table !== 'composed' && ! in_array($table, self::WRITTEN_OUT, true)) {
            return null;
        }
        $this->tables["trees/{$table}"] ??= is_file($file = "{$this->folder}/trees/{$table}.php") ? require $file : [];

        return $this->tables["trees/{$table}"][$name] ?? null;
    }
}
