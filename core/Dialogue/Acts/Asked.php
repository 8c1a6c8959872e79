<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Value\ValueType;

/** What the words answer: the question as it was put, empty where it was open, and what it asked for. */
final readonly class Asked
{
    public const OPEN = 'topic';

    public function __construct(public string $question = '', public string $type = self::OPEN)
    {
    }

    public static function by(Turn $turn): self
    {
        $step = $turn->step();
        $question = $turn->state->lastQuestion;

        return match (true) {
            $turn->state->mode !== Mode::Answer => new self($question, 'yes_no'),
            $step instanceof AskStep => new self($question, self::typed($turn->script->sheet->field($step->field)?->type)),
            $step instanceof ChooseStep => new self($question, 'choice'),
            default => new self,
        };
    }

    private static function typed(?ValueType $type): string
    {
        return match ($type) {
            null => 'text',
            ValueType::DateTime => 'date',
            default => $type->value,
        };
    }
}
