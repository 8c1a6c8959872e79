<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

/** Cuts prose into sentences; 'e.g.', '8.30 a.m.', 'No. 5' and 'Mr. Hale' end none. */
final readonly class Sentences
{
    private const SHORT = ['mr', 'mrs', 'ms', 'dr', 'st', 'no', 'e.g', 'i.e', 'etc', 'approx', 'incl', 'excl', 'a.m', 'p.m', 'tel', 'ext', 'vs', 'min', 'max', 'inc', 'ltd', 'prof', 'rd', 'ave', 'dept', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun', 'jan', 'feb', 'mar', 'apr', 'jun', 'jul', 'aug', 'sep', 'sept', 'oct', 'nov', 'dec'];

    /** @return list<string> */
    public function of(string $text): array
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));
        if ($text === '') {
            return [];
        }
        $sentences = [];
        $start = 0;
        preg_match_all('/[.!?…]+["\')\]]*\s+(?=["\'(\[]?[\p{Lu}\p{N}£$€])/u', $text, $ends, PREG_OFFSET_CAPTURE);
        foreach ($ends[0] as [$mark, $at]) {
            $before = substr($text, $start, $at - $start);
            $last = strtolower((string) preg_replace('/^.*[\s(]/s', '', $before));
            if ($mark[0] === '.' && (in_array($last, self::SHORT, true) && ! (in_array($last, ['a.m', 'p.m', 'etc'], true) && preg_match('/^\p{Lu}\p{Ll}/u', substr($text, $at + strlen($mark))) === 1) || preg_match('/^\p{Lu}$/u', $last) === 1)) {
                continue;
            }
            $sentences[] = trim(substr($text, $start, $at + strlen($mark) - $start));
            $start = $at + strlen($mark);
        }
        $sentences[] = trim(substr($text, $start));

        return array_values(array_filter($sentences, static fn (string $one): bool => $one !== ''));
    }
}
