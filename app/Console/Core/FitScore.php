<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Fit\Caution;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Transfer\TeamFit;

/** How often callers of businesses nobody trained on come to the right team: the trades left out, both ways their business is cut into teams. */
final class FitScore
{
    /** What a caller says who was asked in vain. */
    public const NONE_OF_THOSE = 'No, none of those.';

    private const NOTHING = [
        'one_team' => 0, 'first_right' => 0, 'right' => 0, 'asked_rightly' => 0, 'asked_in_vain' => 0,
        'asked_again_rightly' => 0, 'wrong' => 0, 'left' => 0, 'no_team' => 0, 'no_team_sent' => 0, 'open' => 0,
        'open_asked' => 0, 'replies' => 0, 'reply_right' => 0, 'reply_wrong' => 0,
    ];

    public function __construct(private readonly Caution $caution = Caution::Even)
    {
    }

    /** @return iterable<array<string, mixed>> a line a business or trade, then all */
    public function of(string $folder): iterable
    {
        $words = Vocabulary::of();
        $lexicon = new Lexicon($words);
        $all = self::NOTHING;
        $name = '';
        $counts = self::NOTHING;
        foreach (LabelledBusinesses::in($folder) as $business) {
            if ($business['name'] !== $name && $name !== '') {
                yield $this->line($name, $counts);

                $counts = self::NOTHING;
            }
            $name = $business['name'];
            $fit = new TeamFit($business['teams'], $words, $lexicon, $this->caution, $business['memory']);
            foreach ($business['sayings'] as $saying) {
                foreach ($this->one($fit, $saying) as $what) {
                    $counts[$what]++;
                    $all[$what]++;
                }
            }
        }

        yield $this->line($name, $counts);

        yield $this->line('all', $all);
    }

    /**
     * @param array{said: string, wanted: string|list<string>|null, then: ?array{said: string, wanted: ?string}} $saying
     *
     * @return list<key-of<self::NOTHING>>
     */
    private function one(TeamFit $fit, array $saying): array
    {
        $wanted = $saying['wanted'];
        $found = $fit->of($saying['said']);
        if ($wanted === null) {
            return $found->team === null ? ['no_team'] : ['no_team', 'no_team_sent'];
        }
        if (is_array($wanted)) {
            $asked = $found->team === null && $found->candidates !== [] ? ['open', 'open_asked'] : ['open'];
            if ($saying['then'] === null || $saying['then']['wanted'] === null) {
                return $asked;
            }
            $then = $fit->answered($saying['said'], $wanted, $saying['then']['said'])->team;

            return [...$asked, 'replies', ...($then === $saying['then']['wanted'] ? ['reply_right'] : ($then === null ? [] : ['reply_wrong']))];
        }
        $first = array_key_first($found->scores) === $wanted ? ['first_right'] : [];

        return ['one_team', ...$first, ...match (true) {
            $found->team === $wanted => ['right'],
            $found->team !== null => ['wrong'],
            $found->candidates === [] => ['left'],
            in_array($wanted, $found->candidates, true) => ['asked_rightly'],
            default => ['asked_in_vain', ...$this->againRightly($fit, $saying['said'], $found->candidates, $wanted) ? ['asked_again_rightly'] : []],
        }];
    }

    /**
     * Whether a caller who wants none of those is then asked about the right one, or comes to it.
     *
     * @param list<string> $asked
     */
    private function againRightly(TeamFit $fit, string $said, array $asked, string $wanted): bool
    {
        $again = $fit->answered($said, $asked, self::NONE_OF_THOSE);

        return $again->team === $wanted || in_array($wanted, $again->candidates, true);
    }

    /**
     * @param array<string, int> $counts
     *
     * @return array<string, mixed>
     */
    private function line(string $name, array $counts): array
    {
        $share = static fn (int $part, int $whole): float => round($part / max(1, $whole), 3);

        return [
            'set' => $name,
            'one_team' => $counts['one_team'],
            'first_right' => $share($counts['first_right'], $counts['one_team']),
            'right_in_the_end' => $share($counts['right'] + $counts['asked_rightly'], $counts['one_team']),
            'with_a_second_question' => $share($counts['right'] + $counts['asked_rightly'] + $counts['asked_again_rightly'], $counts['one_team']),
            'wrong' => $share($counts['wrong'], $counts['one_team']),
            'asked' => $share($counts['asked_rightly'] + $counts['asked_in_vain'], $counts['one_team']),
            'asked_in_vain' => $share($counts['asked_in_vain'], $counts['one_team']),
            'left' => $share($counts['left'], $counts['one_team']),
            'no_team' => $counts['no_team'],
            'no_team_sent' => $share($counts['no_team_sent'], $counts['no_team']),
            'open' => $counts['open'],
            'open_asked' => $share($counts['open_asked'], $counts['open']),
            'replies' => $counts['replies'],
            'reply_right' => $share($counts['reply_right'], $counts['replies']),
            'reply_wrong' => $share($counts['reply_wrong'], $counts['replies']),
        ];
    }
}
