<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Clocks;

use Ringo\Language\Token;
use Ringo\Understanding\When\Clock;

/** A time written in digits: '14:30', '0930'. */
final readonly class Digital
{
    public function __construct(private Hours $hours)
    {
    }

    /**
     * @param list<Token> $t '14:30', '2.30', '1430 hours', '0930'
     *
     * @return array{Clock, int}|null
     */
    public function at(array $t, int $i): ?array
    {
        $word = $t[$i]->text;
        if (preg_match('/^(\d{1,2})[:.](\d{2})$/', $word, $m) === 1 && (int) $m[1] <= 24 && (int) $m[2] < 60) {
            if (in_array($t[$i - 1]->text ?? '', ['£', '$', '€'], true) || in_array($t[$i + 1]->text ?? '', ['pounds', 'pound', 'dollars', 'percent', '%', 'euros'], true)) {
                return null;
            }

            return [new Clock((int) $m[1], (int) $m[2], fixed: (int) $m[1] > 12 || strlen($m[1]) === 2 && $m[1][0] === '0'), 1 + $this->hours->hoursWord($t, $i + 1)];
        }
        if (preg_match('/^([01]\d|2[0-3])([0-5]\d)$/', $word, $m) === 1) {
            $hours = $this->hours->hoursWord($t, $i + 1);
            $asked = count($t) === 1 || in_array($t[$i - 1]->text ?? '', ['at', 'by', 'around', 'about', 'from', 'for'], true);
            if ($hours === 1 || $asked) {
                return [new Clock((int) $m[1], (int) $m[2], fixed: true), 1 + $hours];
            }
        }
        if (preg_match('/^([1-9])([0-5]\d)$/', $word, $m) === 1 && in_array($t[$i + 1]->text ?? '', ['am', 'pm'], true)) {
            return [new Clock((int) $m[1], (int) $m[2]), 1];
        }

        return null;
    }
}
