<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

/** Hours and parts of the day laid upon a wish: after four, around three, in the morning, over by ten. */
final readonly class Hours
{
    /** Half of what 'around three' allows to either side, in minutes. */
    private const AROUND = 30;

    /** Minutes from which a stretch is a part of the day rather than an hour. */
    private const A_PART = 90;

    /** @param list<array{Sense, Item, ?Item}> $meant */
    public function laid(Wish $wish, array $meant, ?string $half): Wish
    {
        $times = [];
        $not = [];
        foreach ($meant as [$sense, $item, $other]) {
            $span = $item->kind === Item::PART && is_array($item->value) ? new Span((int) $item->value[0], (int) $item->value[1]) : $this->span($sense, $this->placed($item, $half), $other === null ? null : $this->placed($other, $half));
            if ($sense === Sense::RuledOut) {
                $not[] = $item->kind === Item::TIME ? new Span($span->from, $other === null ? $span->from + 1 : ($span->over ?? $span->to)) : $span;
            } elseif ($item->kind === Item::PART && in_array($sense, [Sense::From, Sense::After, Sense::Before, Sense::OverBy, Sense::StartsBy], true)) {
                $times[] = $sense === Sense::From ? new Span($span->from) : ($sense === Sense::After ? new Span($span->to) : new Span(0, $sense === Sense::Before ? $span->from : $span->to));
            } else {
                $times[] = $span;
            }
        }
        $wish = $not === [] ? $wish : $wish->but(['notTimes' => [...$wish->notTimes, ...$not]]);
        if ($times === []) {
            // What is ruled out now was wished for before: the wish goes.
            $gone = array_filter($wish->times ?? [], static fn (Span $one): bool => array_filter($not, static fn (Span $out): bool => $out->from <= $one->from && $out->to >= $one->to) !== []);

            return $gone !== [] && count($gone) === count($wish->times ?? []) ? $wish->but(['times' => null, 'half' => null, 'firstOfDay' => false]) : $wish;
        }
        // 'The afternoon, after three': a part with a limit is the part within it.
        $parts = array_values(array_filter($meant, static fn (array $one): bool => $one[1]->kind === Item::PART && $one[0] === Sense::Wished));
        if (count($parts) === 1 && count($times) > 1) {
            $limits = array_values(array_filter($times, static fn (Span $one): bool => ! (is_array($parts[0][1]->value) && $one->from === $parts[0][1]->value[0] && $one->to === $parts[0][1]->value[1])));
            $whole = is_array($parts[0][1]->value) ? $parts[0][1]->value : [0, Span::DAY];
            // 'At nursery till twelve, so the afternoon': a limit that leaves nothing of the part is none.
            $limits = array_values(array_filter($limits, static fn (Span $one): bool => $one->to > (int) $whole[0] && $one->from < (int) $whole[1])) ?: [new Span((int) $whole[0], (int) $whole[1])];
            $times = array_map(static fn (Span $one): Span => new Span(max($one->from, (int) $whole[0]), $one->to === Span::DAY ? max((int) $whole[1], $one->from + 1) : $one->to, $one->over), $limits);
        } elseif (count($times) > 1) {
            $times = $this->narrowed($times);
        }

        return $wish->but(['times' => $this->withinPart($wish->times ?? [], $times), 'half' => $half, 'firstOfDay' => false]);
    }

    /**
     * 'The morning', and then 'not before ten': a limit lies within the part of the day in force, where that leaves anything of it.
     *
     * @param list<Span> $before
     * @param list<Span> $times
     *
     * @return list<Span>
     */
    private function withinPart(array $before, array $times): array
    {
        $limit = count($times) === 1 && $times[0]->over === null && ($times[0]->from === 0) !== ($times[0]->to === Span::DAY) ? $times[0] : null;
        $part = count($before) === 1 && $before[0]->over === null && $before[0]->to - $before[0]->from > self::A_PART ? $before[0] : null;
        if ($limit === null || $part === null) {
            return $times;
        }
        $both = new Span(max($limit->from, $part->from), min($limit->to, $part->to));

        return $both->to - $both->from > self::AROUND ? [$both] : $times;
    }

    /**
     * 'After ten and before two' is one stretch; 'the morning or the evening' are two.
     *
     * @param non-empty-list<Span> $times
     *
     * @return list<Span>
     */
    private function narrowed(array $times): array
    {
        $lower = array_filter($times, static fn (Span $one): bool => $one->to === Span::DAY && $one->over === null && $one->from > 0);
        $upper = array_filter($times, static fn (Span $one): bool => $one->from === 0);
        if (count($lower) !== 1 || count($upper) !== 1 || count($times) !== 2) {
            return $times;
        }
        [$low, $high] = [array_values($lower)[0], array_values($upper)[0]];

        return $low->from < ($high->over ?? $high->to) ? [new Span($low->from, $high->to, $high->over)] : $times;
    }

    private function span(Sense $sense, int $minute, ?int $other): Span
    {
        return match (true) {
            $other !== null => new Span($minute, Span::DAY, $other > $minute ? $other : $other + 720),
            $sense === Sense::From, $sense === Sense::After => new Span($minute),
            $sense === Sense::Before => new Span(0, $minute),
            $sense === Sense::OverBy => new Span(0, Span::DAY, $minute),
            $sense === Sense::StartsBy => new Span(0, $minute + 1),
            $sense === Sense::Around => new Span(max(0, $minute - self::AROUND), $minute + self::AROUND),
            default => new Span($minute, $minute + 1),
        };
    }

    /** An hour without am or pm is read in the part of the day in force. */
    private function placed(Item $item, ?string $half): int
    {
        $minute = is_int($item->value) ? $item->value : 0;
        // Hours from seven to eleven were read as of the morning, one to six as of the afternoon.
        if ($half === 'pm' && $minute >= 420 && $minute < 720) {
            return $minute + 720;
        }

        return $half === 'am' && $minute >= 1080 && $minute < 1140 ? $minute - 720 : $minute;
    }
}
