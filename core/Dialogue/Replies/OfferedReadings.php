<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Replies;

use Ringo\Dialogue\Turn;
use Ringo\Language\Stemmer;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Which of several readings of a question is meant: by its place, by the words of its name, or by a yes where there is one. */
final readonly class OfferedReadings
{
    /** Share of the words of a reading's name that must be said to choose it. */
    private const MEANT = 0.3;

    /** Words that a mere no has at most. */
    private const SHORT = 6;

    public function __construct(private Understanding $understanding)
    {
    }

    /** @param non-empty-list<array{source: string, label: string, text: string, more: list<string>}> $offers */
    public function meant(Turn $turn, Heard $heard, array $offers): ?int
    {
        $places = $this->understanding->words->phrases('wish_answers', 'places')->first($heard->tokens);
        $numbers = $this->understanding->words->section('wish_answers', 'place_numbers');
        foreach ($places === null ? [] : array_slice($heard->tokens, $places[1], $places[2]) as $token) {
            $place = $numbers[$token->text] ?? null;
            if (is_int($place) && isset($offers[$place < 0 ? count($offers) + $place : $place])) {
                return $place < 0 ? count($offers) + $place : $place;
            }
        }
        $stemmer = new Stemmer;
        $said = array_flip($stemmer->stems($heard->original));
        $little = $this->understanding->words->set('function_words');
        // The 'a' of 'a deposit' chooses no 'a late return'.
        $telling = static fn (string $label): array => array_values(array_filter($stemmer->stems($label), static fn (string $stem): bool => ! isset($little[$stem])));
        $shares = [];
        foreach ($offers as $n => $one) {
            $stems = $telling($one['label']);
            $own = array_diff($stems, ...array_map(static fn (array $other): array => $telling($other['label']), array_values(array_filter($offers, static fn (int $k): bool => $k !== $n, ARRAY_FILTER_USE_KEY))));
            $shares[$n] = count(array_intersect_key(array_flip($own === [] ? $stems : $own), $said)) / max(1, count($own === [] ? $stems : $own));
        }
        arsort($shares);
        $best = (int) array_key_first($shares);
        if ($shares[$best] >= self::MEANT && $shares[$best] > (array_values($shares)[1] ?? 0.0)) {
            return $best;
        }

        return count($offers) === 1 && $this->understanding->read(ValueType::YesNo, $heard, $turn->plain())->value === true ? 0 : null;
    }

    /** Whether none of them is meant: a plain no, or words for it, and little beside. */
    public function none(Turn $turn, Heard $heard): bool
    {
        if (count($heard->tokens) > self::SHORT) {
            return false;
        }

        return $this->understanding->words->phrases('wish_answers', 'none')->first($heard->tokens) !== null || $this->understanding->read(ValueType::YesNo, $heard, $turn->plain())->value === false;
    }
}
