<?php

declare(strict_types=1);

namespace Ringo\Fit;

use Ringo\Language\Lexicon;
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

    /** A topic whose name or saying stands in the words. */
    public const NAMED = 0.9;

    /** A clear match. */
    public const CLEAR = 1.0;

    /** From here on words are about the topic. */
    public const FITS = 0.5;

    /** From here on a topic may be meant, where another is nearly as near. */
    public const NEAR = 0.4;

    public const RIVAL = 0.3;

    /** How far the best must lead the next to be meant alone. */
    public const LEAD = 0.25;

    /** Little words that may stand between the words of a saying: 'sign me up'. */
    private const BETWEEN = ' (?:(?:me|my|us|our|you|your|it|him|her|them|a|an|the|some|that|this|one) ){0,2}';

    /** Words before a saying among which a 'not' denies it. */
    private const DENIED_WITHIN = 3;

    /** Words at which what is not meant ends. */
    private const TURNS = ['i', "i'd", "i'm", "i've", 'but', 'just', 'we', "we'd", 'and', 'can', 'could', 'please', 'it', "it's"];

    /** What the telling words of a topic's name count, in any order. */
    private const BY_NAME = 0.7;

    /** Sayings of a topic that are read as part of its description: whoever wrote it chose them to be. */
    private const DESCRIBE = 6;

    /** Words of the shortest thing a description lists that is a saying: 'make a claim'; 'contact lenses' only names a thing. */
    private const SHORTEST_SAYING = 3;

    /** Words of the longest. */
    private const LONGEST_SAYING = 6;

    /** Words whose likelihoods are kept. */
    private const REMEMBERED = 8;

    /** What one shared word of a description counts at most: one word alone is no topic. */
    private const ONE_WORD = 0.45;

    /** @var array<string, array{array<string, array<string, float>>, array<string, array<string, true>>}> */
    private array $made = [];

    /** @var array<string, Candidates> by set of topics */
    private array $candidates = [];

    /** @var array<string, Likelihoods> of the latest words, by topics and words */
    private array $weighed = [];

    /** @var array<string, list<string>> sayings by description */
    private array $listed = [];

    private ?Lexicon $lexicon = null;

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    public function __construct(private readonly Vocabulary $words, private readonly ?Memory $memory = null)
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
        $tokens = $this->meantTokens($heard);
        foreach ($this->words->phrases('talk', 'soft')->without($tokens) as $token) {
            $said[] = $this->stemmer->stem($token->text);
        }
        $sequence = ' '.implode(' ', array_map(fn (Token $token): string => $this->stemmer->stem($token->text), $tokens)).' ';
        $surface = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ';
        [$bags, $holders] = $this->bags($topics);
        $scores = [];
        foreach ($topics as $topic) {
            $score = 0.0;
            foreach ($this->sayings($topic['description']) as $saying) {
                // In just these words: 'I gave you a reading' is not 'give a reading'.
                if (str_contains($surface, " {$saying} ") && ! $this->denied($saying, $heard)) {
                    $score = max($score, 0.9 + 0.1 * min(4, substr_count($saying, ' ')));
                }
            }
            foreach ([$topic['label'], ...$topic['phrases']] as $phrase) {
                $stems = implode(' ', $this->stemmer->stems($phrase));
                if ($this->denied($phrase, $heard)) {
                    continue;
                }
                if ($stems !== '' && (str_contains($sequence, " {$stems} ") || preg_match('/ '.str_replace(' ', self::BETWEEN, preg_quote($stems, '/')).' /', $sequence) === 1)) {
                    $score = max($score, 0.9 + 0.1 * min(4, substr_count($stems, ' ')));
                }
            }
            // A name of several small words counts by the words that tell: 'my invoice' for 'an invoice'.
            $name = $this->telling($topic['label']);
            // One word that other topics speak of as well names none of them: 'a booking you have' beside 'booking a room'.
            $own = count(array_unique($name)) > 1 || $name !== [] && count($holders[$name[0]]) === 1;
            if ($own && array_diff($name, $said) === []) {
                $score = max($score, self::BY_NAME);
            }
            $shared = 0.0;
            $words = 0;
            foreach (array_unique($said) as $stem) {
                if (isset($bags[$topic['key']][$stem])) {
                    $shared += 0.55 * $bags[$topic['key']][$stem] / count($holders[$stem]);
                    $words++;
                }
            }
            $shared = $words === 1 && $score === 0.0 ? min(self::ONE_WORD, $shared) : $shared;
            $scores[$topic['key']] = round($score + min(1.2, $shared), 3);
        }
        arsort($scores);

        return $scores;
    }

    /**
     * How likely each topic is meant, by all that is known of words: for what no name, saying or shared word tells.
     *
     * @param list<array{key: string, label: string, description: string, phrases: list<string>}> $topics
     */
    public function meant(array $topics, Heard $heard): Likelihoods
    {
        $said = implode(' ', array_map(static fn (Token $token): string => $token->original, $this->meantTokens($heard)));
        $name = implode('|', array_map(static fn (array $topic): string => $topic['key'].'='.$topic['label'].'='.count($topic['phrases']), $topics));
        $this->candidates[$name] ??= new Candidates(array_map(static fn (array $topic): array => ['key' => $topic['key'], 'name' => $topic['label'], 'about' => trim($topic['description'].'. '.implode('. ', array_slice($topic['phrases'], 0, self::DESCRIBE)), '. '), 'examples' => $topic['phrases']], $topics), $this->words, $this->lexicon ??= new Lexicon($this->words), null, $this->memory);

        // One turn asks of the same words in several lights.
        $key = $name.'|'.$said;
        if (! isset($this->weighed[$key])) {
            $this->weighed = array_slice($this->weighed, -self::REMEMBERED, null, true);
            $this->weighed[$key] = $this->candidates[$name]->likely($said);
        }

        return $this->weighed[$key];
    }

    /**
     * Whether a name or saying of a topic of more than one telling word stands in the words: whoever wrote it meant that topic by it.
     *
     * @param list<array{key: string, label: string, description: string, phrases: list<string>}> $topics
     */
    public function said(array $topics, string $key, Heard $heard): bool
    {
        foreach ($topics as $topic) {
            foreach ($topic['key'] === $key ? [$topic['label'], ...$topic['phrases']] : [] as $phrase) {
                $stems = $this->stemmer->stems($phrase);
                $tells = count($this->telling($phrase)) > 1 || preg_match('/\b(?:not|no|never)\b|n\'t\b/i', $phrase) === 1;
                if ($tells && $this->places($stems, $heard) !== []) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Whether a topic is named outright, by a saying of its own that nobody denies: 'nobody is hurt' names no accident.
     *
     * @param array{key: string, label: string, description: string, phrases: list<string>} $topic
     */
    public function named(array $topic, Heard $heard): bool
    {
        $against = $this->words->phrases('acts', 'against');
        foreach ([$topic['label'], ...$topic['phrases']] as $phrase) {
            $stems = $this->stemmer->stems($phrase);
            $places = $stems === [] ? [] : $this->places($stems, $heard);
            foreach ($places as $place) {
                $before = array_slice($heard->tokens, max(0, $place - self::DENIED_WITHIN), min(self::DENIED_WITHIN, $place));
                $since = array_filter($before, static fn (Token $token): bool => $token->afterBreak());
                $before = $since === [] ? $before : array_slice($before, (int) array_key_last($since));
                $own = $against->in(array_slice($heard->tokens, $place, count($stems)));
                if ($own || ! $against->in($before)) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * What a description lists between its commas, where it is a saying of several telling words: 'make a claim'.
     *
     * @return list<string>
     */
    private function sayings(string $description): array
    {
        return $this->listed[$description] ??= array_values(array_filter(
            array_map(static fn (string $item): string => mb_strtolower(trim($item)), preg_split('/[,;.:]/', $description) ?: []),
            fn (string $item): bool => str_word_count($item) >= self::SHORTEST_SAYING && str_word_count($item) <= self::LONGEST_SAYING && count(array_unique($this->telling($item))) > 1,
        ));
    }

    /** Whether a saying stands in the words only where it is denied: 'urgent' in 'it's not urgent'. */
    private function denied(string $phrase, Heard $heard): bool
    {
        $stems = $this->stemmer->stems($phrase);
        $places = $stems === [] ? [] : $this->places($stems, $heard);
        foreach ($places as $place) {
            $before = $heard->tokens[$place - 1] ?? null;
            if ($before === null || $heard->tokens[$place]->afterBreak() || ! in_array($before->text, ['not', "isn't", "wasn't", 'no'], true)) {
                return false;
            }
        }

        return $places !== [];
    }

    /** @return list<string> stems of the words that tell something */
    private function telling(string $text): array
    {
        $stems = [];
        foreach ($this->tokenizer->words($text) as $word) {
            $stem = $this->stemmer->stem($word);
            // 'Getting' tells no more than 'get'.
            if (! in_array($word, self::SMALL, true) && ! in_array($stem, self::SMALL, true) && strlen($stem) >= 3) {
                $stems[] = $stem;
            }
        }

        return $stems;
    }

    /**
     * @param list<string> $stems
     *
     * @return list<int> where they stand one after the other
     */
    private function places(array $stems, Heard $heard): array
    {
        $said = array_map(fn (Token $token): string => $this->stemmer->stem($token->text), $heard->tokens);
        $places = [];
        for ($i = 0, $n = count($said) - count($stems); $i <= $n; $i++) {
            if (array_slice($said, $i, count($stems)) === $stems) {
                $places[] = $i;
            }
        }

        return $places;
    }

    /**
     * The words without what is said not to be meant: 'instead of', 'I don't want to', up to the next pause or 'I'.
     *
     * @return list<Token>
     */
    private function meantTokens(Heard $heard): array
    {
        $away = $this->words->phrases('acts', 'away');
        $kept = [];
        for ($i = 0, $n = count($heard->tokens); $i < $n; $i++) {
            $hit = $away->at($heard->tokens, $i);
            if ($hit === null) {
                $kept[] = $heard->tokens[$i];

                continue;
            }
            for ($i += $hit[1]; $i < $n && ! $heard->tokens[$i]->afterBreak() && ! in_array($heard->tokens[$i]->text, self::TURNS, true); $i++);
            $i--;
        }

        return $kept === [] ? $heard->tokens : $kept;
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
                foreach ($this->telling($text) as $stem) {
                    $bags[$topic['key']][$stem] = max($bags[$topic['key']][$stem] ?? 0.0, $weight);
                    $holders[$stem][$topic['key']] = true;
                }
            }
        }

        return $this->made[$name] = [$bags, $holders];
    }
}
