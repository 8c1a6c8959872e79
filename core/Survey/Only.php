<?php

declare(strict_types=1);

namespace Ringo\Survey;

use Ringo\Document\Node;

/** When a question is put at all: what an earlier one must have been answered. Who did not answer that one is not asked. */
final readonly class Only
{
    /** How an earlier answer is looked at, and the words for it. */
    public const HOW = ['is' => 'is', 'is_not' => 'is not', 'below' => 'is below', 'above' => 'is above'];

    /** @param string $how one of the keys of HOW */
    public function __construct(public string $question, public string $how, public string|float $value)
    {
    }

    public static function read(Node $node): self
    {
        $question = $node->string('question');
        $given = array_values(array_filter(array_keys(self::HOW), $node->has(...)));
        if (count($given) !== 1) {
            $node->problem('', 'needs one of '.implode(', ', array_keys(self::HOW)));
        }
        $how = $given[0] ?? 'is';
        $only = new self($question, $how, in_array($how, ['below', 'above'], true) ? $node->number($how, 0) : $node->string($how, ''));
        $node->noMore();

        return $only;
    }

    /**
     * The condition in a script, on the field of the earlier question.
     *
     * @return array<string, mixed>
     */
    public function condition(QuestionKind $kind): array
    {
        $value = $kind === QuestionKind::YesNo ? $this->value === 'yes' : ($kind === QuestionKind::Scale && is_numeric($this->value) ? (float) $this->value : $this->value);

        return match ($this->how) {
            'below' => ['value' => $this->question, 'less_than' => (float) $this->value],
            'above' => ['value' => $this->question, 'more_than' => (float) $this->value],
            'is_not' => ['all' => [['value' => $this->question, 'known' => true], ['value' => $this->question, 'is_not' => $value]]],
            default => ['value' => $this->question, 'is' => $value],
        };
    }

    /** @return array<string, string|float> */
    public function toArray(): array
    {
        return ['question' => $this->question, $this->how => $this->value];
    }
}
