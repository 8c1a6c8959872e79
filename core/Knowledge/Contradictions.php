<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Knowledge\Ranking\Certainty;
use Ringo\Knowledge\Ranking\Reading;

/**
 * Whether two places say the same of the same thing with another value.
 *
 * @phpstan-import-type Spoken from Certainty
 */
final readonly class Contradictions
{
    private const KINDS = ['price', 'amount', 'when', 'clock', 'howlong', 'number'];

    /** Two sentences are about the same where so much of their words is shared. */
    private const SAME = 0.6;

    /** The other one must be about as likely. */
    private const RIVALS = 0.35;

    public function __construct(private Terms $terms)
    {
    }

    /**
     * @param list<Spoken> $top
     * @param list<Reading> $readings
     */
    public function among(Question $question, array $top, array $readings): bool
    {
        if (! in_array($question->kind, self::KINDS, true) || $top === [] || $readings[$top[0]['place']]->unit->isTabular()) {
            return false;
        }
        $best = $readings[$top[0]['place']]->unit;
        $values = $this->values($best->text);
        $about = $this->about($best->text);
        foreach (array_slice($top, 1) as $one) {
            $other = $readings[$one['place']]->unit;
            $theirs = $this->values($other->text);
            if ($other->isTabular() || $other->where() === $best->where() || $one['chance'] < self::RIVALS * $top[0]['chance'] || $values === [] || $theirs === [] || array_intersect($values, $theirs) !== []) {
                continue;
            }
            $all = count($about + $this->about($other->text));
            if ($all > 0 && count(array_intersect_key($about, $this->about($other->text))) / $all >= self::SAME) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether two readings give the same value to a question for one: they bear each other out.
     *
     * @param list<Spoken> $top
     */
    public function agree(Question $question, array $top): bool
    {
        if ($question->yesNo() || ! isset($top[1])) {
            return false;
        }
        $values = $this->values($top[0]['text']);

        return count($values) === 1 && in_array($values[0], $this->values($top[1]['text']), true);
    }

    /** @return list<string> */
    private function values(string $text): array
    {
        preg_match_all('/[£$€]?\s?\d+(?:[.,:]\d+)*\s?%?/u', $text, $found);

        return array_values(array_unique(array_map(static fn (string $one): string => trim(str_replace([' ', ','], '', $one)), $found[0])));
    }

    /** @return array<string, true> */
    private function about(string $text): array
    {
        $stems = [];
        foreach ($this->terms->of($text) as $unit) {
            if (! $unit['number'] && ! $unit['generic']) {
                $stems[$unit['stem']] = true;
            }
        }

        return $stems;
    }
}
