<?php

declare(strict_types=1);

namespace Ringo\Transfer;

use Ringo\Language\Lexicon;
use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;

/**
 * Finds the team that fits what a caller said, from the teams' plain descriptions alone.
 *
 * Four kinds of evidence are weighed: words of the description itself, ideas both speak of (concepts.php), words that have much to
 * do with each other (the general lexicon), and example sayings where a team has them. A clear lead chooses, a narrow one asks a
 * question that separates exactly the candidates.
 */
final class TeamFit
{
    /** Lead over the second team from which a team is chosen, as a share of its own score. */
    private const CLEAR = 0.3;

    /** Least score from which a team is chosen without a question. */
    private const LEAST = 0.34;

    /** Score below which nothing fits. */
    private const TRACE = 0.02;

    /** Likeness of two words from which they have something to do with each other. */
    private const RELATED = 0.3;

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    /** @var array<string, true> */
    private readonly array $small;

    /** @var array<string, array{name: array<string, float>, words: array<string, float>, ideas: array<string, float>, examples: list<list<string>>}> */
    private array $profiles = [];

    /** @var array<string, int> in how many descriptions a stem or idea stands */
    private array $spread = [];

    /** @param list<Team> $teams */
    public function __construct(private readonly array $teams, private readonly Vocabulary $vocabulary, private readonly Lexicon $lexicon)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
        $this->small = array_fill_keys($vocabulary->section('routing', 'small'), true);
        foreach ($teams as $team) {
            $this->profiles[$team->key] = $this->profile($team);
        }
        foreach ($this->profiles as $profile) {
            foreach (array_keys($profile['words'] + $profile['ideas']) as $one) {
                $this->spread[$one] = ($this->spread[$one] ?? 0) + 1;
            }
        }
    }

    /** What follows from what the caller said first. */
    public function of(string $said): Fit
    {
        $scores = $this->scores($said);
        $keys = array_map(strval(...), array_keys($scores));
        if (count($keys) === 1) {
            return new Fit($scores, $keys[0], [], '', 'there is one team');
        }
        $named = $this->named($said);
        if ($named !== null) {
            return new Fit($scores, $named, [], '', "the caller named {$this->team($named)->name}");
        }
        $top = $scores[$keys[0]];
        $lead = $top > 0 ? ($top - $scores[$keys[1]]) / $top : 0.0;
        $shown = static fn (float $score): string => number_format($score, 2);
        if ($top >= 0.55 && $lead >= self::CLEAR || $top >= self::LEAST && $lead >= 0.5) {
            return new Fit($scores, $keys[0], [], '', "{$this->team($keys[0])->name} fits {$shown($top)}, the next, {$this->team($keys[1])->name}, {$shown($scores[$keys[1]])}: a clear lead");
        }
        if ($top < self::TRACE) {
            // Not a word to go by: the few likeliest are asked about, if there are few enough to ask about.
            return $this->content($said) === 0
                ? new Fit($scores, null, [], '', 'nothing that was said fits any team')
                : $this->asking($scores, array_slice(array_values(array_filter($keys, fn (string $key): bool => ! $this->team($key)->default)), 0, 3), 'nothing that was said fits any team well');
        }
        $candidates = [$keys[0], $keys[1]];
        if (isset($keys[2]) && ($scores[$keys[2]] >= 0.4 * $top || $top < 0.3)) {
            $candidates[] = $keys[2];
        }

        return $this->asking($scores, $candidates, "{$this->team($keys[0])->name} fits {$shown($top)}, {$this->team($keys[1])->name} {$shown($scores[$keys[1]])}: too near to choose");
    }

    /**
     * @param array<string, float> $scores
     * @param list<string> $candidates
     */
    private function asking(array $scores, array $candidates, string $why): Fit
    {
        return count($candidates) < 2 ? new Fit($scores, null, [], '', $why) : new Fit($scores, null, $candidates, $this->question($candidates), $why);
    }

    /** How many words of substance were said. */
    private function content(string $said): int
    {
        return count(array_filter($this->tokenizer->words($said), fn (string $word): bool => ! isset($this->small[$word]) && mb_strlen($word) > 2));
    }

    /**
     * What follows from the answer to a question that set candidates apart.
     *
     * @param list<string> $candidates
     */
    public function answered(string $first, array $candidates, string $answer): Fit
    {
        $before = $this->scores($first);
        $now = $this->scores($answer);
        $pool = array_values(array_filter($candidates, fn (string $key): bool => isset($this->profiles[$key])));
        $none = $this->none($answer);
        if ($pool !== [] && ! $none) {
            $chosen = $this->position($answer, count($pool));
            if ($chosen !== null) {
                return new Fit($now, $pool[$chosen], [], '', 'the caller said which, by its place');
            }
            $named = $this->named($answer, $pool);
            if ($named !== null) {
                return new Fit($now, $named, [], '', "the caller named {$this->team($named)->name}");
            }
        }
        // The answer counts twice what was said first; teams that were offered are likelier than the others.
        $scores = [];
        foreach ($now as $key => $score) {
            $offered = in_array((string) $key, $pool, true);
            $scores[$key] = $score + 0.4 * ($before[$key] ?? 0.0) + ($offered && ! $none ? 0.06 : 0.0) - ($offered && $none ? 1.0 : 0.0);
        }
        arsort($scores);
        $keys = array_map(strval(...), array_keys($scores));
        if ($keys === [] || $scores[$keys[0]] < ($none ? 0.3 : 0.16)) {
            return new Fit($scores, null, [], '', $none ? 'none of those, and nothing else fits' : 'the answer does not say which');
        }
        // 'Yes' to two at once, or words that fit both alike, stay in doubt.
        if (isset($keys[1]) && $scores[$keys[0]] - $scores[$keys[1]] < 0.08 && max([0.0, ...array_values($now)]) < 0.1) {
            return new Fit($scores, null, [], '', 'the answer does not say which');
        }

        return new Fit($scores, $keys[0], [], '', "with the answer {$this->team($keys[0])->name} fits best, ".number_format($scores[$keys[0]], 2));
    }

    public function team(string $key): Team
    {
        foreach ($this->teams as $team) {
            if ($team->key === $key) {
                return $team;
            }
        }

        throw new \OutOfBoundsException("There is no team “{$key}”.");
    }

    public function default(): ?string
    {
        foreach ($this->teams as $team) {
            if ($team->default) {
                return $team->key;
            }
        }

        return null;
    }

    /**
     * One question that separates exactly the candidates, in natural words.
     *
     * @param list<string> $candidates
     */
    public function question(array $candidates): string
    {
        $parts = array_map(fn (string $key): string => $this->distinct($key, $candidates), $candidates);
        $last = array_pop($parts);

        return 'Is it about '.($parts === [] ? $last : implode(', ', $parts).', or '.$last).'?';
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
     * @param array{name: array<string, float>, words: array<string, float>, ideas: array<string, float>, examples: list<list<string>>} $profile
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

        return round(1.0 * $own / ($all ** 0.6) + 0.95 * $near / $all + 0.5 * min(2.6, $shared) + 0.8 * $example, 4);
    }

    /** Words that several teams share tell less. */
    private function spreadOf(string $one): float
    {
        return ($this->spread[$one] ?? 1) ** 1.2;
    }

    /** @return array{name: array<string, float>, words: array<string, float>, ideas: array<string, float>, examples: list<list<string>>} */
    private function profile(Team $team): array
    {
        $words = [];
        $name = [];
        foreach ([[$team->name, 1.0], [$team->description, 1.0], [str_replace(['_', '-'], ' ', $team->key), 0.8]] as [$text, $importance]) {
            foreach ($this->tokenizer->words($text) as $word) {
                if (isset($this->small[$word]) || isset($this->hollow()[$word]) || mb_strlen($word) < 2) {
                    continue;
                }
                $stem = $this->stemmer->stem($word);
                $words[$stem] = max($words[$stem] ?? 0.0, $importance * (0.55 + 0.45 * $this->lexicon->weight($stem)));
                if ($text === $team->name) {
                    $name[$stem] = 1.0;
                }
            }
        }
        $ideas = [];
        foreach ($this->lexicon->ideas($team->name.'. '.$team->description) as $idea => $strength) {
            // An idea that one everyday word alone suggests is weaker than one a saying or several words show.
            $ideas[$idea] = min(1.0, 0.55 + 0.25 * ($strength - 1) + 0.12 * ($this->mentions($idea, $team->name.' '.$team->description) - 1));
        }
        $examples = array_map(fn (string $example): array => array_values(array_map($this->stemmer->stem(...), array_filter($this->tokenizer->words($example), fn (string $word): bool => ! isset($this->small[$word])))), $team->examples);
        foreach ($team->examples as $example) {
            foreach (array_keys($this->lexicon->ideas($example)) as $idea) {
                $ideas[$idea] = max($ideas[$idea] ?? 0.0, 0.45);
            }
        }

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

    /**
     * A team asked for by its name: 'accounts please', 'put me through to the body shop'.
     *
     * @param ?list<string> $among
     */
    private function named(string $said, ?array $among = null): ?string
    {
        $line = ' '.implode(' ', array_map($this->stemmer->stem(...), $this->tokenizer->words($said))).' ';
        $asks = $among !== null || preg_match('/\b(?:put|through|speak|talk|connect|transfer|department|team|want|need|please|get)\b/i', $said) === 1 || count($this->tokenizer->words($said)) <= 3;
        if (! $asks) {
            return null;
        }
        $found = [];
        foreach ($this->teams as $team) {
            if ($among !== null && ! in_array($team->key, $among, true)) {
                continue;
            }
            $stems = array_values(array_filter(array_map($this->stemmer->stem(...), $this->tokenizer->words($team->name)), static fn (string $stem): bool => ! in_array($stem, ['and', 'the', 'team', 'department', 'of'], true)));
            $whole = implode(' ', array_map($this->stemmer->stem(...), $this->tokenizer->words($team->name)));
            if ($whole !== '' && str_contains($line, " {$whole} ") || count($stems) > 1 && array_filter($stems, static fn (string $stem): bool => ! str_contains($line, " {$stem} ")) === []) {
                $found[$team->key] = strlen($whole);
            } elseif ($among !== null || count($this->tokenizer->words($said)) <= 4) {
                foreach ($stems as $stem) {
                    if (strlen($stem) > 3 && str_contains($line, " {$stem} ") && ($this->spread[$stem] ?? 1) === 1) {
                        $found[$team->key] = max($found[$team->key] ?? 0, strlen($stem) - 20);
                    }
                }
            }
        }
        arsort($found);
        $keys = array_keys($found);

        return count($keys) === 1 || isset($keys[1]) && $found[$keys[0]] > $found[$keys[1]] && $found[$keys[0]] > 0 ? (string) $keys[0] : null;
    }

    private function none(string $answer): bool
    {
        return preg_match('/\b(?:neither|none|something else|no,? (?:it\'?s|not)|not (?:either|really|those|any)|nothing like that|no no)\b|^\s*(?:no|nope|nah)\b(?!.*\b(?:first|second|third|former|latter)\b)/i', $answer) === 1;
    }

    private function position(string $answer, int $count): ?int
    {
        $line = mb_strtolower($answer);
        if (str_word_count($line) > 6) {
            return null;
        }

        return match (true) {
            preg_match('/\b(?:first|former|(?:number|option) (?:one|1))\b|^\W*(?:one|1)\W*$/', $line) === 1 => 0,
            preg_match('/\b(?:second|(?:number|option) (?:two|2))\b|^\W*(?:two|2)\W*$/', $line) === 1 && $count > 1 => 1,
            preg_match('/\b(?:third|(?:number|option) (?:three|3))\b|^\W*(?:three|3)\W*$/', $line) === 1 && $count > 2 => 2,
            preg_match('/\b(?:latter|last)\b/', $line) === 1 => $count - 1,
            default => null,
        };
    }

    /**
     * The words by which a team is asked about beside others: what its description does not share with theirs.
     *
     * @param list<string> $candidates
     */
    private function distinct(string $key, array $candidates): string
    {
        $team = $this->team($key);
        $clauses = array_values(array_filter(array_map(trim(...), preg_split('/,|;|\band\b(?=[^,]*$)/u', $team->asked()) ?: []), static fn (string $clause): bool => $clause !== ''));
        $others = [];
        foreach ($candidates as $other) {
            if ($other !== $key) {
                $others += $this->profiles[$other]['words'];
            }
        }
        $telling = array_values(array_filter($clauses, function (string $clause) use ($others): bool {
            foreach ($this->tokenizer->words($clause) as $word) {
                if (! isset($this->small[$word]) && isset($others[$this->stemmer->stem($word)])) {
                    return false;
                }
            }

            return true;
        }));
        $chosen = array_slice($telling === [] ? $clauses : $telling, 0, 2);
        $words = implode(' or ', $chosen);
        if ($words === '' || str_word_count($words) > 12) {
            $words = $chosen[0] ?? $team->name;
        }

        return preg_match('/^[A-Z][a-z]/', $words) === 1 && preg_match('/^[A-Z]{2}/', $words) !== 1 ? lcfirst($words) : $words;
    }
}
