<?php

declare(strict_types=1);

namespace Ringo\Language;

/**
 * A general lexicon of everyday words: what words have to do with each other.
 *
 * Every word has a small vector made from a dictionary's synonyms, broader words and glosses (tools/lexicon.py), and the ideas of
 * concepts.php it belongs to. It is loaded when first asked for.
 */
final class Lexicon
{
    private const DIMS = 96;

    /** Bytes of a record of the index: hash of a stem, its place, its count (tools/lexicon-index.php). */
    private const RECORD = 8;

    private string $index = '';

    /** @var ?resource */
    private $vectorFile;

    /** @var array<string, array{int, int}|null> */
    private array $entries = [];

    /** @var array<string, list<float>|null> */
    private array $vectors = [];

    /** @var array<string, float> */
    private array $known = [];

    /** @var array<string, list<string>>|null ideas by the stems of one-word sayings */
    private ?array $wordIdeas = null;

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    public function __construct(private readonly Vocabulary $words)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
    }

    /** How much two stems have to do with each other: 1 the same, 0 nothing; unknown words are like themselves alone. */
    public function likeness(string $a, string $b): float
    {
        if ($a === $b) {
            return 1.0;
        }
        $name = $a < $b ? $a.' '.$b : $b.' '.$a;
        if (isset($this->known[$name])) {
            return $this->known[$name];
        }
        if (count($this->known) > 100_000) {
            $this->known = [];
        }
        $x = $this->vector($a);
        $y = $this->vector($b);
        if ($x === null || $y === null) {
            return $this->known[$name] = 0.0;
        }
        $dot = 0.0;
        foreach ($x as $i => $value) {
            $dot += $value * $y[$i];
        }

        return $this->known[$name] = max(0.0, $dot);
    }

    /** How much a stem tells: rare words much, everyday ones little. From about 0.3 to 1. */
    public function weight(string $stem): float
    {
        $count = $this->entry($stem)[1] ?? 0;

        return max(0.3, 1.0 - 0.1 * log(1 + $count / 4));
    }

    public function knows(string $stem): bool
    {
        return $this->entry($stem) !== null;
    }

    /**
     * The ideas a text speaks of, each with the strongest saying that shows it.
     *
     * @return array<string, float> idea => words in the saying, longer ones weigh more
     */
    public function ideas(string $text): array
    {
        $stems = array_map(fn (string $word): string => $this->stemmer->stem($word), $this->tokenizer->words($text));
        $this->ideaTables();
        $found = [];
        for ($i = 0, $n = count($stems); $i < $n; $i++) {
            for ($length = min(5, $n - $i); $length >= 1; $length--) {
                $saying = implode(' ', array_slice($stems, $i, $length));
                foreach ($this->wordIdeas[$saying] ?? [] as $idea) {
                    $found[$idea] = max($found[$idea] ?? 0.0, $length === 1 ? 1.0 : 1.0 + 0.35 * ($length - 1));
                }
            }
        }

        return $found;
    }

    /** @return list<string> the ideas one stem belongs to */
    public function ideasOf(string $stem): array
    {
        $this->ideaTables();

        return $this->wordIdeas[$stem] ?? [];
    }

    private function ideaTables(): void
    {
        $this->wordIdeas ??= require __DIR__.'/'.$this->words->language.'/ideas.php';
    }

    /** @return list<float>|null */
    private function vector(string $stem): ?array
    {
        if (array_key_exists($stem, $this->vectors)) {
            return $this->vectors[$stem];
        }
        $place = $this->entry($stem)[0] ?? null;
        if ($place === null || $this->vectorFile === null) {
            return $this->vectors[$stem] = null;
        }
        fseek($this->vectorFile, $place * self::DIMS);
        $values = array_values(unpack('c*', (string) fread($this->vectorFile, self::DIMS)) ?: []);
        $length = sqrt(array_sum(array_map(static fn (int $v): int => $v * $v, $values)));

        return $this->vectors[$stem] = $length > 0 ? array_map(static fn (int $v): float => $v / $length, $values) : null;
    }

    /** @return array{int, int}|null place among the vectors, and how often it stands in running text */
    private function entry(string $stem): ?array
    {
        if (array_key_exists($stem, $this->entries)) {
            return $this->entries[$stem];
        }
        $this->load();
        $wanted = pack('N', crc32($stem));
        $low = 0;
        $high = intdiv(strlen($this->index), self::RECORD) - 1;
        while ($low <= $high) {
            $middle = ($low + $high) >> 1;
            $order = strcmp(substr($this->index, $middle * self::RECORD, 4), $wanted);
            if ($order === 0) {
                /** @var array{place: int, count: int} $found */
                $found = unpack('nplace/ncount', $this->index, $middle * self::RECORD + 4);

                return $this->entries[$stem] = [$found['place'], $found['count']];
            }
            $order < 0 ? $low = $middle + 1 : $high = $middle - 1;
        }

        return $this->entries[$stem] = null;
    }

    private function load(): void
    {
        if ($this->vectorFile === null) {
            $folder = __DIR__.'/'.$this->words->language.'/lexicon';
            $this->index = (string) file_get_contents($folder.'/index.bin');
            $this->vectorFile = fopen($folder.'/vectors.bin', 'r') ?: throw new \RuntimeException("{$folder}/vectors.bin cannot be read");
        }
    }
}
