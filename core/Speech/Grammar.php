<?php

declare(strict_types=1);

namespace Ringo\Speech;

use Ringo\Language\Vocabulary;

/** Makes values agree with the sentence they stand in: 'a mini digger', 'an excavator', 'one night', 'three nights'. */
final readonly class Grammar
{
    private Vocabulary $words;

    public function __construct(?Vocabulary $words = null)
    {
        $this->words = $words ?? Vocabulary::of();
    }

    /** The words with the article that sounds right before them. */
    public function withArticle(string $words): string
    {
        $first = mb_strtolower((string) preg_replace('/[\s,.;:!?].*$/us', '', trim($words)));
        $an = match (true) {
            in_array($first, $this->words->section('grammar', 'takes_an'), true) => true,
            in_array($first, $this->words->section('grammar', 'takes_a'), true) => false,
            default => preg_match('/^[aeiou]/u', $first) === 1,
        };

        return ($an ? 'an ' : 'a ').$words;
    }

    /** A number in words with what it counts: 'one' and 'night' make 'one night', 'three' and 'night' 'three nights'. */
    public function counted(string $number, string $noun): string
    {
        return $number.' '.(in_array(mb_strtolower(trim($number)), ['one', 'a', '1'], true) ? $noun : $this->plural($noun));
    }

    public function plural(string $noun): string
    {
        $parts = explode(' ', $noun);
        $last = (string) array_pop($parts);
        $plural = $this->words->section('grammar', 'plurals')[mb_strtolower($last)] ?? match (true) {
            preg_match('/(?:s|x|z|ch|sh)$/i', $last) === 1 => $last.'es',
            preg_match('/[^aeiou]y$/i', $last) === 1 => substr($last, 0, -1).'ies',
            preg_match('/[^aeiou]o$/i', $last) === 1 => $last.'es',
            default => $last.'s',
        };

        return implode(' ', [...$parts, $plural]);
    }
}
