<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** Short texts that nobody asked for: the firm somebody rings from, a colour, whom they see, 'the tank's round the back'. */
final readonly class Mentioned
{
    private const FIRM = '/\b(?:company|business|organisation|organization|firm|employer|agency|charity|school|practice)\b/';

    private const SUPPLIER = '/\b(?:supplier|provider|insurer|contractor|company|firm)\b/';

    private const PRACTITIONER = '/\b(?:dentist|doctor|vet|consultant|surgeon|therapist|stylist)\b/';

    /** How sure a text is that nobody asked for. */
    private const SURE = 0.76;

    /** Words such a text has at most, and words before which a firm's name is said. */
    private const MOST_WORDS = 6;

    private const OPENING_WORDS = 7;

    /** How telling a word of the field's name must be to point at it. */
    private const TELLING = 0.9;

    public function __construct(private Questions $questions, private Vocabulary $words)
    {
    }

    public function in(FieldProfile $field, Heard $sentence): ?Reading
    {
        $name = strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()));
        if (preg_match('/\bcolou?r\b/', $name) === 1 && ! str_contains($name, 'make')) {
            return $this->colour($sentence);
        }
        $who = preg_match(self::PRACTITIONER, $name) === 1 ? $this->practitioner($sentence) : null;
        if ($who !== null) {
            return $who;
        }
        $firm = preg_match(self::FIRM, $name) === 1;
        foreach (array_keys($sentence->tokens) as $i) {
            $part = $this->part($sentence->tokens, $this->start($field, $name, $firm, $sentence->tokens, $i));
            if ($part !== [] && ! ($firm && ! self::capital($part[0]))) {
                $last = $part[count($part) - 1];
                $said = $sentence->between($part[0]->start, $last->end);

                return Reading::of($said, self::SURE, $said, $part[0]->start, $last->end);
            }
        }

        return null;
    }

    /**
     * Where the text begins that a word brings, if it brings one.
     *
     * @param list<Token> $t
     */
    private function start(FieldProfile $field, string $name, bool $firm, array $t, int $i): ?int
    {
        $word = $t[$i]->text;
        $before = $t[$i - 1] ?? null;
        $next = $t[$i + 1] ?? null;
        if (
            $firm
            && ($this->ringsFrom($word, $before) || $word === 'from' && $i <= self::OPENING_WORDS && self::capital(($next->text ?? '') === 'the' ? $t[$i + 2] ?? null : $next) && self::capital($before))
        ) {
            return ($next->text ?? '') === 'the' ? $i + 2 : $i + 1;
        }
        if (
            str_ends_with($word, "'s")
            && $next !== null
            && $this->questions->naming->kindred(substr($word, 0, -2), array_map(strval(...), array_keys($field->own)), true)
        ) {
            // 'The tank's round the back'
            return $i + 1;
        }
        if (
            $word === 'called'
            && preg_match(self::SUPPLIER, $name) === 1
            && in_array($before->text ?? '', $this->words->section('extraction', 'firms'), true)
        ) {
            return $i + 1;
        }
        $own = array_map(strval(...), array_keys(array_filter($field->names, static fn (float $weight): bool => $weight >= self::TELLING)));
        if (! in_array($next->text ?? '', ['is', "it's", 'was', 'called', 'name'], true) || ! $this->questions->naming->kindred($word, $own, true)) {
            return null;
        }
        $at = $i + 2;
        while (isset($t[$at]) && in_array($t[$at]->text, ['is', 'called', 'a', 'an', 'the', "it's"], true)) {
            $at++;
        }

        return $at;
    }

    /** 'Calling from', 'the manager at': what somebody rings for. */
    private function ringsFrom(string $word, ?Token $before): bool
    {
        return in_array($word, ['from', 'with', 'for', 'at'], true) && in_array($before->text ?? '', $this->words->section('extraction', 'rings_from'), true);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function part(array $t, ?int $at): array
    {
        $part = [];
        for ($k = $at; $k !== null && isset($t[$k]) && count($part) < self::MOST_WORDS; $k++) {
            if ($k > $at && ($t[$k]->afterBreak() || in_array($t[$k]->text, $this->words->section('extraction', 'goes_on'), true))) {
                break;
            }
            $part[] = $t[$k];
        }

        return $part;
    }

    private static function capital(?Token $token): bool
    {
        return $token !== null && preg_match('/^\p{Lu}/u', $token->original) === 1;
    }

    /** A colour with the words that shade it: 'dark green'. */
    private function colour(Heard $sentence): ?Reading
    {
        $colours = array_fill_keys($this->words->section('extraction', 'colours'), true);
        $t = $sentence->tokens;
        foreach ($t as $i => $token) {
            if (! isset($colours[$token->text])) {
                continue;
            }
            $from = in_array($t[$i - 1]->text ?? '', ['dark', 'light', 'pale', 'bright', 'navy', 'royal', 'bottle', 'olive', 'deep', 'metallic', 'off'], true)
                ? $i - 1
                : $i;
            $to = in_array($t[$i + 1]->text ?? '', ['and'], true) && isset($colours[$t[$i + 2]->text ?? '']) ? $i + 2 : $i;
            $said = $sentence->between($t[$from]->start, $t[$to]->end);

            return Reading::of($said, self::SURE, $said, $t[$from]->start, $t[$to]->end);
        }

        return null;
    }

    /** 'Is there nothing with Dr Mir?' */
    private function practitioner(Heard $sentence): ?Reading
    {
        $t = $sentence->tokens;
        foreach ($t as $i => $token) {
            $next = $t[$i + 1] ?? null;
            if (
                in_array($token->text, ['dr', 'doctor', 'mr', 'mrs', 'miss', 'ms'], true)
                && $next !== null
                && preg_match('/^\p{Lu}/u', $next->original) === 1
                && in_array($t[$i - 1]->text ?? '', ['with', 'see', 'saw', 'seeing', 'for', 'under', 'by'], true)
            ) {
                $said = $sentence->between($token->start, $next->end);

                return Reading::of($said, self::SURE, $said, $token->start, $next->end);
            }
        }

        return null;
    }
}
