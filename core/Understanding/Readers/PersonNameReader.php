<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Readers\Names\NameApart;
use Ringo\Understanding\Readers\Names\NameFinder;
use Ringo\Understanding\Readers\Names\NameInParts;
use Ringo\Understanding\Readers\Names\NameRepair;
use Ringo\Understanding\Readers\Names\NameSaidWhole;
use Ringo\Understanding\Readers\Names\NamesOfTwo;
use Ringo\Understanding\Readers\Names\NameSpelling;
use Ringo\Understanding\Readers\Names\NameWords;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;
use Ringo\Understanding\Respelling\Respelled;

/** Reads a person's name, with its spelling where it is given: 'Anna Smythe, that's S M Y T H E'. Titles are dropped. */
final readonly class PersonNameReader implements Reader
{
    private Repairs $repairs;

    private NameWords $word;

    private NameFinder $finder;

    private NameRepair $repair;

    private Respelled $respelled;

    private NameApart $apart;

    private NamesOfTwo $ofTwo;

    private NameInParts $inParts;

    private NameSaidWhole $whole;

    /** A name in the whole of the words is known from here on. */
    private const KNOWN = 0.75;

    /** How sure a surname behind a title and initials is. */
    private const INITIALLED = 0.8;

    /** Initials before a surname at most, and letters of the shortest surname behind them. */
    private const INITIALS = 3;

    private const SURNAME = 3;

    /** How sure a word of everyday is that is all that was said. */
    private const ONE_WORD = 0.55;

    /** How sure a name is at most that stands apart from what is said of it: it is read back. */
    private const APART = 0.78;

    public function __construct(private Vocabulary $words)
    {
        $this->repairs = new Repairs($words);
        $this->respelled = new Respelled($words);
        $this->apart = new NameApart($words);
        $this->word = new NameWords($words);
        $this->ofTwo = new NamesOfTwo($words, $this->word);
        $this->inParts = new NameInParts($words, $this->word);
        $this->whole = new NameSaidWhole($words, $this->word);
        $spelled = new NameSpelling($words, $this->word);
        $this->finder = new NameFinder($words, $this->word, $spelled);
        $this->repair = new NameRepair($words, $this->word, $spelled);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        // What is said of the spelling is done to the words first; where no name is left, they are read as they came.
        $respelled = $this->respelled->of($heard->tokens);
        $special = $context->asked ? $this->lettered($heard) ?? $this->whole->reading($heard, true) ?? $this->ofTwo->reading($heard) ?? $this->inParts->reading($heard) ?? ($respelled === $heard->tokens ? null : $this->inParts->reading($heard->only($respelled))) : null;
        if ($special !== null) {
            return $special;
        }
        $reading = $respelled === $heard->tokens ? Reading::none() : $this->named($heard, $respelled, $context);

        $reading = $reading->found() ? $reading : $this->named($heard, $heard->tokens, $context);

        if ($context->asked && ! (is_string($reading->value) && str_contains($reading->value, ' '))) {
            $reading = $this->whole->reading($heard) ?? $reading;
        }
        if ($context->asked && ! $reading->found()) {
            $reading = $this->initialled($heard);
        }
        if ($context->asked && ! $reading->found()) {
            $reading = $this->oneWord($heard);
        }

        return $context->asked && $reading->confidence < self::KNOWN ? $this->apart($heard, $context, $reading) : $reading;
    }

    /** 'R Osman', 'J K Barton', and nothing beside it. */
    private function lettered(Heard $heard): ?Reading
    {
        $t = $heard->tokens;
        $last = $t[count($t) - 1] ?? null;
        $initials = array_slice($t, 0, -1);
        $letters = array_filter($initials, static fn (Token $token): bool => $token->isLetter() && (preg_match('/^\p{Lu}/u', $token->original) === 1 || ! in_array($token->text, ['a', 'i', 'o'], true)));
        if ($last === null || $initials === [] || count($initials) > self::INITIALS || count($letters) < count($initials) || mb_strlen($last->text) < self::SURNAME || isset($this->words->set('function_words')[$last->text]) || $last->isDigits()
            // 'S A M, Sam' spells it.
            || str_starts_with($last->text, implode('', array_map(static fn (Token $token): string => $token->text, $initials)))) {
            return null;
        }

        return Reading::of(implode(' ', [...array_map(static fn (Token $token): string => mb_strtoupper($token->text), $initials), $this->word->cased($last->text)]), self::INITIALLED, $heard->between($t[0]->start, $last->end), $t[0]->start, $last->end);
    }

    /** A word of everyday alone, written like a name: 'Pope' to 'and your name?'. It is read back. */
    private function oneWord(Heard $heard): Reading
    {
        $one = $heard->tokens[0] ?? null;
        if ($one === null || count($heard->tokens) > 1 || preg_match('/^\p{Lu}\p{Ll}{2,}$/u', $one->original) !== 1 || isset($this->words->set('function_words')[$one->text]) || in_array($one->text, $this->words->section('names', 'not_names'), true)) {
            return Reading::none();
        }

        return Reading::of($this->word->cased($one->text), self::ONE_WORD, $heard->between($one->start, $one->end), $one->start, $one->end);
    }

    /** 'Mr P Lomas', 'it's Mrs J K Barton'. */
    private function initialled(Heard $heard): Reading
    {
        $titles = $this->words->section('names', 'titles');
        foreach ($heard->tokens as $i => $token) {
            if (! in_array($token->text, $titles, true)) {
                continue;
            }
            $initials = [];
            for ($k = $i + 1; isset($heard->tokens[$k]) && $heard->tokens[$k]->isLetter(); $k++) {
                $initials[] = mb_strtoupper($heard->tokens[$k]->text);
            }
            $last = $heard->tokens[$k] ?? null;
            if ($initials !== [] && $last !== null && mb_strlen($last->text) > 2 && ! isset($this->words->set('function_words')[$last->text])) {
                return Reading::of(implode(' ', [...$initials, $this->word->cased($last->text)]), self::INITIALLED, $heard->between($heard->tokens[$i + 1]->start, $last->end), $heard->tokens[$i + 1]->start, $last->end);
            }
        }

        return Reading::none();
    }

    /** A name that stands between pauses by itself, where the whole of the words holds none that is known. */
    private function apart(Heard $heard, Context $context, Reading $whole): Reading
    {
        foreach ($this->apart->in($heard->tokens) as $stretch) {
            $name = $this->named($heard, $stretch, $context);
            if ($name->found() && $name->confidence > $whole->confidence) {
                return Reading::of($name->value, min($name->confidence, self::APART), (string) $name->said, $name->start, $name->end);
            }
        }

        return $whole;
    }

    /** @param list<Token> $tokens */
    private function named(Heard $heard, array $tokens, Context $context): Reading
    {
        $name = null;
        foreach ($this->repairs->stretches($tokens) as $stretch) {
            if ($stretch['restart']) {
                $name = null;
            }
            $t = $this->repairs->withoutDenied($stretch['tokens']);
            if ($t === []) {
                continue;
            }
            $found = $this->finder->stretch($t, $context, $name !== null);
            if ($found === null) {
                if ($name !== null) {
                    $name = $this->repair->mended($name, $t);
                }

                continue;
            }
            $name = $name === null ? $found : $this->repair->replaced($name, $found);
        }
        if ($name === null || ($name['first'] === null && $name['last'] === null)) {
            return Reading::none();
        }
        $value = trim(($name['first'] ?? '').' '.($name['last'] ?? ''));
        if ($value === '') {
            return Reading::none();
        }
        $confidence = 0.6 + ($name['known'] ? 0.2 : 0.06) + ($name['cued'] ? ($name['strong'] && str_contains($value, ' ') ? 0.2 : 0.1) : 0.0) + ($name['spelled'] ? 0.12 : 0.0) + (str_contains($value, ' ') ? 0.03 : 0.0);

        return Reading::of($value, min(0.97, $confidence), $heard->between($name['from'], $name['to']), $name['from'], $name['to']);
    }
}
