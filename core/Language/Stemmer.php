<?php

declare(strict_types=1);

namespace Ringo\Language;

/**
 * Brings the forms of an English word together: hire, hires, hired, hiring.
 *
 * A light suffix stripper in the manner of steps 1 to 3 of M. F. Porter, "An algorithm for suffix stripping" (1980);
 * the result is a key for comparing, not a word.
 */
final class Stemmer
{
    private const IRREGULAR = [
        'drove' => 'drive', 'driven' => 'drive', 'chose' => 'choose', 'chosen' => 'choose', 'froze' => 'freeze', 'frozen' => 'freeze', 'fell' => 'fall', 'fallen' => 'fall', 'felt' => 'feel', 'flew' => 'fly', 'flown' => 'fly', 'forgot' => 'forget', 'forgotten' => 'forget', 'grew' => 'grow', 'grown' => 'grow', 'held' => 'hold', 'heard' => 'hear', 'hidden' => 'hide', 'knew' => 'know', 'known' => 'know', 'laid' => 'lay', 'led' => 'lead', 'lent' => 'lend', 'meant' => 'mean', 'met' => 'meet', 'rode' => 'ride', 'ridden' => 'ride', 'rose' => 'rise', 'risen' => 'rise', 'said' => 'say', 'saw' => 'see', 'seen' => 'see', 'shook' => 'shake', 'shaken' => 'shake', 'shot' => 'shoot', 'slept' => 'sleep', 'spent' => 'spend', 'stood' => 'stand', 'swore' => 'swear', 'swept' => 'sweep', 'taught' => 'teach', 'thought' => 'think', 'thrown' => 'throw', 'threw' => 'throw', 'tore' => 'tear', 'torn' => 'tear', 'woke' => 'wake', 'woken' => 'wake', 'wore' => 'wear', 'worn' => 'wear', 'won' => 'win', 'mice' => 'mouse', 'wives' => 'wife', 'lives' => 'live', 'leaves' => 'leave', 'shelves' => 'shelf', 'ate' => 'eat', 'eaten' => 'eat', 'began' => 'begin', 'begun' => 'begin', 'bent' => 'bend', 'bitten' => 'bite', 'bled' => 'bleed', 'blew' => 'blow', 'blown' => 'blow', 'built' => 'build', 'burnt' => 'burn', 'caught' => 'catch', 'dug' => 'dig', 'dealt' => 'deal', 'drank' => 'drink', 'drunk' => 'drink', 'found' => 'find', 'fought' => 'fight', 'ran' => 'run', 'sang' => 'sing', 'sank' => 'sink', 'sunk' => 'sink', 'spilt' => 'spill', 'spoilt' => 'spoil', 'understood' => 'understand',
        'broke' => 'break', 'broken' => 'break', 'bought' => 'buy', 'brought' => 'bring', 'booking' => 'book', 'bookings' => 'book', 'delivery' => 'deliver', 'deliveries' => 'deliver', 'paid' => 'pay', 'payment' => 'pay', 'payments' => 'pay',
        'cancelling' => 'cancel', 'cancelled' => 'cancel', 'cancellation' => 'cancel', 'cancellations' => 'cancel', 'travelling' => 'travel', 'travelled' => 'travel', 'labelled' => 'label', 'fuelled' => 'fuel', 'dialled' => 'dial', 'dialling' => 'dial', 'enrolling' => 'enrol', 'enrolled' => 'enrol', 'controlled' => 'control', 'levelling' => 'level', 'levelled' => 'level', 'tunnelling' => 'tunnel', 'counselling' => 'counsel', 'modelling' => 'model', 'totalled' => 'total', 'refuelling' => 'refuel', 'channelled' => 'channel', 'parcelled' => 'parcel', 'towelling' => 'towel', 'panelling' => 'panel', 'jewellery' => 'jewel', 'signalling' => 'signal',
        'sent' => 'send', 'went' => 'go', 'gone' => 'go', 'got' => 'get', 'left' => 'leave', 'lost' => 'lose', 'men' => 'man', 'women' => 'woman', 'children' => 'child', 'people' => 'person', 'feet' => 'foot', 'teeth' => 'tooth', 'kept' => 'keep', 'stuck' => 'stick', 'stole' => 'steal', 'stolen' => 'steal', 'sold' => 'sell', 'made' => 'make', 'spoke' => 'speak', 'spoken' => 'speak', 'told' => 'tell', 'wrote' => 'write', 'written' => 'write', 'took' => 'take', 'taken' => 'take', 'gave' => 'give', 'given' => 'give', 'came' => 'come', 'rang' => 'ring', 'rung' => 'ring', 'does' => 'do', 'is' => 'be', 'are' => 'be', 'was' => 'be', 'were' => 'be', 'has' => 'have', 'had' => 'have', 'bills' => 'bill', 'news' => 'news', 'this' => 'this', 'gas' => 'gas', 'bus' => 'bus', 'yes' => 'yes',
    ];

