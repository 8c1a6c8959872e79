<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\When\Days\Years;
use Ringo\Value\ValueType;

/** How long something has been so, told by when it began: 'since 2018', 'since January', 'since last Tuesday'. It is reckoned and read back. */
final readonly class SinceTold
{
    private const RECKONED = 0.65;

    /** Months from which a length is told in years, days from which in weeks. */
    private const IN_YEARS = 24;

    private const IN_WEEKS = 14;

    /** Days from which it is told in months. */
    private const IN_MONTHS = 60;

    private Years $years;

    public function __construct(private Understanding $understanding)
    {
        $this->years = new Years(new Numerals($understanding->words));
    }

    public function length(Heard $heard, Context $context): ?Reading
    {
        $t = $heard->tokens;
        foreach ($t as $i => $token) {
            if (! in_array($token->text, ['since', 'from'], true) || ! isset($t[$i + 1])) {
                continue;
            }
            $length = $this->sinceMonths($t, $i + 1, $context) ?? $this->sinceDay($heard->only(array_slice($t, $i + 1)), $context);

            return $length === null ? null : Reading::of($length, self::RECKONED, $heard->original, 0, strlen($heard->original));
        }

        return null;
    }

    /**
     * 'About 2018', 'last January', 'March twenty nineteen'
     *
     * @param list<\Ringo\Language\Token> $t
     */
    private function sinceMonths(array $t, int $i, Context $context): ?string
    {
        while (in_array($t[$i]->text ?? '', ['about', 'around', 'the', 'start', 'beginning', 'of', 'last', 'sometime', 'in', 'early', 'late'], true)) {
            $i++;
        }
        $month = isset($t[$i]) ? $this->understanding->words->section('calendar', 'months')[$t[$i]->text] ?? null : null;
        [$year] = $this->years->year($t, is_int($month) ? $i + 1 : $i, false, $context);
        [$thisYear, $thisMonth] = [(int) $context->now->format('Y'), (int) $context->now->format('n')];
        if ($year === null && ! is_int($month)) {
            return null;
        }
        // A month alone is the last of its name.
        $year ??= $thisYear - ($month >= $thisMonth ? 1 : 0);
        $months = is_int($month) ? 12 * ($thisYear - $year) + $thisMonth - $month : 12 * ($thisYear - $year);

        return match (true) {
            $months < 1 => null,
            $months >= self::IN_YEARS || ! is_int($month) => 'P'.(int) round($months / 12).'Y',
            default => "P{$months}M",
        };
    }

    private function sinceDay(Heard $rest, Context $context): ?string
    {
        $day = $this->understanding->read(ValueType::Date, $rest, $context->asking(false, true, null, false, false, false));
        $days = is_string($day->value) ? (int) (new \DateTimeImmutable($day->value, $context->now->getTimezone()))->diff($context->now->setTime(0, 0))->format('%r%a') : 0;

        return match (true) {
            $days < 1 => null,
            $days >= self::IN_MONTHS => 'P'.(int) round($days / 30.4).'M',
            $days >= self::IN_WEEKS => 'P'.(int) round($days / 7).'W',
            default => "P{$days}D",
        };
    }
}
