<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Understanding\When\Wishes\WishReader;
use Ringo\Value\ValueType;

/**
 * A day that is out of the question answers nothing: 'I can't do Fridays'; 'not Wednesday, how about Thursday' is Thursday. Read as wishes for an
 * appointment are, and so a day is looked for in the week that is named beside it.
 */
final class DayRuledOut
{
    /** Why such words are no answer. */
    public const RULED_OUT = 'that day is ruled out';

    /** How sure the one day is that is left beside those that are ruled out. */
    private const LEFT = 0.82;

    private ?WishReader $wishes = null;

    /** @var array{string, Wish}|null what was read last */
    private ?array $last = null;

    public function __construct(private readonly Vocabulary $words)
    {
    }

    public function of(Field $field, Heard $heard, Reading $reading, Context $context): Reading
    {
        if ($context->past || ! in_array($field->type, [ValueType::Date, ValueType::DateTime], true) || $heard->tokens === []) {
            return $reading;
        }
        $wish = $this->wish($heard, $context);
        if (! self::rulesOut($wish)) {
            return $field->type === ValueType::Date ? $this->inItsWeek($wish, $heard, $reading) : $reading;
        }
        $day = is_string($reading->value) ? new \DateTimeImmutable(substr($reading->value, 0, 10)) : null;
        if ($day !== null && ! $wish->excluded($day->format('Y-m-d'), (int) $day->format('N'))) {
            return $reading;
        }
        $left = self::theOne($wish);
        if ($left !== null && $field->type === ValueType::Date) {
            return Reading::of($left, self::LEFT, $heard->original, 0, strlen($heard->original));
        }
        $several = $day === null && preg_match('/more than one|range|choice of/', (string) $reading->doubt) === 1;

        return $several || $left !== null && $day === null ? $reading : Reading::none(self::RULED_OUT);
    }

    /** 'Any day next week really, Wednesday' is the Wednesday of that week. */
    private function inItsWeek(Wish $wish, Heard $heard, Reading $reading): Reading
    {
        $one = self::theOne($wish);
        $frame = $wish->frame;
        $read = is_string($reading->value) ? $reading->value : null;
        $within = static fn (string $day): bool => $frame !== null && $day >= $frame[0] && $day <= $frame[1];

        return $one !== null && $read !== null && $one !== $read && $within($one) && ! $within($read) ? Reading::of($one, self::LEFT, $heard->original, 0, strlen($heard->original)) : $reading;
    }

    /** Whether the words rule out the day that was read from them. */
    public function is(Heard $heard, Reading $day, Context $context): bool
    {
        if ($context->past || ! is_string($day->value) || preg_match('/^\d{4}-\d\d-\d\d/', $day->value) !== 1) {
            return false;
        }
        $date = new \DateTimeImmutable(substr($day->value, 0, 10));

        return $this->wish($heard, $context)->excluded($date->format('Y-m-d'), (int) $date->format('N'));
    }

    /** Whether the words rule out the day that was read, and name no other in its place. */
    public function leavesNone(Heard $heard, Reading $day, Context $context): bool
    {
        return $this->is($heard, $day, $context) && self::theOne($this->wish($heard, $context)) === null;
    }

    private function wish(Heard $heard, Context $context): Wish
    {
        $tokens = $heard->tokens;
        $said = $tokens === [] ? '' : $heard->between($tokens[0]->start, $tokens[count($tokens) - 1]->end);

        // The same words are looked at for several fields of a turn.
        $key = $said.'|'.$context->now->format('c').$context->country;
        if ($this->last === null || $this->last[0] !== $key) {
            $this->last = [$key, ($this->wishes ??= new WishReader($this->words))->read(new Wish, $said, $context)];
        }

        return $this->last[1];
    }

    private static function rulesOut(Wish $wish): bool
    {
        return $wish->notDays !== [] || $wish->notWeekdays !== [];
    }

    /** The day of a wish for one day; null where it is for several, for any, or for one that is ruled out as well. */
    private static function theOne(Wish $wish): ?string
    {
        [$from, $to] = $wish->days !== null && count($wish->days) === 1 ? $wish->days[0] : ['', '-'];

        return $from === $to && ! $wish->excluded($from, (int) (new \DateTimeImmutable($from))->format('N')) ? $from : null;
    }
}
