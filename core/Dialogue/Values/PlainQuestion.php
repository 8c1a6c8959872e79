<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Language\Phrases;
use Ringo\Language\Stemmer;
use Ringo\Language\Vocabulary;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;

/**
 * The question a yes or a no answers, without what is said before it. Of 'Can it wait, or is it urgent?' it is the part the field is
 * about, so that 'it can wait' is a no to 'urgent'.
 */
final readonly class PlainQuestion
{
    /** Letters from which a word tells what a question is about. */
    private const TELLING = 4;

    private string $either;

    private Stemmer $stemmer;

    /** @var Phrases<mixed> */
    private Phrases $denied;

    public function __construct(Vocabulary $words)
    {
        $this->either = '/,?\s+or\s+(?=(?:'.implode('|', array_keys($words->section('questions', 'denied'))).'|shall|should)\s)/i';
        $this->stemmer = new Stemmer;
        $this->denied = $words->phrases('acts', 'against');
    }

    public function of(Turn $turn, AskStep $step): string
    {
        $asked = self::last($step->prompt->filled(0, $turn->scope()->words(...)));
        $parts = $this->parts($asked);
        if ($parts === null) {
            return $asked;
        }
        $again = $step->again === null ? '' : self::last($step->again->filled(0, $turn->scope()->words(...)));

        return $again !== '' && $this->parts($again) === null ? $again : $parts[$this->about($turn, $step, $parts)];
    }

    /** Whether the question that is put asks which of two, so that a bare yes says little. */
    public function either(Turn $turn, AskStep $step): bool
    {
        return $this->parts(self::last($step->prompt->filled(0, $turn->scope()->words(...)))) !== null;
    }

    /** A yes or no by saying one of the two again: 'it can wait', 'it can't'; null where neither is, or both are. */
    public function restated(Turn $turn, AskStep $step, Heard $heard): ?bool
    {
        $parts = $this->parts(self::last($step->prompt->filled(0, $turn->scope()->words(...))));
        if ($parts === null) {
            return null;
        }
        $said = $this->stems($heard->cleaned());
        [$first, $second] = array_map($this->stems(...), $parts);
        $ofFirst = array_intersect($said, array_diff($first, $second)) !== [];
        $ofSecond = array_intersect($said, array_diff($second, $first)) !== [];
        if ($ofFirst === $ofSecond) {
            return null;
        }

        return ($this->about($turn, $step, $parts) === ($ofFirst ? 0 : 1)) !== $this->denied->in($heard->tokens);
    }

    /** @return array{string, string}|null the two questions of one that asks which */
    private function parts(string $question): ?array
    {
        $parts = preg_split($this->either, rtrim($question, '? '), 2) ?: [];

        return count($parts) === 2 ? [$parts[0].'?', ucfirst($parts[1]).'?'] : null;
    }

    /**
     * Which of the two the field is about: the one that shares words with its name, or with the question in its short form.
     *
     * @param array{string, string} $parts
     */
    private function about(Turn $turn, AskStep $step, array $parts): int
    {
        $field = $turn->script->sheet->field($step->field);
        $short = $step->again === null ? '' : self::last($step->again->filled(0, $turn->scope()->words(...)));
        foreach (["{$step->field} {$field?->title}", $this->parts($short) === null ? $short : '', (string) $field?->description] as $about) {
            $stems = $this->stems($about);
            $shared = array_map(fn (string $part): int => count(array_intersect($this->stems($part), $stems)), $parts);
            if ($shared[0] !== $shared[1]) {
                return $shared[1] > $shared[0] ? 1 : 0;
            }
        }

        return 0;
    }

    /** The question that asks for a field, as it is written; empty where none does. */
    public static function thatAsks(Turn $turn, Field $field): string
    {
        return self::last($turn->asking($field->key)?->prompt->variants[0] ?? '');
    }

    /** The last question of a line; the line itself where it holds none. */
    public static function last(string $line): string
    {
        $sentences = preg_split('/(?<=[.!?])\s+/', $line, -1, PREG_SPLIT_NO_EMPTY) ?: [''];
        $asks = array_values(array_filter($sentences, static fn (string $one): bool => str_ends_with($one, '?')));

        return $asks === [] ? $sentences[count($sentences) - 1] : $asks[count($asks) - 1];
    }

    /** @return list<string> */
    private function stems(string $text): array
    {
        return array_values(array_filter(
            $this->stemmer->stems(str_replace('_', ' ', $text)),
            static fn (string $stem): bool => strlen($stem) >= self::TELLING,
        ));
    }
}
