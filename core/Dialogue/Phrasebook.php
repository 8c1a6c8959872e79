<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Script\Agent;
use Ringo\Understanding\Heard;

/** The agent's standing phrases by its manner, and the caller's standing requests. */
final readonly class Phrasebook
{
    private const SMALL = ['the', 'a', 'an', 'i', 'you', 'it', 'is', 'to', 'me', 'my', 'that', 'this', 'can', 'could', 'would', 'we', 'do', 'with', 'for', 'of', 'on', 'in', 'at', 'and', 'but', 'just', 'there', 'now', 'be', 'will', "i'd", "i'll", "i'm", 'have', 'like', 'want', 'need', 'get', 'sir', 'madam', 'again', 'no', 'today', 'your'];

    public function __construct(private Vocabulary $words, private Agent $agent)
    {
    }

    /** @return list<string> the variants of a standing phrase */
    public function variants(string $name): array
    {
        $table = $this->words->section('phrases', $name);

        return $table[$this->agent->formality] ?? $table['plain'];
    }

    /** The kind of courtesy a line of the agent begins with: thanks, regret; null for none. */
    public function courtesy(string $line): ?string
    {
        foreach ($this->words->section('phrases', 'courtesies') as $kind => $openings) {
            foreach ($openings as $opening) {
                if (preg_match('/^'.$opening.'\b/i', $line) === 1) {
                    return (string) $kind;
                }
            }
        }

        return null;
    }

    /** Whether a request of the caller's stands anywhere in the words. */
    public function contains(Heard $heard, string ...$sections): bool
    {
        return $this->phrases(...$sections)->in($heard->tokens) || $this->phrases(...$sections)->in($heard->all);
    }

    /** Whether the words are that request and little else. */
    public function is(Heard $heard, string ...$sections): bool
    {
        foreach ([$heard->all, $heard->tokens] as $tokens) {
            $rest = $this->phrases(...$sections)->without($tokens);
            if (count($rest) < count($tokens) && $this->content($rest) <= 1 && $this->content($rest) * 3 <= count($tokens)) {
                return true;
            }
        }

        return false;
    }

    /** Whether the words are that request and nothing else. */
    public function only(Heard $heard, string ...$sections): bool
    {
        foreach ([$heard->all, $heard->tokens] as $tokens) {
            $rest = $this->phrases(...$sections)->without($tokens);
            if (count($rest) < count($tokens) && $this->content($rest) === 0 && count($rest) <= 4) {
                return true;
            }
        }

        return false;
    }

    /** @return Phrases<mixed> */
    public function phrases(string ...$sections): Phrases
    {
        return $this->words->phrases('talk', ...$sections);
    }

    /** @return Phrases<mixed> a section of another table of sayings */
    public function table(string $table, string $section): Phrases
    {
        return $this->words->phrases($table, $section);
    }

    /** @param list<Token> $tokens how many words of substance there are */
    public function content(array $tokens): int
    {
        $rest = $this->words->phrases('talk', 'soft', 'fillers')->without($tokens);

        return count(array_filter($rest, static fn (Token $token): bool => ! in_array($token->text, self::SMALL, true) && mb_strlen($token->text) > 1));
    }
}
