<?php

declare(strict_types=1);

namespace Ringo\Fit;

use Ringo\Language\Lexicon;
use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;

/**
 * How plainly what was said fits descriptions: by words of the description itself, by ideas both speak of (concepts.php), by words that
 * have much to do with each other (the general lexicon), and by example sayings.
 *
 * @phpstan-type Profile array{name: array<string, float>, words: array<string, float>, ideas: array<string, float>, examples: list<list<string>>}
 */
final class Evidence
{
    /** Likeness of two words from which they have something to do with each other. */
    private const RELATED = 0.3;

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    /** @var array<string, true> */
    private readonly array $small;

    /** @var array<string, Profile> */
    private array $profiles = [];

    /** @var array<string, int> in how many descriptions a stem or idea stands */
    private array $spread = [];

    /** @param list<array{key: string, name: string, about: string, examples: list<string>}> $described */
    public function __construct(array $described, private readonly Vocabulary $vocabulary, private readonly Lexicon $lexicon)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
        $this->small = array_fill_keys($vocabulary->section('routing', 'small'), true);
        foreach ($described as $one) {
            $this->profiles[$one['key']] = $this->profile($one);
        }
        foreach ($this->profiles as $profile) {
            foreach (array_keys($profile['words'] + $profile['ideas']) as $word) {
                $this->spread[$word] = ($this->spread[$word] ?? 0) + 1;
            }
        }
    }

    /** @return array<string, float> telling stems of a description, with what they count */
    public function wordsOf(string $key): array
    {
        return $this->profiles[$key]['words'] ?? [];
    }

    public function has(string $key): bool
    {
        return isset($this->profiles[$key]);
    }

    /** In how many of the descriptions a stem stands. */
    public function standsIn(string $stem): int
    {
        return $this->spread[$stem] ?? 1;
    }

    /** @return array<string, float> by team, best first; 0 fits nothing, 1 is as good as it gets */
    public function scores(string $said): array
    {
        $stems = [];
        foreach ($this->tokenizer->words($said) as $word) {
            if (! isset($this->small[$word]) && mb_strlen($word) > 1) {
                $stem = $this->stemmer->stem($word);
                $stems[$stem] = $this->lexicon->weight($stem);
            }
        }
        $ideas = $this->lexicon->ideas($said);
        $scores = [];
        foreach ($this->profiles as $key => $profile) {
            $scores[$key] = $this->score($said, $stems, $ideas, $profile);
        }
        arsort($scores);

        return $scores;
    }

    /**
     * @param array<string, float> $stems
     * @param array<string, float> $ideas
     * @param Profile $profile
     */
    private function score(string $said, array $stems, array $ideas, array $profile): float
    {
        $own = 0.0;
        $near = 0.0;
        $all = max(1.2, array_sum($stems));
        foreach ($stems as $stem => $weight) {
            $stem = (string) $stem;
            if (isset($profile['words'][$stem])) {
                $own += $weight * $profile['words'][$stem] / $this->spreadOf($stem);

                continue;
            }
            $best = 0.0;
            foreach ($profile['words'] as $word => $importance) {
                $likeness = $this->lexicon->likeness($stem, (string) $word);
                if ($likeness > self::RELATED) {
                    $best = max($best, $likeness * $likeness * $importance);
                }
            }
            $near += $weight * $best;
        }
        $shared = 0.0;
        foreach ($ideas as $idea => $strength) {
            if (isset($profile['ideas'][$idea])) {
                $shared += min(1.8, $strength) * $profile['ideas'][$idea] / $this->spreadOf($idea);
            }
        }
        $example = 0.0;
        foreach ($profile['examples'] as $words) {
            $common = count(array_intersect($words, array_map(strval(...), array_keys($stems))));
            $example = max($example, $words === [] ? 0.0 : $common / sqrt(count($words) * max(1, count($stems))));
        }

        return round(1.0 * $own / ($all ** 0.6) + 0.95 * $near / $all + 0.5 * min(2.6, $shared) + 0.8 * $example ** 3, 4);
    }

    /** Words that several teams share tell less. */
    private function spreadOf(string $one): float
    {
        return ($this->spread[$one] ?? 1) ** 1.2;
    }

    /**
     * @param array{key: string, name: string, about: string, examples: list<string>} $one
     *
     * @return Profile
     */
    private function profile(array $one): array
    {
        $words = [];
        $name = [];
        foreach ([[$one['name'], 1.0], [$one['about'], 1.0], [str_replace(['_', '-'], ' ', $one['key']), 0.8]] as [$text, $importance]) {
            foreach ($this->tokenizer->words($text) as $word) {
                if (isset($this->small[$word]) || isset($this->hollow()[$word]) || mb_strlen($word) < 2) {
                    continue;
                }
                $stem = $this->stemmer->stem($word);
                $words[$stem] = max($words[$stem] ?? 0.0, $importance * (0.55 + 0.45 * $this->lexicon->weight($stem)));
                if ($text === $one['name']) {
                    $name[$stem] = 1.0;
                }
            }
        }
        $ideas = [];
        foreach ($this->lexicon->ideas($one['name'].'. '.$one['about']) as $idea => $strength) {
            // An idea that one everyday word alone suggests is weaker than one a saying or several words show.
            $ideas[$idea] = min(1.0, 0.55 + 0.25 * ($strength - 1) + 0.12 * ($this->mentions($idea, $one['name'].' '.$one['about']) - 1));
        }
        $examples = array_map(fn (string $example): array => array_values(array_map($this->stemmer->stem(...), array_filter($this->tokenizer->words($example), fn (string $word): bool => ! isset($this->small[$word])))), $one['examples']);

        return ['name' => $name, 'words' => $words, 'ideas' => $ideas, 'examples' => $examples];
    }

    private function mentions(string $idea, string $text): int
    {
        $n = 0;
        foreach ($this->tokenizer->words($text) as $word) {
            if (! isset($this->small[$word]) && in_array($idea, $this->lexicon->ideasOf($this->stemmer->stem($word)), true)) {
                $n++;
            }
        }

        return max(1, min(5, $n));
    }

    /** @return array<string, true> words of descriptions that tell nothing of a team */
    private function hollow(): array
    {
        return array_fill_keys($this->vocabulary->section('routing', 'hollow'), true);
    }
}
