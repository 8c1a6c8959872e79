<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\OptionKinds;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;

/** Which option an answer means: by its name, or by what people say for options of its kind. */
final readonly class OptionMeant
{
    /** From here on an option is named, and not only like what was said. */
    private const NAMED = 0.83;

    /** From here on it is named by what it is called, and not by its key. */
    private const BY_ITS_NAME = 0.95;

    /** The part of an answer that a saying must be, where several options are named. */
    private const WHOLE = 0.9;

    private OptionKinds $kinds;

    public function __construct(private Understanding $understanding)
    {
        $this->kinds = new OptionKinds($understanding->words);
    }

    /** @param Reading $named what its names tell */
    public function of(Field $field, Heard $heard, Reading $named): Reading
    {
        // 'I didn't know he was coming, so I can't say' is like 'never came', and says nothing.
        if ($named->found() && $named->confidence < self::NAMED && $this->says('dont_know', $heard)) {
            return Reading::none();
        }
        $kind = $this->kinds->said($field->options, $heard);
        if ($kind !== null && $this->outdoes($kind, $named, $heard)) {
            return $kind;
        }
        // 'She's never done any' minds something.
        $never = array_filter($heard->tokens, static fn (Token $token): bool => $token->text === 'never') !== [];
        $mute = $named->found() || $named->doubt !== null || $this->says('dont_mind', $heard) && ! $never || $this->says('dont_know', $heard);

        return $mute ? $named : $kind ?? $named;
    }

    /** 'Once a year' is yearly, and not 'just once'. */
    private function outdoes(Reading $kind, Reading $named, Heard $heard): bool
    {
        if ($kind->value === $named->value) {
            return false;
        }

        return $named->found()
            ? $named->confidence < self::BY_ITS_NAME && $kind->start <= $named->start && $kind->end >= $named->end
            : $named->doubt !== null && $heard->explained($kind->start, $kind->end, $this->understanding->words) >= self::WHOLE;
    }

    private function says(string $what, Heard $heard): bool
    {
        return $this->understanding->words->phrases('acts', $what)->in($heard->tokens);
    }
}
