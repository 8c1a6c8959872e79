<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\HashedModel;
use Ringo\Language\Token;

/** How each day and time of an utterance is meant, as utterances written in bulk have taught it (training/sayings.py wishes). */
final class Senses
{
    /** From this likelihood on a number that stands alone is an hour. */
    private const SURE_OF_A_NUMBER = 0.6;

    /** From this likelihood on a day is ruled out though no word says so. */
    private const SURELY_OUT = 0.65;

    private const MAY_BE_WISHED = 0.3;

    private const RULES_OUT = ['no', 'not', 'never', 'cannot', 'except', 'but', 'bar', 'apart', 'without', 'neither', 'nor', 'out', 'away', 'off', 'busy', 'closed', 'shut', 'work', 'working', 'works', 'other', 'otherwise', 'else', 'instead', 'rather', 'bad', 'hopeless'];

    private const TILL = ['till', 'until', 'to'];

    /** @var list<Token> the words looked at last */
    private array $looked = [];

    /** @var array<int, true> where they only tell why */
    private array $why = [];

    private readonly HashedModel $model;

    private readonly SenseFeatures $features;

    /** @var list<Sense>|null */
    private ?array $kinds = null;

    public function __construct(private readonly Cues $cues, private readonly Reasons $reasons)
    {
        $this->model = new HashedModel(dirname(__DIR__, 3).'/Language/en/wishes', 'wishes');
        $this->features = new SenseFeatures;
    }

    /**
     * @param list<Token> $t
     * @param list<Item> $items all that is named, in order
     *
     * @return array<int, Sense> by the place of the first token of each day and time
     */
    public function of(array $t, array $items): array
    {
        $named = self::named($items);
        $senses = [];
        $before = '';
        foreach ($named as $k => $item) {
            $likely = $this->likelihoods($t, $named, $k, $before);
            $sense = $this->kinds()[(int) array_search(max($likely), $likely, true)];
            // A number alone may count or number anything: it is an hour only where that is likely.
            $sense = $item->doubtful && ! $this->opensAStretch($t, $item, $named[$k + 1] ?? null) && (max($likely) < self::SURE_OF_A_NUMBER || $this->cues->standsForAThing($t, $item)) ? Sense::Told : $sense;
            $sense = $this->nothingRulesItOut($t, $named, $k, $likely, $sense) ? Sense::Wished : $sense;
            // 'Four at the earliest', 'Friday onwards': what stands right behind decides, and makes a number an hour.
            $sense = in_array($sense, [Sense::Wished, Sense::Around], true) || $item->doubtful ? $this->cues->behind($t, $item->to) ?? $sense : $sense;
            // 'Tenish' is about ten.
            $sense = $item->kind === Item::TIME && in_array('ish', [$t[$item->to - 1]->text, $t[$item->to]->text ?? ''], true) && max($likely) < self::SURELY_OUT ? Sense::Around : $sense;
            // 'Not this one' denies within itself, 'nor' what stands behind it.
            $sense = $t[$item->from]->text === 'not' || ($t[$item->from - 1]->text ?? '') === 'nor' ? Sense::RuledOut : $sense;
            $senses[$item->from] = $sense;
            $before = $sense->value;
        }
        foreach ($this->cues->back($t) as $place => $limit) {
            $last = array_values(array_filter($named, static fn (Item $item): bool => $item->to <= $place));
            if ($last !== []) {
                $senses[$last[count($last) - 1]->from] = $limit;
                // Both ends of 'between one and two'.
                $first = $last[count($last) - 2] ?? null;
                if ($limit === Sense::RuledOut && $first !== null && $first->isTime() && $this->cues->cue($t, $first->from, 0) === 'between') {
                    $senses[$first->from] = $limit;
                }
            }
        }

        return $senses;
    }

    /**
     * 'I want a visit on Wednesday': what no word rules out is wished for, where that is nearly as likely.
     *
     * @param list<Token> $t
     * @param list<Item> $named
     * @param non-empty-list<float> $likely
     */
    private function nothingRulesItOut(array $t, array $named, int $k, array $likely, Sense $sense): bool
    {
        $kinds = array_flip(array_map(static fn (Sense $kind): string => $kind->value, $this->kinds()));
        $says = array_filter($t, static fn (Token $token): bool => in_array($token->text, self::RULES_OUT, true) || str_ends_with($token->text, "n't"));

        return $sense === Sense::RuledOut && $says === [] && max($likely) < self::SURELY_OUT && $likely[$kinds[Sense::Wished->value]] >= self::MAY_BE_WISHED
            && $this->cues->hint($t, $named[$k], $named[$k - 1]->to ?? 0) !== 'without';
    }

    /**
     * 'One till two': a number that an hour ends is one.
     *
     * @param list<Token> $t
     */
    private function opensAStretch(array $t, Item $item, ?Item $next): bool
    {
        return $item->kind === Item::TIME && $next?->kind === Item::TIME && $next->from === $item->to + 1 && in_array($t[$item->to]->text, self::TILL, true);
    }

    /**
     * @param list<Item> $items
     *
     * @return list<Item> days and times that may be meant in several ways; where one saying names both, as 'this afternoon' does, the first
     */
    public static function named(array $items): array
    {
        $named = [];
        foreach ($items as $item) {
            if ($item->isTime() || $item->isDay() && (! $item->beside || $item->kind === Item::WEEKDAY)) {
                $named[$item->from] ??= $item;
            }
        }

        return array_values($named);
    }

    /**
     * @param list<Token> $t
     * @param list<Item> $named
     * @param string $before how the one before it is meant; empty for the first
     *
     * @return non-empty-list<float> of each sense in the order of the training; they add up to one
     */
    public function likelihoods(array $t, array $named, int $k, string $before): array
    {
        $scores = $this->model->scores($this->places($t, $named, $k, $before));
        $most = max([-INF, ...$scores]);
        $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
        $sum = array_sum($powers);

        return array_map(static fn (float $power): float => $power / $sum, $powers) ?: [0.0];
    }

    /**
     * What counts for one of them.
     *
     * @param list<Token> $t
     * @param list<Item> $named
     *
     * @return list<int> places of HashedModel
     */
    public function places(array $t, array $named, int $k, string $before): array
    {
        $item = $named[$k];
        $hint = $this->cues->hint($t, $item, $named[$k - 1]->to ?? 0);

        if ($this->looked !== $t) {
            [$this->looked, $this->why] = [$t, $this->reasons->within($t)];
        }

        return $this->features->of($t, $named, $k, ($hint === '' ? 'none' : $hint).(isset($this->why[$item->from]) ? ' why' : ''), $before);
    }

    /** @return list<Sense> in the order of the model's scores */
    private function kinds(): array
    {
        /** @var list<string> $kinds */
        $kinds = $this->model->about()['kinds'];

        return $this->kinds ??= array_map(static fn (string $kind): Sense => Sense::from($kind), $kinds);
    }
}
