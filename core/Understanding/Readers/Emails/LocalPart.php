<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Emails;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Spelling;

/** The part of a spoken address before the at: where it begins, its signs, and what is spelled of it. */
final readonly class LocalPart
{
    private const OPENERS = ['is', "it's", 'its', "that's", 'thats', 'to', 'email', 'e-mail', 'mail', 'address', 'on', 'me', 'yeah', 'yes', 'sure', 'be', 'so', 'okay', 'ok', 'use', 'try', 'right', 'well', 'please', 'then', 'just', 'hello', 'hi', 'send', 'it', 'my', 'our', 'the', 'would', 'contact', 'via', 'have', 'as', 'was', 'put', 'course', 'um', 'believe', 'think', 'guess', 'reckon'];

    /** Words before a 'then' that goes on from them. */
    private const LEADS_ON = 4;

    private const SIGNS = ['dot', 'point', 'underscore', 'dash', 'hyphen', 'full'];

    public function __construct(private Vocabulary $words, private Spelling $spelling)
    {
    }

    /**
     * 'J, then smith' and 'jo, then a dot': what follows goes on from what stands before.
     *
     * @param list<Token> $t
     */
    private function thenGoesOn(array $t, int $i): bool
    {
        $before = $t[$i - 1] ?? null;
        if ($before === null || $t[$i]->text !== 'then' || ! isset($t[$i + 1])) {
            return false;
        }
        $letter = $before->isLetter() || in_array($before->text, self::SIGNS, true) || in_array($t[$i - 2]->text ?? '', ['for', 'as'], true) && ($t[$i - 3] ?? null)?->isLetter() === true;
        $sign = in_array($t[$i + 1]->text, self::SIGNS, true) || in_array($t[$i + 1]->text, ['a', 'an'], true) && in_array($t[$i + 2]->text ?? '', self::SIGNS, true);

        return $letter || $sign;
    }

    /**
     * The part before the at, read from its beginning: after the last word that opens it.
     *
     * @param list<Token> $t
     *
     * @return array{string, int}
     */
    public function before(array $t, int $at): array
    {
        $joined = $this->words->phrases('letters', 'joined');
        $first = 0;
        for ($i = $at - 1; $i >= 0; $i--) {
            $word = $t[$i]->text;
            if (in_array($word, self::OPENERS, true) && ! $this->thenGoesOn($t, $i) && ! $this->spells($t, $i, $at) && ! ($i > 0 && in_array($t[$i - 1]->text, ['dot', 'underscore', 'dash', 'hyphen'], true)) && ! in_array($t[$i + 1]->text ?? '', ['dot', 'underscore', 'dash', 'hyphen', 'at', '@'], true)) {
                $first = $i + 1;

                break;
            }
            if (in_array($word, ['at'], true)) {
                $first = $i + 1;

                break;
            }
        }
        $first = max($first, $this->spokenFrom($t, $at));
        $out = '';
        $last = '';
        for ($i = $first; $i < $at;) {
            $hit = $joined->at($t, $i);
            if ($hit !== null) {
                $i += $hit[1];

                continue;
            }
            $word = $t[$i]->text;
            if ($this->thenGoesOn($t, $i)) {
                $i += in_array($t[$i + 1]->text ?? '', ['a', 'an'], true) && isset($t[$i + 2]) && in_array($t[$i + 2]->text, self::SIGNS, true) ? 2 : 1;

                continue;
            }
            // 'mark with a k', where the k is there already
            if ($word === 'with' && in_array($t[$i + 1]->text ?? '', ['a', 'an'], true) && isset($t[$i + 2]) && strlen($t[$i + 2]->text) === 1 && str_contains($out, $t[$i + 2]->text)) {
                $i += 3;

                continue;
            }
            // Words about the spelling that are not understood make it no address.
            if (in_array($word, ['with', 'without'], true) && $out !== '') {
                return ['', $first];
            }
            if ($out !== '' && in_array($t[$i]->gap, ['.', '-', '_'], true)) {
                $out .= $t[$i]->gap;
            }
            $sign = match (true) {
                in_array($word, ['dot', 'point', 'period'], true) || $word === 'full' && ($t[$i + 1]->text ?? '') === 'stop' => '.',
                in_array($word, ['underscore', 'underline', '_'], true) || $word === 'under' && ($t[$i + 1]->text ?? '') === 'score' => '_',
                in_array($word, ['dash', 'hyphen', 'minus'], true) && ! $this->named($i, $at, $out) => '-',
                $word === 'plus' || $word === '+' => '+',
                default => null,
            };
            if ($sign !== null) {
                $out .= $sign;
                $i += in_array($word, ['full', 'under'], true) ? 2 : 1;
                $last = '';

                continue;
            }
            if (in_array($word, ["that's", 'thats', 'spelled', 'spelt', 'so', 'which', 'with', 'and', 'it'], true) && $last !== '') {
                $skip = $i;
                while (in_array($t[$skip]->text ?? '', ["that's", 'thats', 'spelled', 'spelt', 'so', 'which', 'is', "it's", 'it'], true)) {
                    $skip++;
                }
                $run = $this->spelling->run($t, $skip);
                if ($run !== null && $skip > $i) {
                    // 'marsh, that's M A R S H': the spelling takes the place of the word.
                    $out = substr($out, 0, -strlen($last)).$run[0];
                    $last = $run[0];
                    $i = $skip + $run[1];

                    continue;
                }
            }
            $run = $this->spelling->run($t, $i);
            if ($run !== null) {
                // The word just said, spelled out at once.
                if ($last !== '' && strlen($run[0]) > 2 && levenshtein($last, $run[0]) <= max(1, intdiv(strlen($run[0]), 3))) {
                    $out = substr($out, 0, -strlen($last));
                }
                $out .= $run[0];
                $last = $run[0];
                $i += $run[1];

                continue;
            }
            // A lone 'o' is the letter, unless it stands among digits: 'o grantham', 'five o one'.
            $round = $t[$i]->text === 'o' && ! ($t[$i - 1] ?? null)?->isDigits() && $this->spelling->digits($t, $i + 1, false) === null;
            // 'Domnica dot lima at': a word of the alphabet that stands alone is a name.
            $name = strlen($word) > 2 && ($this->spelling->letter($t, $i, false)[1] ?? 0) === 1 && ($i === $first || $this->spelling->letter($t, $i - 1, false) === null) && $this->spelling->letter($t, $i + 1, false) === null;
            $piece = $name ? null : ($round ? $this->spelling->letter($t, $i, false) : null) ?? $this->spelling->digits($t, $i, false) ?? $this->spelling->letter($t, $i, false);
            if ($piece === null) {
                $piece = [preg_replace('/[^\p{L}0-9]/u', '', $word) ?? '', 1];
            }
            $out .= $piece[0];
            $last = $piece[0];
            $i += $piece[1];
        }

        return [$out, $first];
    }

    /**
     * From which pause on the part before the at is told: 'use my wife's, she reads them, gwen at' begins at 'gwen', 'vidal, low line,
     * romero, at' at 'vidal'. What stands before a pause belongs to it only where a sign or a spelling joins it on, or it is one word.
     *
     * @param list<Token> $t
     */
    private function spokenFrom(array $t, int $at): int
    {
        $joined = $this->words->phrases('letters', 'joined');
        $begins = $at;
        $whole = false;
        for ($i = $at - 1; $i >= 0; $i--) {
            // A dot that is written between two parts is no pause.
            if ($i > 0 && (! $t[$i]->afterBreak() || in_array($t[$i]->gap, ['.', '-', '_'], true))) {
                continue;
            }
            $stretch = array_slice($t, $i, $begins - $i);
            $remark = $joined->without($stretch) === [];
            if ($whole && ! $remark && ! $this->goesOn($stretch, $t[$begins]->text)) {
                return $begins;
            }
            $whole = $whole || ! $remark && $stretch !== [];
            $begins = $i;
        }

        return $begins === $at ? 0 : $begins;
    }

    /**
     * Whether a stretch before a pause is a part of an address that goes on behind it.
     *
     * @param list<Token> $stretch
     */
    private function goesOn(array $stretch, string $next): bool
    {
        // 'It's jo, then a dot'
        if ($next === 'then' && count($stretch) <= self::LEADS_ON) {
            return true;
        }
        $signs = ['dot', 'point', 'underscore', 'underline', 'dash', 'hyphen', 'line', 'plus', 'score', 'stop'];
        $run = $this->spelling->run($stretch, 0);
        $word = count($stretch) === 3 && $stretch[0]->isLetter() && in_array($stretch[1]->text, ['for', 'as', 'like'], true);
        $spelled = $word
            || $run !== null
            && $run[1] >= count($stretch)
            || array_filter($stretch, static fn (Token $token): bool => strlen($token->text) > 1 && ! in_array($token->text, ['double', 'treble', 'triple', 'oh', 'zero'], true)) === [];

        return count($stretch) === 1
            || $spelled
            || in_array(end($stretch)->text ?? '', $signs, true)
            || in_array($next, [...$signs, 'low', 'under', 'full'], true);
    }

    /** Whether a sign is a name here: 'robin dot dash at', since no address has two signs side by side, nor ends in one. */
    private function named(int $i, int $at, string $out): bool
    {
        return $i + 1 === $at || preg_match('/[._]$/', $out) === 1;
    }

    /** @param list<Token> $t whether a spelling follows: the opener 'that's' is then inside the address */
    private function spells(array $t, int $i, int $at): bool
    {
        if (! in_array($t[$i]->text, ["that's", 'thats', 'so'], true) || $i === 0) {
            return false;
        }
        $run = $this->spelling->run($t, $i + 1);
        $before = $t[$i - 1]->text ?? '';

        return $run !== null && $run[2] >= 3 && ! in_array($before, self::OPENERS, true) && levenshtein(substr($before, 0, 60), $run[0]) <= max(2, intdiv(strlen($run[0]), 2));
    }
}
