<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Names;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** A name that was said once and is taken back in part. */
final readonly class NameRepair
{
    public function __construct(private Vocabulary $words, private NameWords $word, private NameSpelling $spelled)
    {
    }

    /**
     * A correction by spelling or letter alone: 'no, it's with a K', 'S M Y T H'.
     *
     * @param array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool} $name
     * @param list<Token> $t
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}
     */
    public function mended(array $name, array $t): array
    {
        foreach (array_keys($t) as $i) {
            foreach (['last', 'first'] as $part) {
                if ($name[$part] === null) {
                    continue;
                }
                $mended = $this->spelled->withLetter($t, $i, $name[$part]);
                if ($mended !== null && mb_strtolower($name[$part]) !== $mended[0]) {
                    return [...$name, $part => $this->word->cased($mended[0]), 'to' => $t[count($t) - 1]->end, 'spelled' => true];
                }
            }
        }

        return $name;
    }

    /**
     * A later name after an earlier one: one word alone replaces the part it is most like.
     *
     * @param array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool} $old
     * @param array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool} $new
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}
     */
    public function replaced(array $old, array $new): array
    {
        $both = ['from' => $old['from'], 'to' => max($old['to'], $new['to']), 'known' => $old['known'] || $new['known'], 'cued' => $old['cued'], 'strong' => $old['strong'], 'spelled' => $new['spelled']];
        if ($new['first'] !== null && $new['last'] !== null) {
            return [...$new, ...$both];
        }
        if ($new['first'] === null) {
            return [...$old, 'last' => $new['last'], ...$both];
        }
        if ($old['last'] === null) {
            return [...$old, 'first' => $new['first'], ...$both];
        }
        $one = mb_strtolower($new['first']);
        $toFirst = levenshtein($one, mb_strtolower((string) $old['first']));
        $toLast = levenshtein($one, mb_strtolower($old['last']));
        $given = isset($this->words->set('given_names')[$one]) && ! isset($this->words->set('surnames')[$one]);
        $part = $toFirst < $toLast && ($given || $toFirst <= 2) ? 'first' : ($toLast <= 3 || ! $given ? 'last' : 'first');

        return [...$old, $part => $new['first'], ...$both];
    }
}
