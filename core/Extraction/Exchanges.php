<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Transcript\Transcript;
use Ringo\Understanding\Understanding;

/** Cuts a transcript into exchanges. Whoever is not the caller, agent or staff, is the other side. */
final readonly class Exchanges
{
    private Tokenizer $tokenizer;

    public function __construct(private Understanding $understanding, private Vocabulary $words)
    {
        $this->tokenizer = new Tokenizer;
    }

    /** @return list<Exchange> */
    public function of(Transcript $transcript): array
    {
        $exchanges = [];
        $asked = '';
        foreach ($transcript->turns as $i => $turn) {
            if ($turn->by !== 'caller') {
                $asked = trim($asked.' '.$turn->text);

                continue;
            }
            if (trim($turn->text) === '') {
                continue;
            }
            $exchanges[] = new Exchange($asked, $this->understanding->hear($turn->text), $i, $exchanges !== [] && $this->listens($asked), $turn->keys);
            $asked = '';
        }

        return $exchanges;
    }

    /** Only 'mm', 'okay, go on', or an echo of digits: nothing is asked by it. */
    public function listens(string $asked): bool
    {
        if (str_contains($asked, '?') && preg_match('/^(?:and|yes|yeah|okay|ok|and then|and the rest)\s?\?$/i', trim($asked)) !== 1) {
            return false;
        }
        $tokens = $this->tokenizer->tokens($asked);
        $digits = $this->words->section('numbers', 'zero') + $this->words->section('numbers', 'units') + $this->words->section('numbers', 'tens') + $this->words->section('numbers', 'teens');
        $rest = array_filter($this->words->phrases('extraction', 'backchannel')->without($tokens), static fn (Token $token): bool => ! isset($digits[$token->text]) && ! $token->isDigits() && ! $token->isLetter() && ! in_array($token->text, ['double', 'triple', 'hundred'], true));

        return count($rest) === 0 && count($tokens) < 16;
    }
}
