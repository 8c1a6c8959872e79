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

    /** Tables that every turn of a call asks: their phrases are written out by tools/phrase-trees.php. */
    public const WRITTEN_OUT = ['acts', 'talk', 'yes_no'];

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
        if (count($sections) === 1 && in_array($table, self::WRITTEN_OUT, true)) {
            $this->tables["trees/{$table}"] ??= require "{$this->folder}/trees/{$table}.php";

            return Phrases::grown($this->tables["trees/{$table}"][$sections[0]] ?? throw new \OutOfBoundsException("The table {$table} has no section {$sections[0]}."));
        }
        $entries = [];
        foreach ($sections as $section) {
            $rows = $this->section($table, $section);
            $entries += array_is_list($rows) ? array_combine($rows, $rows) : $rows;
        }

        return new Phrases($entries);
    }
}
