<?php

declare(strict_types=1);

namespace Ringo\Transfer;

use Ringo\Fit\Candidates;
use Ringo\Fit\Caution;
use Ringo\Fit\Evidence;
use Ringo\Fit\Memory;
use Ringo\Language\Lexicon;
use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;

/**
 * Finds the team that fits what a caller said, from the teams' plain descriptions alone.
 *
 * Plain evidence is weighed first: words of the description itself, ideas both speak of (concepts.php), words that have much to do
 * with each other (the general lexicon), and example sayings where a team has them. Beside it stands what training on many trades
 * has taught of the words (Ringo\Fit\Meaning). Together they give probabilities: a team that is likely enough is chosen, else a
 * question separates exactly the candidates.
 */
final class TeamFit
{
    /** What was said first counts so much beside the answer to the question. */
    private const BEFORE = 0.15;

    /** A team that was offered is likelier than one that was not; in full where all that was likely was offered. */
    private const OFFERED = 4.0;

    /** 'Neither', or a no alone, speaks so much against those offered; a no with more behind it ('no, I have never been') for and against none. */
    private const DENIED = 4.0;

    /** Begins with a no, and says nowhere that none of those is meant. */
    private const NO_AND_MORE = '/^\s*(?:no|nope|nah)\b(?!.*\b(?:neither|none|something else|either|those|any)\b)/i';

    /** How likely a team must be after the answer. */
    private const SAID_WHICH = 0.4;

    private const SAID_OTHERWISE = 0.5;

    /** How sure a team is that was named. */
    private const NAMED = 0.95;

    /** Score below which nothing fits. */
    private const TRACE = 0.02;

    /** Where no word tells, so likely is it that no team is meant, to ask about none: 'hello', and not 'I want out'. */
    private const NOTHING_SAID = 0.3;

    /** Teams in one question. */
    private const AT_ONCE = 3;

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    /** @var array<string, true> */
    private readonly array $small;

    private readonly Candidates $candidates;

    private readonly Evidence $evidence;

