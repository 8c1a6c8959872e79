<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Phrases;
use Ringo\Language\Vocabulary;

/**
 * Rings of words for the same thing: those of the language, written out as a tree of their words by tools/phrase-trees.php so that no process
 * puts them together, and the business's own.
 */
final readonly class Rings
{
    /**
     * @param Phrases<list<int>> $phrases the rings each phrase belongs to
     * @param array<string, list<int>> $singles the same of single words
     */
    private function __construct(public Phrases $phrases, public array $singles)
    {
    }

    /** @param list<string> $own the business's own: 'digger, excavator, mini digger' */
    public static function with(Vocabulary $words, array $own): self
    {
        /** @var array<string, list<int>> $singles */
        $singles = $words->section('ring_tree', 'singles');
        $phrases = Phrases::grown($words->section('ring_tree', 'tree'));
        if ($own === []) {
            return new self($phrases, $singles);
        }
        foreach (self::table($own, (int) $words->section('ring_tree', 'count')[0]) as $phrase => $rings) {
            /** @var list<int> $rings */
            $rings = [...($phrases->meaning($phrase) ?? []), ...$rings];
            $phrases = $phrases->with($phrase, $rings);
            if (! str_contains($phrase, ' ')) {
                $singles[$phrase] = $rings;
            }
        }

        return new self($phrases, $singles);
    }

    /** @return list<string> the rings of the language, in their order: words that commas part */
    public static function written(Vocabulary $words): array
    {
        return array_map(strval(...), [...array_values($words->section('knowledge', 'rings')), ...array_values($words->section('rings', 'everyday')), ...array_values($words->section('trade_rings', 'of_trades'))]);
    }

    /**
     * @param list<string> $rings
     *
     * @return array<string, list<int>> the rings each phrase belongs to, numbered from $from on
     */
    public static function table(array $rings, int $from = 0): array
    {
        $table = [];
        foreach ($rings as $n => $ring) {
            foreach (explode(',', $ring) as $phrase) {
                $phrase = str_replace('-', ' ', mb_strtolower(trim($phrase)));
                if ($phrase !== '' && ! in_array($n + $from, $table[$phrase] ?? [], true)) {
                    $table[$phrase][] = $n + $from;
                }
            }
        }

        return $table;
    }
}
