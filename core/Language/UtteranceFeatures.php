<?php

declare(strict_types=1);

namespace Ringo\Language;

/** What of an utterance, and of the question before it, small models learn from: words, neighbours, how it begins and ends, kinds of words, what was asked. */
final class UtteranceFeatures
{
    /** Features are hashed into so many places. */
    public const PLACES = 65536;

    private const LONGEST = 12;

    private const WORDS = 40;

    private const EDGE = 3;

    /** What a word of grammar counts in the meaning of an utterance, beside one for any other. */
    private const GRAMMAR = 0.3;

    private readonly Tokenizer $tokenizer;

    private readonly WordVectors $vectors;

    /** @var array<string, true> */
    private readonly array $function;

    /** @var array<string, array{int|string, int|string}> kinds of words met before */
    private array $kinds = [];

    public function __construct()
    {
        $this->tokenizer = new Tokenizer;
        $this->vectors = WordVectors::english();
        $this->function = Vocabulary::of()->set('function_words');
    }

    /**
     * @param string $asked the question before it, empty where it was open
     * @param string $type what was asked for: a value type, or topic
     *
     * @return list<int> places, each once
     */
    public function of(string $said, string $asked, string $type): array
    {
        $words = array_slice($this->tokenizer->words($said), 0, self::WORDS);
        $question = array_values(array_unique($this->tokenizer->words($asked)));
        $found = [...$this->asked($words, $question, $type), ...$this->said($words, $type), ...$this->edges($words, $type), ...$this->kindsOf($words)];

        return array_values(array_unique(array_map(static fn (string $one): int => crc32($one) & (self::PLACES - 1), $found)));
    }

    /** @return list<float> what an utterance means as one vector, the sum of its words' of length one: words of grammar count little; noughts where no word is known */
    public function meaning(string $said): array
    {
        $sum = array_fill(0, WordVectors::SIZE, 0.0);
        foreach (array_slice($this->tokenizer->words($said), 0, self::WORDS) as $word) {
            $weight = isset($this->function[$word]) ? self::GRAMMAR : 1.0;
            foreach ($this->vectors->vector($word) ?? [] as $i => $value) {
                $sum[$i] += $weight * $value;
            }
        }
        $length = sqrt(array_sum(array_map(static fn (float $one): float => $one * $one, $sum)));

        return array_values($length > 0.0 ? array_map(static fn (float $one): float => $one / $length, $sum) : $sum);
    }

    /**
     * @param list<string> $words
     * @param list<string> $question
     *
     * @return list<string>
     */
    private function asked(array $words, array $question, string $type): array
    {
        $length = min(self::LONGEST, count($words));
        $echo = array_intersect($words, $question);
        $found = ["t:{$type}", "n:{$length}", "tn:{$type} {$length}", 'o:'.min(self::EDGE, count($echo)), 'qf:'.implode(' ', array_slice($question, 0, 2))];
        foreach ($question as $word) {
            $found[] = "q:{$word}";
        }
        if ($words !== []) {
            $found[] = 'qw:'.($question[0] ?? '').' '.$words[0];
        }

        return $found;
    }

    /**
     * @param list<string> $words
     *
     * @return list<string>
     */
    private function said(array $words, string $type): array
    {
        $found = [];
        $last = count($words) - 1;
        foreach ($words as $i => $word) {
            $found[] = "1:{$word}";
            $found[] = "t1:{$type} {$word}";
            $found[] = 'p:'.($i < 2 ? 's' : ($i > $last - 2 ? 'e' : 'm'))." {$word}";
            if ($i > 0) {
                $found[] = "2:{$words[$i - 1]} {$word}";
            }
            if ($i > 1) {
                $found[] = "3:{$words[$i - 2]} {$words[$i - 1]} {$word}";
            }
        }

        return $found;
    }

    /**
     * @param list<string> $words
     *
     * @return list<string> how it begins and ends, and short utterances whole
     */
    private function edges(array $words, string $type): array
    {
        $found = [];
        for ($n = 1; $n <= self::EDGE && $n <= count($words); $n++) {
            $found[] = 'f:'.implode(' ', array_slice($words, 0, $n));
            $found[] = 'l:'.implode(' ', array_slice($words, -$n));
        }
        if ($words !== []) {
            $found[] = "tf:{$type} ".implode(' ', array_slice($words, 0, 2));
            $found[] = "tl:{$type} ".$words[count($words) - 1];
        }
        if (count($words) <= self::EDGE) {
            $found[] = 'w:'.implode(' ', $words);
        }

        return $found;
    }

    /**
     * Words by what they are like, so that a word nobody trained on counts as those it is like.
     *
     * @param list<string> $words
     *
     * @return list<string>
     */
    private function kindsOf(array $words): array
    {
        $found = [];
        $before = null;
        foreach ($words as $word) {
            $kinds = $this->kinds[$word] ??= isset($this->function[$word]) ? [$word, $word] : ($this->vectors->kinds($word) ?? ['?', '?']);
            foreach ($kinds as $n => $kind) {
                $found[] = "c{$n}:{$kind}";
                if ($before !== null) {
                    $found[] = "d{$n}:{$before[$n]} {$kind}";
                }
            }
            $before = $kinds;
        }

        return $found;
    }
}
