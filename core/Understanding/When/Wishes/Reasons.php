<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;

/** Takes out of the words what only tells why: 'I work till four', 'the kids have swimming'. */
final readonly class Reasons
{
    /** Words between a limit and its reason: 'before I pick'. */
    private const LIMIT_BEFORE = 4;

    /** @var Phrases<mixed> */
    private Phrases $reasons;

    /** @var Phrases<mixed> */
    private Phrases $denials;

    /** @var array<string, true> */
    private array $goesOn;

    /** @var list<mixed> */
    private array $limits;

    public function __construct(Vocabulary $words, private ItemFinder $items)
    {
        $this->reasons = $words->phrases('wishes', 'reasons');
        $this->denials = $words->phrases('wishes', 'without');
        $this->goesOn = array_fill_keys($words->section('wishes', 'goes_on'), true);
        $this->limits = array_values($words->section('wishes', 'limits'));
    }

    /**
     * The words without what only tells why: 'after four, I work till half three'.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    public function without(array $t, Context $context): array
    {
        $kept = [];
        $inside = [];
        foreach ($this->items->in($t, $context) as $item) {
            for ($i = $item->from + 1; $i < $item->to; $i++) {
                $inside[$i] = true;
            }
        }
        for ($i = 0, $n = count($t); $i < $n; $i++) {
            if (isset($inside[$i]) || $this->reasons->at($t, $i) === null) {
                $kept[] = $t[$i];

                continue;
            }
            for ($end = $i + 1; $end < $n && ! $t[$end]->afterBreak() && ! isset($this->goesOn[$t[$end]->text]); $end++);
            $clause = array_slice($t, $i, $end - $i);
            // 'My wife can't do Tuesdays' takes Tuesdays out.
            if ($this->denials->in($clause) && $this->items->in($clause, $context) !== [] && preg_match("/\\bca?n(?:no|')t\\b/", implode(' ', array_map(static fn (Token $token): string => $token->text, $clause))) === 1) {
                array_push($kept, ...$clause);
            }
            // 'Before I pick the kids up at three' is before three.
            $lately = array_slice($kept, -self::LIMIT_BEFORE);
            $limit = $t[$i]->afterBreak() || array_filter($this->items->in($lately, $context), static fn (Item $item): bool => $item->isDay() || $item->isTime()) !== [] ? [] : array_values(array_filter($lately, fn (Token $token): bool => in_array($token->text, $this->limits, true)));
            $times = $limit === [] ? [] : array_values(array_filter($this->items->in($clause, $context), static fn (Item $item): bool => $item->kind === Item::TIME));
            if ($times !== []) {
                array_push($kept, $limit[count($limit) - 1], ...array_slice($clause, $times[0]->from, $times[0]->to - $times[0]->from));
            }
            $i = $end - 1;
        }

        return $kept;
    }
}
