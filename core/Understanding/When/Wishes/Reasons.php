<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** Where the words only tell why: 'I work till four', 'because the kids have swimming'. */
final readonly class Reasons
{
    /** @var Phrases<mixed> */
    private Phrases $reasons;

    /** @var array<string, true> */
    private array $goesOn;

    public function __construct(Vocabulary $words)
    {
        $this->reasons = $words->phrases('wishes', 'reasons');
        $this->goesOn = array_fill_keys($words->section('wishes', 'goes_on'), true);
    }

    /**
     * @param list<Token> $t
     *
     * @return array<int, true> by the places of tokens
     */
    public function within(array $t): array
    {
        $within = [];
        for ($i = 0, $n = count($t); $i < $n; $i++) {
            if ($this->reasons->at($t, $i) === null) {
                continue;
            }
            $within[$i] = true;
            for ($i++; $i < $n && ! $t[$i]->afterBreak() && ! isset($this->goesOn[$t[$i]->text]); $i++) {
                $within[$i] = true;
            }
            $i--;
        }

        return $within;
    }
}
