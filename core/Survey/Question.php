<?php

declare(strict_types=1);

namespace Ringo\Survey;

use Ringo\Document\Node;

/** One question of a survey. */
final readonly class Question
{
    /** A keypad gives the numbers 0 to 10 without being told where they end. */
    private const MOST_OF_A_SCALE = 10;

    /** A menu by key has no more than the keys 1 to 9. */
    private const MOST_OPTIONS = 9;

    /**
     * @param string $key lower-case letters, digits and underscores: the field its answer is kept in
     * @param string $title short, for the head of a table
     * @param string $ask as it is put
     * @param list<array{key: string, label: string}> $options of a choice
     * @param int $low of a scale
     * @param int $high of a scale
     * @param string $lowWords what its lower end means, as it is said; may be empty
     * @param list<string> $examples what people may say to it; the stand-in public says it
     */
    private function __construct(
        public string $key,
        public QuestionKind $kind,
        public string $title,
        public string $ask,
        public array $options,
        public int $low,
        public int $high,
        public string $lowWords,
        public string $highWords,
        public array $examples,
        public ?Only $only,
    ) {
    }

    public static function read(Node $node): self
    {
        $key = $node->string('key');
        if (preg_match('/^[a-z][a-z0-9_]{0,39}$/', $key) !== 1) {
            $node->problem('key', 'is lower-case letters, digits and underscores, beginning with a letter, 40 at most');
        }
        $kind = QuestionKind::from($node->oneOf('kind', array_column(QuestionKind::cases(), 'value'), QuestionKind::Spoken->value));
        $options = [];
        foreach ($node->children('options') as $one) {
            $options[] = ['key' => $one->string('key'), 'label' => $one->string('label')];
            $one->noMore();
        }
        if ($kind === QuestionKind::Choice && (count($options) < 2 || count($options) > self::MOST_OPTIONS)) {
            $node->problem('options', 'are two to nine, one for each key of a telephone');
        }
        if (count(array_unique(array_column($options, 'key'))) < count($options)) {
            $node->problem('options', 'hold one of them twice');
        }
        $low = (int) $node->number('low', 0, 0, self::MOST_OF_A_SCALE);
        $high = (int) $node->number('high', self::MOST_OF_A_SCALE, 0, self::MOST_OF_A_SCALE);
        if ($high <= $low) {
            $node->problem('high', 'must lie above “low”');
        }
        $ask = $node->string('ask');
        $question = new self($key, $kind, $node->string('title', ucfirst(str_replace('_', ' ', $key))), $ask, $options, $low, $high, $node->string('low_words', ''), $node->string('high_words', ''), $node->strings('examples'), $node->has('only') ? Only::read($node->child('only')) : null);
        $node->noMore();

        return $question;
    }

    /** The label that stands for a kept answer; null where there is none. */
    public function label(mixed $value): ?string
    {
        if ($value === null) {
            return null;
        }

        return match ($this->kind) {
            QuestionKind::YesNo => $value === true ? 'yes' : 'no',
            QuestionKind::Scale => is_numeric($value) ? (string) (0 + $value) : null,
            QuestionKind::Choice => array_column($this->options, 'label', 'key')[is_scalar($value) ? (string) $value : ''] ?? null,
            QuestionKind::Spoken => is_scalar($value) ? (string) $value : null,
        };
    }

    /** @return list<string> labels in order, where there is a fixed number of them */
    public function labels(): array
    {
        return match ($this->kind) {
            QuestionKind::YesNo => ['yes', 'no'],
            QuestionKind::Scale => array_map(strval(...), range($this->low, $this->high)),
            QuestionKind::Choice => array_column($this->options, 'label'),
            QuestionKind::Spoken => [],
        };
    }
}
