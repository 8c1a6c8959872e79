<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** What the sheet itself says of how a field is told: words that lead up to its value, and a yes or no in other words. */
final class PointedAt
{
    /** @var array<string, Phrases<string>> */
    private array $phrases = [];

    /**
     * @param list<string> $phrases
     *
     * @return Phrases<string>
     */
    private function listed(string $name, array $phrases): Phrases
    {
        return $this->phrases[$name] ??= Phrases::listed($phrases);
    }

    /** The words behind a cue of the field: 'until', 'my account number is'. */
    public function afterCue(Field $field, Heard $heard): ?Heard
    {
        if ($field->cues === []) {
            return null;
        }
        $hit = $this->listed($field->key.'.cues', $field->cues)->first($heard->tokens);
        if ($hit === null) {
            return null;
        }
        $after = array_slice($heard->tokens, $hit[1] + $hit[2], 14);

        return $after === [] ? null : $heard->only($after);
    }

    /** A yes or no that is said in other words: 'bring it out' for delivery. */
    public function dressed(Field $field, Heard $heard): ?Reading
    {
        $said = [];
        foreach (['true' => true, 'false' => false] as $key => $value) {
            $hit = isset($field->phrases[$key]) ? $this->listed($field->key.'.'.$key, $field->phrases[$key])->first($heard->tokens) : null;
            if ($hit !== null) {
                $said[] = [$value, $heard->tokens[$hit[1]], $heard->tokens[$hit[1] + $hit[2] - 1], $hit[2]];
            }
        }
        if ($said === []) {
            return null;
        }
        // The longer phrase wins: "don't need it delivered" over 'delivered'.
        usort($said, static fn (array $a, array $b): int => $b[3] <=> $a[3]);
        [$value, $first, $last] = $said[0];
        $before = array_filter($heard->tokens, static fn (Token $token): bool => $token->end <= $first->start && $token->end > $first->start - 16);
        if (count($said) === 1 && array_filter($before, static fn (Token $token): bool => in_array($token->text, ['not', "don't", 'dont', "won't", 'without', 'needn\'t'], true)) !== []) {
            $value = ! $value;
        }

        return Reading::of($value, 0.84, $heard->between($first->start, $last->end), $first->start, $last->end);
    }
}
