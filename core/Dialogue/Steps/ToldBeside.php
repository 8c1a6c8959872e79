<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Acts\Wanting;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Values\Parted;
use Ringo\Sheet\Field;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** What is told of other fields beside the answer to a question, and kept for them. */
final readonly class ToldBeside
{
    /** Beside a free text, other fields take only what points at them plainly. */
    private const BESIDE_TEXT = 0.85;

    /** How words begin that ask for something, or whether it was so. */
    private const ASKS = '/^(?:and |so |oh )*(?:did|have|has|are|is|was|were|do|does|what|how|who|where)\b/i';

    public function __construct(private Collector $collector, private Keeper $keeper, private Replies $replies, private Wanting $wanting)
    {
    }

    /** @return array<string, Reading> by field */
    public function of(Turn $turn, Field $field, Parted $parted, Hearing $hearing, ?Reading $answer): array
    {
        // 'Do you take cards' does not say that they pay by card, nor 'did you see the match last night' a day.
        $wonders = $hearing->asks() && $hearing->statement->isEmpty() && $this->wanting->toKnow($hearing);
        $chats = $hearing->alone(ActKind::OffTopic) !== null || $hearing->act(ActKind::OffTopic) !== null && preg_match(self::ASKS, $hearing->heard->cleaned()) === 1;
        if ($answer === null && ($wonders || $chats)) {
            return [];
        }
        $asksOnly = $parted->questions !== [] && $answer === null && $this->replies->answer($turn, $parted->questions[0]) !== null;
        $words = $parted->questions === [] || $parted->answer->isEmpty() ? $hearing->heard : $parted->answer;
        $others = $this->collector->volunteered($turn, $words, $field, $answer, null, $asksOnly);
        if ($hearing->act(ActKind::Hold) !== null) {
            // 'One sec' is no length.
            $others = array_filter($others, static fn (string $key): bool => $turn->script->sheet->field($key)?->type !== ValueType::Duration, ARRAY_FILTER_USE_KEY);
        }

        return $answer !== null && $field->type === ValueType::Text ? array_filter($others, static fn (Reading $one): bool => $one->confidence >= self::BESIDE_TEXT) : $others;
    }

    /** @param array<string, Reading> $others */
    public function keep(Turn $turn, array $others): void
    {
        foreach ($others as $key => $other) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $turn->considered($field, $other, true, 'volunteered');
                $this->keeper->take($turn, $field, $other, Origin::Volunteered);
            }
        }
    }
}
