<?php

declare(strict_types=1);

namespace Ringo\Understanding\YesNo;

use Ringo\Language\Tokenizer;

/** What of a reply, and of the question before it, tells yes from no from neither: words, how both begin, negation on either side, what the reader made of it. */
final class Features
{
    /** Features are hashed into so many places. */
    public const PLACES = 16384;

    private const WORDS_MOST = 25;

    private const EDGE = 3;

    /** @var array<string, true> */
    private readonly array $against;

    /** @var array<string, true> */
    private readonly array $minding;

    /** @var array<string, true> */
    private readonly array $small;

    private readonly Tokenizer $tokenizer;

    /** @param array{against: list<string>, minding: list<string>, small: list<string>} $words */
    public function __construct(array $words)
    {
        $this->tokenizer = new Tokenizer;
        $this->against = array_fill_keys($words['against'], true);
        $this->minding = array_fill_keys($words['minding'], true);
        $this->small = array_fill_keys($words['small'], true);
    }

    /**
     * @param ?bool $read what the reader of direct words makes of the reply; null for nothing
     *
     * @return list<int> places, each once
     */
    public function of(string $said, string $question, ?bool $read): array
    {
        $words = array_slice($this->tokenizer->words($said), 0, self::WORDS_MOST);
        $asked = $this->tokenizer->words($question);
        $reader = $read === null ? '-' : ($read ? 'y' : 'n');
        $kind = $this->kind($asked, $question);
        $denies = count(array_filter($words, fn (string $word): bool => isset($this->against[$word]) || str_ends_with($word, "n't")));
        $shared = count(array_diff(array_intersect($words, $asked), array_keys($this->small)));
        $state = ($denies > 0 ? 'd' : '').($shared > 0 ? 's' : '');
        $found = ["r:{$reader}", "rk:{$reader} {$kind}", "k:{$kind}", "d:{$state}", "dk:{$state} {$kind}", "dr:{$state} {$reader}", 'n:'.min(10, count($words)), 'nr:'.min(4, count($words))." {$reader}", 'c:'.min(2, $denies)];
        foreach ($words as $i => $word) {
            $found[] = "1:{$word}";
            $found[] = "k1:{$kind} {$word}";
            if ($i > 0) {
                $found[] = "2:{$words[$i - 1]} {$word}";
            }
            if ($i > 1) {
                $found[] = "3:{$words[$i - 2]} {$words[$i - 1]} {$word}";
            }
            if (isset($this->small[$word])) {
                foreach (array_slice($asked, 0, 2) as $first) {
                    $found[] = "qa:{$first} {$word}";
                }
            }
        }
        for ($n = 1; $n <= self::EDGE && $n <= count($words); $n++) {
            $found[] = 'f:'.implode(' ', array_slice($words, 0, $n));
            $found[] = 'l:'.implode(' ', array_slice($words, -$n));
        }
        foreach ($asked as $word) {
            $found[] = "q:{$word}";
            $found[] = "qd:{$word} {$state}";
        }

        return array_values(array_unique(array_map(static fn (string $one): int => crc32($one) & (self::PLACES - 1), $found)));
    }

    /**
     * What kind of question it is: one that says no itself, one that minds, one with a tag, or plain, and how it begins.
     *
     * @param list<string> $asked
     */
    private function kind(array $asked, string $question): string
    {
        $opens = array_slice($asked, 0, self::EDGE);
        $denies = array_filter($asked, fn (string $word): bool => isset($this->against[$word]) || str_ends_with($word, "n't")) !== [];
        $minds = array_filter($asked, fn (string $word): bool => isset($this->minding[$word])) !== [];
        $tag = str_contains($question, ',') && count($asked) > self::EDGE;

        return ($denies ? 'not ' : '').($minds ? 'mind ' : '').($tag ? 'tag ' : '').(isset($this->small[$opens[0] ?? '']) ? $opens[0] : '*');
    }
}
