<?php

declare(strict_types=1);

namespace Ringo\Fit;

/** How likely each of several descriptions is meant, and none of them; and what it costs to take one, to ask, or to leave it. */
final readonly class Likelihoods
{
    /** What plain evidence (words of the description, ideas, examples) counts; this and the next three were fitted together on trades left out, by likelihood. */
    private const PLAIN = 2.0;

    /** What the trained scores count: they are surer of themselves than they may be. */
    private const MEANT = 0.75;

    /** What the memory of other businesses counts. */
    private const REMEMBERED = 1.8;

    /** How much likelier than trained it is that none is meant. */
    private const NONE_MORE = -0.3;

    /** How often a caller who was offered the right one says so and is understood. */
    private const ANSWERED = 0.8;

    /** Where the words ask, or share none with what is described, they may be about something else: what a wrong choice costs the more. */
    public const IN_DOUBT = 2.0;

    /** From here on none of them is meant. */
    private const NONE = 0.6;

    /** A third is asked about where it is so near to the second. */
    private const THIRD = 0.3;

    /** @param array<string, float> $of probability by key, best first */
    private function __construct(public array $of, public float $none)
    {
    }

    /**
     * @param array<string, float> $plain scores of plain evidence by key, 0 for nothing
     * @param array<string, float> $meant scores of Meaning by key, with '' for none
     * @param array<string, float> $remembered what Memory speaks for each
     * @param array<string, float> $exemplified what examples of its own speak for each
     */
    public static function from(array $plain, array $meant, array $remembered = [], array $exemplified = []): self
    {
        $scores = ['' => self::MEANT * $meant[''] + self::NONE_MORE];
        foreach ($plain as $key => $score) {
            $scores[$key] = self::PLAIN * $score + self::MEANT * ($meant[$key] ?? 0.0) + self::REMEMBERED * ($remembered[$key] ?? 0.0) + ($exemplified[$key] ?? 0.0);
        }
        $most = max($scores);
        $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
        $sum = array_sum($powers);
        $of = array_map(static fn (float $power): float => $power / $sum, $powers);
        $none = $of[''];
        unset($of['']);
        arsort($of);

        return new self($of, $none);
    }

    /**
     * The one that is meant, where taking it is worth more than asking.
     *
     * @param float $dearer by how much a wrong choice costs more than usual
     */
    public function taken(Caution $caution = Caution::Even, float $dearer = 1.0): ?string
    {
        $best = array_key_first($this->of);
        if ($best === null) {
            return null;
        }
        $right = $this->of[$best];
        $offered = array_sum(array_intersect_key($this->of, array_flip($this->asked())));
        $taking = $right - $caution->wrong() * $dearer * (1 - $right);
        $asking = self::ANSWERED * $offered - $caution->question();

        return $taking >= $asking ? (string) $best : null;
    }

    public function noneMeant(): bool
    {
        return $this->none >= self::NONE;
    }

    /** @return list<string> two or three to ask about, the likeliest first */
    public function asked(): array
    {
        $keys = array_map(strval(...), array_keys($this->of));
        $third = isset($keys[2]) && $this->of[$keys[2]] >= self::THIRD * $this->of[$keys[1]];

        return array_slice($keys, 0, $third ? 3 : 2);
    }
}
