<?php

declare(strict_types=1);

namespace Ringo\Fit;

use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;

/**
 * Several things described in plain words of which a caller may mean one: topics of an open question, teams, replies.
 *
 * All that is known speaks for each: plain evidence (words of the description, ideas, stems of examples), what training has taught of
 * the words (Meaning), what callers of other businesses said (Memory), and how near the saying comes to an example of this business.
 *
 * @phpstan-type Described array{key: string, name: string, about: string, examples: list<string>}
 */
final class Candidates
{
    /** How much closeness in meaning to an example of this business counts at most. */
    private const EXAMPLE = 5.0;

    /** Likeness of two sayings from which they are about the same: examples further away told nothing of other sayings. */
    private const ALIKE = 0.82;

    /** Examples that describe what has no description. */
    private const DESCRIBE = 6;

    public readonly Evidence $evidence;

    /** @var array<string, array{name: string, about: string}> */
    private readonly array $about;

    /** @var ?array<string, list<float>> */
    private ?array $vectors = null;

    /** @var ?array<string, list<list<float>>> */
    private ?array $examples = null;

    private readonly Meaning $meaning;

    private readonly Meaning $glossed;

    private readonly Memory $memory;

    /** @param list<Described> $described */
    public function __construct(private readonly array $described, Vocabulary $words, Lexicon $lexicon, ?Meaning $meaning = null, ?Memory $memory = null)
    {
        $this->meaning = $meaning ?? Meaning::english();
        $this->glossed = Meaning::glossed();
        $this->memory = $memory ?? Memory::english();
        $about = [];
        foreach ($described as $n => $one) {
            // Where nothing is described, the examples describe it.
            $described[$n]['about'] = trim($one['about']) !== '' ? $one['about'] : implode('. ', array_slice($one['examples'], 0, self::DESCRIBE));
            $about[$one['key']] = ['name' => $one['name'], 'about' => $described[$n]['about']];
        }
        $this->evidence = new Evidence($described, $words, $lexicon);
        $this->about = $about;
    }

    public function likely(string $said): Likelihoods
    {
        $vector = $this->meaning->vector($said);
        $this->vectors ??= array_map($this->meaning->vectorOf(...), $this->about);

        return Likelihoods::from($this->evidence->scores($said), $this->meant($said), $this->memory->of($vector, $this->vectors), $this->exemplified($vector));
    }

    /** @return array<string, float> what two trainings make of it, in the middle: what one has wrong the other often has right */
    private function meant(string $said): array
    {
        $one = $this->meaning->scores($said, $this->about);
        $other = $this->glossed->scores($said, $this->about);

        foreach ($other as $key => $score) {
            $one[$key] = ($one[$key] + $score) / 2;
        }

        return $one;
    }

    /**
     * @param list<float> $vector
     *
     * @return array<string, float> what its own examples speak for each, from 0
     */
    private function exemplified(array $vector): array
    {
        if ($this->examples === null) {
            $this->examples = [];
            foreach ($this->described as $one) {
                $this->examples[$one['key']] = array_map($this->meaning->vector(...), $one['examples']);
            }
        }
        $found = [];
        foreach ($this->examples as $key => $examples) {
            $best = 0.0;
            foreach ($examples as $example) {
                $like = 0.0;
                foreach ($example as $i => $value) {
                    $like += $value * $vector[$i];
                }
                $best = max($best, $like);
            }
            $found[$key] = self::EXAMPLE * max(0.0, $best - self::ALIKE) / (1 - self::ALIKE);
        }

        return $found;
    }
}
