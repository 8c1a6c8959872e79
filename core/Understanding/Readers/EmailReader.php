<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;
use Ringo\Understanding\Respelling\Respelled;
use Ringo\Understanding\Spelling;

/** Reads an e-mail address, written or spoken: 'jay dot marsh at example dot co dot uk', 'all one word', spelled. */
final readonly class EmailReader implements Reader
{
    private const OPENERS = ['is', "it's", 'its', "that's", 'thats', 'to', 'email', 'e-mail', 'mail', 'address', 'on', 'me', 'yeah', 'yes', 'sure', 'be', 'so', 'okay', 'ok', 'use', 'try', 'right', 'well', 'please', 'then', 'just', 'hello', 'hi', 'send', 'it', 'my', 'our', 'the', 'would', 'contact', 'via', 'have', 'as', 'was', 'put', 'course', 'um', 'believe', 'think', 'guess', 'reckon'];

    private Spelling $spelling;

    private Repairs $repairs;

    private Respelled $respelled;

    public function __construct(private Vocabulary $words)
    {
        $this->spelling = new Spelling($words);
        $this->repairs = new Repairs($words);
        $this->respelled = new Respelled($words);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        // What is said of the spelling is done to the words first; where no address is left, they are read as they came.
        $respelled = $this->written($heard->tokens) === null ? $this->respelled->of($heard->tokens) : $heard->tokens;
        $reading = $respelled === $heard->tokens ? Reading::none() : $this->addressed($heard, $respelled);

        return $reading->found() ? $reading : $this->addressed($heard, $heard->tokens);
    }

    /** @param list<Token> $tokens */
    private function addressed(Heard $heard, array $tokens): Reading
    {
        $address = null;
        $sure = true;
        $from = PHP_INT_MAX;
        $to = 0;
        foreach ($this->repairs->stretches($tokens) as $stretch) {
            if ($stretch['restart']) {
                [$address, $from] = [null, PHP_INT_MAX];
            }
            $t = $stretch['tokens'];
            $found = $this->written($t) ?? $this->spoken($t);
            if ($found === null) {
                if ($address !== null && $t !== []) {
                    $mended = $this->mended($address, $this->words->phrases('letters', 'joined')->without($t));
                    if ($mended !== null) {
                        $address = $mended;
                        $to = max($to, end($t)->end);
                        $sure = false;
                    }
                }

                continue;
            }
            [$address, $i, $j] = $found;
            $from = min($from, $t[$i]->start);
            $to = max($to, $t[$j]->end);
        }
        if ($address === null || ! $this->valid($address)) {
            return Reading::none($address === null ? $this->half($heard->tokens) : "“{$address}” is not a whole address");
        }

        return Reading::of($address, $sure ? 0.94 : 0.82, $heard->between($from, $to), $from, $to);
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int, int}|null
     */
    private function written(array $t): ?array
    {
        foreach (array_reverse(array_keys($t)) as $i) {
            if (str_contains($t[$i]->text, '@') && strlen($t[$i]->text) > 1) {
                return [rtrim($t[$i]->text, '.'), $i, $i];
            }
        }

        return null;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int, int}|null address, first and last token
     */
    private function spoken(array $t): ?array
    {
        $at = null;
        foreach ($t as $i => $token) {
            if (($token->text === 'at' || $token->text === '@') && $this->domain($t, $i + 1 + $this->sign($t, $i)) !== null) {
                $at = $i;
            }
        }
        if ($at === null) {
            return null;
        }
        $domain = $this->domain($t, $at + 1 + $this->sign($t, $at));
        if ($domain === null) {
            return null;
        }
        [$local, $first] = $this->local($t, $at);

        return $local === '' ? null : [$local.'@'.$domain[0], $first, $domain[1]];
    }

    /** @param list<Token> $t 'at sign', 'at symbol' */
    private function sign(array $t, int $i): int
    {
        return in_array($t[$i + 1]->text ?? '', ['sign', 'symbol'], true) ? 1 : 0;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int}|null the domain and its last token
     */
    private function domain(array $t, int $i): ?array
    {
        $labels = [];
        $label = '';
        $last = $i;
        $words = 0;
        for ($n = count($t); $i < $n;) {
            $word = $t[$i]->text;
            $dot = in_array($word, ['dot', 'point'], true) || ($t[$i]->gap === '.' && $label !== '');
            if ($dot && $label !== '') {
                $labels[] = $label;
                $label = '';
                $words = 0;
                if (in_array($word, ['dot', 'point'], true)) {
                    $i++;

                    continue;
                }
            }
            if (in_array($word, ['full', 'at', '@'], true)) {
                break;
            }
            if (in_array($word, ['dash', 'hyphen'], true) || $t[$i]->gap === '-') {
                $label .= '-';
                if (in_array($word, ['dash', 'hyphen'], true)) {
                    $i++;

                    continue;
                }
            }
            $run = $this->spelling->run($t, $i);
            $piece = $run !== null && ($words === 0 || $labels === []) ? [$run[0], $run[1]] : ($this->spelling->digits($t, $i, false) ?? [preg_replace('/[^a-z0-9]/', '', $word) ?? '', 1]);
            // After the first dot a label is one word; what follows belongs to the sentence.
            if ($labels !== [] && $words > 0) {
                break;
            }
            if ($piece[0] === '' || $labels === [] && $words >= 5) {
                break;
            }
            $label .= $piece[0];
            $words++;
            $i += $piece[1];
            $last = $i - 1;
            // 'co uk' with the dot swallowed
            if ($label === 'co' && in_array($t[$i]->text ?? '', ['uk', 'nz', 'za'], true) && $labels !== []) {
                $labels[] = $label;
                $label = $t[$i]->text;
                $last = $i;

                break;
            }
        }
        if ($label !== '') {
            $labels[] = $label;
        }
        $end = end($labels) ?: '';

        return count($labels) >= 2 && preg_match('/^[a-z]{2,}$/', $end) === 1 ? [implode('.', $labels), $last] : null;
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

    /**
     * The part before the at, read from its beginning: after the last word that opens it.
     *
     * @param list<Token> $t
     *
     * @return array{string, int}
     */
    private function local(array $t, int $at): array
    {
        $joined = $this->words->phrases('letters', 'joined');
        $first = 0;
        for ($i = $at - 1; $i >= 0; $i--) {
            $word = $t[$i]->text;
            if (in_array($word, self::OPENERS, true) && ! $this->spells($t, $i, $at) && ! ($i > 0 && in_array($t[$i - 1]->text, ['dot', 'underscore', 'dash', 'hyphen'], true)) && ! in_array($t[$i + 1]->text ?? '', ['dot', 'underscore', 'dash', 'hyphen', 'at', '@'], true)) {
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
            $piece = ($round ? $this->spelling->letter($t, $i, false) : null) ?? $this->spelling->digits($t, $i, false) ?? $this->spelling->letter($t, $i, false);
            if ($piece === null) {
                $piece = [preg_replace('/[^\p{L}0-9]/u', '', $word) ?? '', 1];
            }
            $out .= $piece[0];
            $last = $piece[0];
            $i += $piece[1];
        }

        return [$out, $first];
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

    /**
     * A correction that names only a part: 'dot co dot uk', 'example dot org', 'underscore not dot', a respelled name.
     *
     * @param list<Token> $t
     */
    private function mended(string $address, array $t): ?string
    {
        [$local, $domain] = explode('@', $address, 2);
        if ($t === []) {
            return null;
        }
        $word = $t[0]->text;
        if ($word === 'at') {
            $new = $this->domain($t, 1);

            return $new === null ? null : $local.'@'.$new[0];
        }
        if ($word === 'dot') {
            $labels = array_filter(array_map(static fn (Token $token): string => $token->text, $t), static fn (string $label): bool => $label !== 'dot');
            $old = explode('.', $domain);

            return count($labels) <= 2 && $labels !== [] ? $local.'@'.$old[0].'.'.implode('.', $labels) : null;
        }
        $sign = ['underscore' => '_', 'dash' => '-', 'hyphen' => '-'][$word] ?? null;
        if ($sign !== null) {
            return strtr($local, ['.' => $sign, '-' => $sign, '_' => $sign]).'@'.$domain;
        }
        $new = $this->domain($t, 0);
        if ($new !== null) {
            return $local.'@'.$new[0];
        }
        $skip = 0;
        while (in_array($t[$skip]->text ?? '', ["it's", "that's", 'spelled', 'spelt', 'its'], true)) {
            $skip++;
        }
        // The part before the at, said anew: 'e underscore aydin'.
        $rest = array_values(array_slice($t, $skip));
        if (count($rest) > 2 && array_filter($rest, static fn (Token $token): bool => in_array($token->text, ['dot', 'underscore', 'dash', 'hyphen', 'plus'], true)) !== []) {
            [$anew] = $this->local($rest, count($rest));

            return $anew === '' ? null : $anew.'@'.$domain;
        }
        $run = $this->spelling->run($t, $skip);
        $name = $run[0] ?? (count($t) - $skip === 1 ? $t[$skip]->text : null);
        if ($name === null || $name === '') {
            return null;
        }
        $parts = preg_split('/([._+-])/', $local, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [$local];
        $nearest = 0;
        foreach ($parts as $i => $part) {
            if (strlen($part) > 1 && levenshtein($part, $name) < levenshtein($parts[$nearest], $name)) {
                $nearest = $i;
            }
        }
        $parts[$nearest] = $name;

        return implode('', $parts).'@'.$domain;
    }

    /** @param list<Token> $t */
    private function half(array $t): ?string
    {
        foreach ($t as $token) {
            if ($token->text === '@' || $token->text === 'dot' || str_contains($token->text, '@')) {
                return 'that is only part of an address';
            }
        }

        return null;
    }

    private function valid(string $address): bool
    {
        return preg_match('/^[a-z0-9](?:[a-z0-9._+-]*[a-z0-9_])?@[a-z0-9](?:[a-z0-9-]*[a-z0-9])?(?:\.[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)*\.[a-z]{2,}$/', $address) === 1 && ! str_contains($address, '..');
    }
}
