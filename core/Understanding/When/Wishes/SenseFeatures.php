<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Token;
use Ringo\Language\UtteranceFeatures;
use Ringo\Language\Vocabulary;
use Ringo\Language\WordVectors;

/** What the model that tells how a day or a time is meant looks at: the words around it, the days and times beside it, and how the one before was meant. */
final class SenseFeatures
{
    /** Words to either side that count at all. */
    private const FAR = 24;

    /** Words to either side that count by their place. */
    private const NEAR = 4;

    /** Words of a gap to the next or the last day that count as one saying. */
    private const GAP = 4;

    /** A saying that tells how it is meant counts so many times more than any one word. */
    private const HINTS = 4;

    /** And so many times what stands between it and the one before, beside how that is meant. */
    private const GAPS = 3;

    private readonly WordVectors $vectors;

    /** @var array<string, true> */
    private readonly array $function;

    /** @var array<string, list<string>> kinds of words met before */
    private array $kinds = [];

    public function __construct()
    {
        $this->vectors = WordVectors::english();
        $this->function = Vocabulary::of()->set('function_words');
    }

    /**
     * @param list<Token> $t
     * @param list<Item> $items days and times in order
     * @param string $hint what phrases before and behind it say: 'after', 'without'
     * @param string $before how the one before it is meant
     *
     * @return list<int> places of HashedModel, each once
     */
    public function of(array $t, array $items, int $k, string $hint, string $before): array
    {
        return array_values(array_unique(array_map(static fn (string $one): int => crc32($one) & (UtteranceFeatures::PLACES - 1), $this->found($t, $items, $k, $hint, $before))));
    }

    /**
     * @param list<Token> $t
     * @param list<Item> $items
     *
     * @return list<string>
     */
    private function found(array $t, array $items, int $k, string $hint, string $before): array
    {
        $item = $items[$k];
        $kind = $item->kind.($item->every ? '*' : '').($item->doubtful ? '?' : '');
        $from = max(0, $item->from - self::FAR);
        $said = $this->slots($t, $items, $from, $item->to + self::FAR);
        $left = array_slice($said, 0, $item->from - $from);
        $right = array_slice($said, $item->to - $from);
        $left = array_values(array_filter($left, static fn (string $word): bool => $word !== ''));
        $right = array_values(array_filter($right, static fn (string $word): bool => $word !== ''));
        $found = ["k:{$kind}", "h:{$hint}", "hk:{$hint} {$kind}", ...array_map(static fn (int $n): string => "h{$n}:{$hint}", range(1, self::HINTS)), "p:{$before}", 'm:'.($items[$k - 1]->kind ?? '').'>'.$kind.'>'.($items[$k + 1]->kind ?? '')];
        array_push($found, ...$this->near(array_reverse($left), 'l', $kind), ...$this->near($right, 'r', $kind));
        $found[] = 'b:'.($left[count($left) - 1] ?? '^').' '.($right[0] ?? '$');
        array_push($found, ...$this->gap($t, $items, $k, $before));

        return $found;
    }

    /**
     * Words with breaks between them, and what is named in place of its words.
     *
     * @param list<Token> $t
     * @param list<Item> $items
     *
     * @return list<string> one for each token between two places; what belongs to a named thing is empty but for its first
     */
    private function slots(array $t, array $items, int $from, int $to): array
    {
        $said = array_map(static fn (Token $token): string => self::parted($token).$token->text, array_slice($t, $from, $to - $from));
        foreach ($items as $item) {
            for ($i = max($from, $item->from); $i < min($to, $item->to); $i++) {
                $said[$i - $from] = $i === $item->from ? self::parted($t[$i])."<{$item->kind}>" : '';
            }
        }

        return array_values($said);
    }

    /**
     * @param list<string> $words the nearest first
     *
     * @return list<string>
     */
    private function near(array $words, string $side, string $kind): array
    {
        $found = [];
        $clause = true;
        foreach ($words as $n => $word) {
            $plain = ltrim($word, ',. ');
            if ($n < self::NEAR) {
                $found[] = "{$side}{$n}:{$word}";
                $found[] = "{$side}{$n}k:{$kind} {$plain}";
                if ($n > 0) {
                    $found[] = "{$side}2{$n}:{$words[$n - 1]} {$word}";
                }
                if ($n > 1) {
                    $found[] = "{$side}3{$n}:{$words[$n - 2]} {$words[$n - 1]} {$word}";
                }
            }
            // What is left of a break stands in another clause.
            $clause = $clause && ! ($side === 'r' && $word !== $plain);
            $found[] = ($clause ? "{$side}c:" : "{$side}o:").$plain;
            if ($plain === '' || $plain[0] !== '<') {
                foreach ($this->kindsOf($plain) as $c => $of) {
                    $found[] = ($n < self::NEAR ? "{$side}n{$c}:" : "{$side}f{$c}:").$of;
                }
            }
            $clause = $clause && ! ($side === 'l' && $word !== $plain) && ($plain === '' || $plain[0] !== '<');
        }
        $found[] = $words === [] ? "{$side}:none" : "{$side}:some";

        return $found;
    }

    /**
     * What stands between it and its neighbours.
     *
     * @param list<Token> $t
     * @param list<Item> $items
     *
     * @return list<string>
     */
    private function gap(array $t, array $items, int $k, string $before): array
    {
        $found = [];
        foreach ([[$k - 1, $k, 'g'], [$k, $k + 1, 'n']] as [$a, $b, $name]) {
            if (! isset($items[$a], $items[$b])) {
                continue;
            }
            $between = array_map(static fn (Token $token): string => self::parted($token).$token->text, array_slice($t, $items[$a]->to, max(0, $items[$b]->from - $items[$a]->to)));
            $break = isset($t[$items[$b]->from]) ? rtrim(self::parted($t[$items[$b]->from])) : '';
            $gap = count($between) <= self::GAP ? implode(' ', $between).$break : '…';
            $found[] = "{$name}:{$gap}";
            if ($name === 'g') {
                for ($n = 0; $n < self::GAPS; $n++) {
                    array_push($found, "gp{$n}:{$before} {$gap}", "gk{$n}:{$before} {$items[$a]->kind} {$items[$b]->kind} {$gap}");
                }
            }
        }

        return $found;
    }

    /** The end of a sentence, or of a part of one, before a word. */
    private static function parted(Token $token): string
    {
        return $token->afterSentence() ? '. ' : ($token->afterBreak() ? ', ' : '');
    }

    /** @return list<string> groups of words it is in; a word of grammar stands for itself */
    private function kindsOf(string $word): array
    {
        return $this->kinds[$word] ??= isset($this->function[$word]) ? [$word] : array_map('strval', $this->vectors->kinds($word) ?? ['?']);
    }
}
