<?php

declare(strict_types=1);

namespace Ringo\Understanding\Acts;

use Ringo\Language\Tokenizer;

/** What of an utterance, and of the question before it, tells the act: words, neighbours, how it begins and ends, what was asked. */
final class Features
{
    /** Features are hashed into so many places. */
    public const PLACES = 32768;

    private const LONGEST = 12;

    private const EDGE = 3;

    private readonly Tokenizer $tokenizer;

    public function __construct()
    {
        $this->tokenizer = new Tokenizer;
    }

    /**
     * @param string $asked the question before it, empty where it was open
     * @param string $type what was asked for: a value type, or topic
     *
     * @return list<int> places, each once
     */
    public function of(string $said, string $asked, string $type): array
    {
        $words = array_slice($this->tokenizer->words($said), 0, 40);
        $question = array_unique($this->tokenizer->words($asked));
        $length = min(self::LONGEST, count($words));
        $found = ["t:{$type}", "n:{$length}", "tn:{$type} {$length}", 'o:'.min(self::EDGE, count(array_intersect($words, $question)))];
        foreach ($words as $i => $word) {
            $found[] = "1:{$word}";
            $found[] = "t1:{$type} {$word}";
            if ($i > 0) {
                $found[] = "2:{$words[$i - 1]} {$word}";
            }
            if ($i > 1) {
                $found[] = "3:{$words[$i - 2]} {$words[$i - 1]} {$word}";
            }
        }
        for ($n = 1; $n <= self::EDGE && $n <= count($words); $n++) {
            $found[] = 'f:'.implode(' ', array_slice($words, 0, $n));
            $found[] = 'l:'.implode(' ', array_slice($words, -$n));
        }
        if ($length <= self::EDGE) {
            $found[] = 'w:'.implode(' ', $words);
        }
        foreach ($question as $word) {
            $found[] = "q:{$word}";
        }

        return array_values(array_unique(array_map(static fn (string $one): int => crc32($one) & (self::PLACES - 1), $found)));
    }
}
