<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;

/**
 * Sorts what was said into topics described in plain words.
 *
 * A phrase that stands in the words counts most; else the telling words shared with label and description decide.
 */
final class Topics
{
    private const SMALL = ['the', 'a', 'an', 'i', 'you', 'it', 'is', 'to', 'me', 'my', 'that', 'this', 'can', 'could', 'would', 'we', 'do', 'with', 'for', 'of', 'on', 'in', 'at', 'and', 'or', 'but', 'just', 'there', 'be', 'will', 'have', 'like', 'want', 'need', 'get', 'our', 'your', 'us', 'as', 'if', 'about', 'some', 'somebody', 'someone', 'something', 'what', 'when', 'how', 'who', 'which', 'not', 'no', 'yes', 'please', 'are', 'was', 'been', 'they', 'he', 'she', 'his', 'her', 'them', 'from', 'up', 'out', 'so', 'one', 'any', 'caller', 'callers', 'wants', 'needs', 'asks', 'asking', 'ask', 'call', 'calling', 'ring', 'ringing', 'speak', 'tell', "i'm", "i'd", "it's", "i've", "we've", "that's", 'had', 'has', 'by', 'more', 'go', 'got', 'help', 'thing', 'things', 'today', 'new', 'hello', 'hi', 'know', 'think', 'day', 'days', 'week', 'weeks', 'month', 'months', 'year', 'years', 'hour', 'hours', 'minute', 'minutes', 'tomorrow', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];

    /** @var array<string, array{array<string, array<string, float>>, array<string, array<string, true>>}> */
    private array $made = [];

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    public function __construct(private readonly Vocabulary $words)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
    }

    /**
     * @param list<array{key: string, label: string, description: string, phrases: list<string>}> $topics
     *
     * @return array<string, float> scores from 0, best first; about 1 is a clear match
     */
    public function rank(array $topics, Heard $heard): array
    {
        $said = [];
        foreach ($this->words->phrases('talk', 'soft')->without($heard->tokens) as $token) {
            $said[] = $this->stemmer->stem($token->text);
        }
        $sequence = ' '.implode(' ', array_map(fn (Token $token): string => $this->stemmer->stem($token->text), $heard->tokens)).' ';
        [$bags, $holders] = $this->bags($topics);
        $scores = [];
        foreach ($topics as $topic) {
            $score = 0.0;
            foreach ([$topic['label'], ...$topic['phrases']] as $phrase) {
                $stems = implode(' ', $this->stemmer->stems($phrase));
                if ($stems !== '' && str_contains($sequence, " {$stems} ")) {
                    $score = max($score, 0.9 + 0.1 * min(4, substr_count($stems, ' ')));
                }
            }
            $shared = 0.0;
            foreach (array_unique($said) as $stem) {
                if (isset($bags[$topic['key']][$stem])) {
                    $shared += 0.55 * $bags[$topic['key']][$stem] / count($holders[$stem]);
                }
            }
            $scores[$topic['key']] = round($score + min(1.2, $shared), 3);
        }
        arsort($scores);

        return $scores;
    }

    /**
     * The telling stems of each topic, and which topics hold a stem; made once for a set of topics.
     *
     * @param list<array{key: string, label: string, description: string, phrases: list<string>}> $topics
     *
     * @return array{array<string, array<string, float>>, array<string, array<string, true>>}
     */
    private function bags(array $topics): array
    {
        $name = implode('|', array_map(static fn (array $topic): string => $topic['key'].'='.$topic['label'].'='.count($topic['phrases']), $topics));
        if (isset($this->made[$name])) {
            return $this->made[$name];
        }
        $bags = [];
        $holders = [];
        foreach ($topics as $topic) {
            $bags[$topic['key']] = [];
            foreach ([[$topic['label'], 1.0], [$topic['description'], 0.8], ...array_map(static fn (string $phrase): array => [$phrase, 1.0], $topic['phrases'])] as [$text, $weight]) {
                foreach ($this->tokenizer->words($text) as $word) {
                    $stem = $this->stemmer->stem($word);
                    if (in_array($word, self::SMALL, true) || strlen($stem) < 3) {
                        continue;
                    }
                    $bags[$topic['key']][$stem] = max($bags[$topic['key']][$stem] ?? 0.0, $weight);
                    $holders[$stem][$topic['key']] = true;
                }
            }
        }

        return $this->made[$name] = [$bags, $holders];
    }
}