    /** @var array<string, string> */
    private array $stems = [];

    /** @var array<string, list<string>> */
    private array $phrases = [];

    private Tokenizer $tokenizer;

    public function __construct()
    {
        $this->tokenizer = new Tokenizer;
    }

    public function stem(string $word): string
    {
        if (count($this->stems) > 20_000) {
            $this->stems = [];
        }

        return $this->stems[$word] ??= $this->cut($word);
    }

    /**
     * The stems of a phrase's words; a script's phrases are asked for at every turn, so they are kept.
     *
     * @return list<string>
     */
    public function stems(string $phrase): array
    {
        if (count($this->phrases) > 20_000) {
            $this->phrases = [];
        }

        return $this->phrases[$phrase] ??= array_map($this->stem(...), $this->tokenizer->words($phrase));
    }

    private function cut(string $word): string
    {
        $word = str_replace(["'s", "'"], '', $word);
        if (isset(self::IRREGULAR[$word])) {
            $base = self::IRREGULAR[$word];

            // The base form is cut like any other word: 'driven' meets 'drive'.
            return isset(self::IRREGULAR[$base]) ? $base : $this->cut($base);
        }
        if (strlen($word) < 4 || ! ctype_alpha($word)) {
            return $word;
        }
        $word = $this->plural($word);
        foreach (['ational' => 'ate', 'ization' => 'ize', 'isation' => 'ise', 'fulness' => 'ful', 'iveness' => 'ive', 'ations' => 'ate', 'ation' => 'ate', 'ctions' => 'ct', 'ction' => 'ct', 'ssion' => 'ss', 'ptions' => 'pt', 'ption' => 'pt', 'ments' => '', 'ment' => '', 'ness' => '', 'ings' => '', 'ing' => '', 'edly' => '', 'ed' => '', 'ers' => 'er', 'ly' => ''] as $suffix => $instead) {
            if (str_ends_with($word, $suffix)) {
                $stem = substr($word, 0, -strlen($suffix));
                if (strlen($stem) >= 3 && preg_match('/[aeiouy]/', $stem) === 1) {
                    $word = $this->undouble($stem.$instead);
                }

                break;
            }
        }
        if (strlen($word) > 3 && str_ends_with($word, 'e')) {
            $word = substr($word, 0, -1);
        }
        if (strlen($word) > 3 && str_ends_with($word, 'y') && preg_match('/[aeiou]y$/', $word) === 0) {
            $word = substr($word, 0, -1).'i';
        }

        return $word;
    }

    private function plural(string $word): string
    {
        return match (true) {
            str_ends_with($word, 'sses'), str_ends_with($word, 'xes'), str_ends_with($word, 'ches'), str_ends_with($word, 'shes') => substr($word, 0, -2),
            str_ends_with($word, 'ies') && strlen($word) > 4 => substr($word, 0, -3).'y',
            str_ends_with($word, 'ss'), str_ends_with($word, 'us'), str_ends_with($word, 'is') => $word,
            str_ends_with($word, 's') => substr($word, 0, -1),
            default => $word,
        };
    }

    private function undouble(string $stem): string
    {
        return preg_match('/([bdgmnprt])\1$/', $stem) === 1 ? substr($stem, 0, -1) : $stem;
    }
}
