<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Phrasebook;
use Ringo\Fit\Topics;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/**
 * The option whose name is nearest in meaning to an answer that says none of them, by what callers say elsewhere. Of 184 such answers it was
 * right in six of ten where it was as likely as is asked for (data/corpora/options.jsonl): so it is put back, and never believed.
 */
final readonly class OptionByMeaning
{
    private const GUESS = 0.5;

    /** How likely the option must be among all. */
    private const LIKELY = 0.55;

    private const LIKELIER = 0.8;

    private const DENIES = ['no', 'not', 'never', 'none', 'neither', 'nothing'];

    /** Of more options none is guessed. */
    private const MOST_OPTIONS = 6;

    public function __construct(private Topics $topics, private Phrasebook $phrases)
    {
    }

    /** @param bool $beside whether another option stands for whatever is none of the others: then it must be likelier still */
    public function reading(Field $field, Heard $heard, bool $beside): Reading
    {
        $denies = array_filter($heard->tokens, static fn (Token $token): bool => in_array($token->text, self::DENIES, true) || str_ends_with($token->text, "n't"));
        if ($field->type !== ValueType::Choice || count($field->options) > self::MOST_OPTIONS || $denies !== [] || $this->phrases->content($heard->tokens) === 0) {
            return Reading::none();
        }
        $likely = $this->topics->meant(array_map(static fn (array $option): array => [...$option, 'description' => ''], $field->options), $heard)->of;
        $best = (string) array_key_first($likely);

        return ($likely[$best] ?? 0.0) >= ($beside ? self::LIKELIER : self::LIKELY) ? Reading::of($best, self::GUESS, $heard->original, 0, strlen($heard->original)) : Reading::none();
    }
}
