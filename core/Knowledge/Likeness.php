<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Lexicon;

/** How much of a question a piece of text speaks of. */
final class Likeness
{
    private const RING = 0.8;

    private const KIN = 0.7;

    private readonly Days $days;

    public function __construct(private readonly Terms $terms, private readonly Lexicon $lexicon, \Ringo\Language\Vocabulary $words)
    {
        $this->days = new Days($words);
    }

    /**
     * @param list<array{0: string, 1: float}> $texts each with how much a find in it counts
     *
     * @return array{cover: float, key: float, matched: list<string>, lacking: list<string>} `key` is how well the weightiest word is covered
     */
    public function of(Question $question, array $texts): array
    {
        $sets = [];
        foreach ($texts as [$text, $share]) {
            $stems = [];
            $rings = [];
            foreach ($this->terms->of($text) as $unit) {
                $stems[$unit['stem']] = $unit['word'];
                foreach ($unit['rings'] as $ring) {
                    $rings[$ring] = $unit['word'];
                }
            }
            $sets[] = [$stems, $rings, $share];
        }
        $sum = 0.0;
        $of = 0.0;
        $key = 1.0;
        $heaviest = 0.0;
        $matched = [];
        $lacking = [];
        foreach ($question->units as $unit) {
            [$best, $as] = $this->found($unit, $sets, $texts, $question);
            $sum += $unit['weight'] * $best;
            $of += $unit['weight'];
            if ($best >= 0.3) {
                $matched[] = $unit['word'].($as === $unit['word'] ? '' : ' ('.$as.')');
            } elseif ($unit['weight'] > 0.2) {
                $lacking[] = $unit['word'];
            }
            if ($unit['weight'] > $heaviest + 0.02) {
                $heaviest = $unit['weight'];
                $key = $best;
            } elseif ($unit['weight'] > $heaviest - 0.02) {
                $key = max($key, $best);
            }
        }
        if ($question->months !== []) {
            $covered = array_filter($texts, fn (array $one): bool => $one[1] >= 0.9 && array_diff($question->months, $this->days->months($one[0])) === []) !== [];
            $sum += $covered ? 0.5 : 0.0;
            $of += 0.5;
        }
        if ($question->days !== []) {
            $covered = array_filter($texts, fn (array $one): bool => $one[1] >= 0.9 && $this->days->in($one[0]) !== []) !== [];
            $sum += $covered ? 0.5 : 0.0;
            $of += 0.5;
        }

        return ['cover' => $of > 0.0 ? $sum / $of : 0.0, 'key' => $key, 'matched' => $matched, 'lacking' => $lacking];
    }

    /**
     * @param array{stem: string, word: string, rings: list<int>, generic: bool, number: bool, weight: float, near: array<string, float>} $unit
     * @param list<array{array<string, string>, array<int, string>, float}> $sets
     * @param list<array{0: string, 1: float}> $texts
     *
     * @return array{float, string} how well, and as which word
     */
    private function found(array $unit, array $sets, array $texts, Question $question): array
    {
        $best = 0.0;
        $as = '';
        foreach ($sets as [$stems, $rings, $share]) {
            $hit = 0.0;
            $word = '';
            if (isset($stems[$unit['stem']])) {
                [$hit, $word] = [1.0, $stems[$unit['stem']]];
            } else {
                foreach ($unit['rings'] as $ring) {
                    if (isset($rings[$ring])) {
                        [$hit, $word] = [self::RING, $rings[$ring]];

                        break;
                    }
                }
                foreach ($unit['near'] as $stem => $likely) {
                    if ($hit < $likely && isset($stems[$stem])) {
                        [$hit, $word] = [$likely, $stems[$stem]];
                    }
                }
                if ($hit < 0.5 && ! $unit['generic'] && ! $unit['number'] && ! str_contains($unit['stem'], ' ')) {
                    foreach ($stems as $stem => $other) {
                        $stem = (string) $stem;
                        if (strlen($stem) > 2 && ($like = $this->lexicon->likeness($unit['stem'], $stem)) >= self::KIN && 0.75 * $like > $hit) {
                            [$hit, $word] = [0.75 * $like, $other];
                        }
                        // 'Approve' and 'approval', 'paid' and 'unpaid'.
                        $shared = strspn($unit['stem'] ^ $stem, "\0");
                        if ($shared >= 5 && max(strlen($stem), strlen($unit['stem'])) - $shared <= 3 && $hit < 0.82) {
                            [$hit, $word] = [0.82, $other];
                        }
                        if ($stem === 'un'.$unit['stem'] || $stem === 'non'.$unit['stem']) {
                            [$hit, $word] = [1.0, $other];
                        }
                        // 'Tumble' in 'tumbledryer', 'book' in 'booklet'.
                        if (strlen($unit['stem']) >= 5 && strlen($stem) > strlen($unit['stem']) && str_starts_with($stem, $unit['stem']) && $hit < 0.6) {
                            [$hit, $word] = [0.6, $other];
                        }
                    }
                }
            }
            if ($hit * $share > $best) {
                [$best, $as] = [$hit * $share, $word];
            }
        }

        return [$best, $as];
    }
}
