<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Readers\Emails\Domain;
use Ringo\Understanding\Readers\Emails\LocalPart;
use Ringo\Understanding\Readers\Emails\Mended;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;
use Ringo\Understanding\Respelling\Respelled;
use Ringo\Understanding\Spelling;

/** Reads an e-mail address, written or spoken: 'jay dot marsh at example dot co dot uk', 'all one word', spelled. */
final readonly class EmailReader implements Reader
{
    private Domain $domain;

    private LocalPart $local;

    private Mended $mended;

    private Repairs $repairs;

    private Respelled $respelled;

    private Spelling $spelling;

    public function __construct(private Vocabulary $words)
    {
        $this->spelling = $spelling = new Spelling($words);
        $this->domain = new Domain($spelling);
        $this->local = new LocalPart($words, $spelling);
        $this->mended = new Mended($spelling, $this->domain, $this->local);
        $this->repairs = new Repairs($words);
        $this->respelled = new Respelled($words);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        $heard = $this->withoutRemarks($heard);
        // What is said of the spelling is done to the words first; where no address is left, they are read as they came.
        $respelled = $this->written($heard->tokens) === null ? $this->respelled->of($heard->tokens) : $heard->tokens;
        $reading = $respelled === $heard->tokens ? Reading::none() : $this->addressed($heard, $respelled);

        return $reading->found() ? $reading : $this->addressed($heard, $heard->tokens);
    }

    /** 'Askew, then the number 7': what only leads up to a figure is no part of the address. */
    private function withoutRemarks(Heard $heard): Heard
    {
        $kept = [];
        for ($i = 0; $i < count($heard->tokens); $i++) {
            $length = $this->words->phrases('letters', 'leads_to_a_figure')->at($heard->tokens, $i)[1] ?? 0;
            if ($length > 0 && $this->spelling->digits($heard->tokens, $i + $length, false) !== null) {
                $i += $length - 1;
            } else {
                $kept[] = $heard->tokens[$i];
            }
        }

        return count($kept) === count($heard->tokens) ? $heard : $heard->only($kept);
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
            $apart = $address === null || $t === [] ? null : $this->mended->between($address, $t);
            if ($apart !== null) {
                [$address, $to, $sure] = [$apart, max($to, end($t)->end), false];

                continue;
            }
            $found = $this->written($t) ?? $this->spoken($t);
            if ($found === null) {
                if ($address !== null && $t !== []) {
                    $mended = $this->mended->of($address, $this->words->phrases('letters', 'joined')->without($t));
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
            if (($token->text === 'at' || $token->text === '@') && $this->domain->from($t, $i + 1 + $this->domain->sign($t, $i)) !== null) {
                $at = $i;
            }
        }
        if ($at === null) {
            return null;
        }
        $domain = $this->domain->from($t, $at + 1 + $this->domain->sign($t, $at));
        if ($domain === null) {
            return null;
        }
        [$local, $first] = $this->local->before($t, $at);

        return $local === '' ? null : [$local.'@'.$domain[0], $first, $domain[1]];
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