    /** @param list<Team> $teams */
    public function __construct(private readonly array $teams, Vocabulary $vocabulary, Lexicon $lexicon, private readonly Caution $caution = Caution::Even, ?Memory $memory = null)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
        $this->small = array_fill_keys($vocabulary->section('routing', 'small'), true);
        $this->candidates = new Candidates(array_map(static fn (Team $team): array => ['key' => $team->key, 'name' => $team->name, 'about' => $team->description, 'examples' => $team->examples], $teams), $vocabulary, $lexicon, null, $memory);
        $this->evidence = $this->candidates->evidence;
    }

    /** What follows from what the caller said first. */
    public function of(string $said): Fit
    {
        $scores = $this->evidence->scores($said);
        $keys = array_map(strval(...), array_keys($scores));
        if (count($keys) === 1) {
            return new Fit($scores, $keys[0], [], '', 'there is one team');
        }
        $named = $this->named($said);
        if ($named !== null) {
            return new Fit($scores, $named, [], '', "the caller named {$this->team($named)->name}");
        }
        $likely = $this->candidates->likely($said);
        if ($scores[$keys[0]] < self::TRACE && $this->content($said) === 0 && $likely->none >= self::NOTHING_SAID) {
            return new Fit($scores, null, [], '', 'nothing that was said fits any team');
        }
        $shown = static fn (float $share): string => round(100 * $share).' %';
        $best = (string) array_key_first($likely->of);
        $taken = $likely->taken($this->caution);
        if ($taken !== null) {
            return new Fit($likely->of, $taken, [], '', "{$this->team($taken)->name} is meant to {$shown($likely->of[$taken])}: surely enough");
        }
        $why = $likely->noneMeant() ? 'nothing that was said fits any team well' : "{$this->team($best)->name} is meant to {$shown($likely->of[$best])}: not surely enough to choose";

        return $this->asking($likely->of, $likely->asked(), $why);
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
        $pool = array_values(array_filter($candidates, fn (string $key): bool => $this->evidence->has($key)));
        $none = $this->none($answer);
        if ($pool !== [] && ! $none) {
            $chosen = $this->position($answer, count($pool));
            if ($chosen !== null) {
                return $this->said($pool[$chosen], 'the caller said which, by its place');
            }
            $named = $this->named($answer, $pool);
            if ($named !== null) {
                return $this->said($named, "the caller named {$this->team($named)->name}");
            }
        }
        $now = $this->candidates->likely($answer);
        $before = $this->candidates->likely($first)->of;
        $scores = [];
        // Those offered for good reasons are rather meant than those offered for want of any.
        $offeredCounts = match (true) {
            ! $none => self::OFFERED * array_sum(array_intersect_key($before, array_flip($pool))),
            $this->content($answer) > 1 && preg_match(self::NO_AND_MORE, $answer) === 1 => 0.0,
            default => -self::DENIED,
        };
        foreach ($now->of as $key => $share) {
            $offered = in_array((string) $key, $pool, true);
            $scores[$key] = log($share + self::TRACE) + self::BEFORE * log(($before[$key] ?? 0.0) + self::TRACE) + ($offered ? $offeredCounts : 0.0);
        }
        if ($scores === []) {
            return new Fit([], null, [], '', 'no teams are described');
        }
        arsort($scores);
        $most = max($scores);
        $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
        $sum = array_sum($powers);
        $of = array_map(static fn (float $power): float => $power / $sum, $powers);
        $best = (string) array_key_first($of);
        if ($of[$best] < ($none ? self::SAID_OTHERWISE : self::SAID_WHICH) || $this->content($answer) <= ($none ? 1 : 0)) {
            return $none ? $this->others($of, $pool) : new Fit($of, null, [], '', 'the answer does not say which');
        }

        return new Fit($of, $best, [], '', "with the answer {$this->team($best)->name} fits best, to ".round(100 * $of[$best]).' %');
    }

    /**
     * None of those that were asked about: the likeliest of the others are asked about.
     *
     * @param array<string, float> $of how likely each team is, best first
     * @param list<string> $refused
     */
    private function others(array $of, array $refused): Fit
    {
        $others = array_slice(array_values(array_diff(array_map(strval(...), array_keys($of)), $refused)), 0, self::AT_ONCE);

        return match (count($others)) {
            0 => new Fit($of, null, [], '', 'none of those, and there is no other'),
            1 => $this->said($others[0], "none of those, and {$this->team($others[0])->name} is the one other"),
            default => new Fit($of, null, $others, $this->question($others), 'none of those: the others are asked about'),
        };
    }

    private function said(string $key, string $why): Fit
    {
        return new Fit([$key => self::NAMED], $key, [], '', $why);
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
                    if (strlen($stem) > 3 && str_contains($line, " {$stem} ") && $this->evidence->standsIn($stem) === 1) {
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
     * The clauses that can be said by themselves: of 'machines that have broken down, will not start or leak' the first alone, of
     * 'bringing machines back, picking them up' what speaks of 'them' last of all.
     *
     * @param list<string> $clauses
     *
     * @return list<string>
     */
    private function standAlone(array $clauses): array
    {
        $lean = array_filter($clauses, static fn (string $clause): bool => preg_match('/^(?:or |and )?(?:will|would|are|is|was|were|has|have|had|do|does|did|can|cannot|could|not)\b/i', $clause) === 1);
        if ($lean !== []) {
            return array_slice($clauses, 0, max(1, (int) array_key_first($lean)));
        }
        $whole = array_values(array_filter($clauses, static fn (string $clause): bool => preg_match('/\b(?:them|it)\b/i', $clause) !== 1));

        return $whole === [] ? $clauses : $whole;
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
                $others += $this->evidence->wordsOf($other);
            }
        }
        $clauses = $this->standAlone($clauses);
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
