<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Replies;

use Ringo\Advice\Purpose;
use Ringo\Dialogue\Acts\Questions;
use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Dialogue\Ports\Known;
use Ringo\Dialogue\Scope;
use Ringo\Dialogue\Turn;
use Ringo\Speech\Prompt;
use Ringo\Speech\Spoken;
use Ringo\Understanding\Heard;
use Ringo\Value\ValueType;

/** Answers from what the business has written; 'tell me more' and 'are you sure?' follow up the last one. */
final readonly class KnownReplies
{
    /** How sure an answer is that an adviser chose. */
    private const ADVISED = 0.8;

    public function __construct(private Questions $questions, private ?Knowledge $knowledge)
    {
    }

    public function answer(Turn $turn, Heard $heard): ?Reply
    {
        if ($this->knowledge === null) {
            return null;
        }
        $again = $this->onTheLast($turn, $this->knowledge, $heard);
        if ($again !== null) {
            return $again;
        }
        if ($this->questions->clause($heard) === null) {
            return null;
        }
        $scope = $turn->scope();
        $known = $this->knowledge->ask($heard->original === '' ? $heard->cleaned() : $this->words($heard), $scope->now, $turn->script->agent->country, $this->toldSoFar($turn, $scope));
        $known = $this->advised($turn, $known);
        if ($known->text === null) {
            return null;
        }
        // Answers may carry placeholders of the script.
        $text = str_contains($known->text, '[') ? Prompt::of($known->text)->filled(0, $scope->words(...)) : $known->text;
        $to = $known->leadsTo !== null && isset($turn->script->steps[$known->leadsTo]) ? $known->leadsTo : null;

        return $text === '' ? null : new Reply($text, 'knowledge: '.($known->source === '' ? (string) $known->refusal : $known->source).', sure to '.number_format($known->confidence, 2), $to, $known);
    }

    /** 'Are you sure?' and 'tell me more', about what was answered last. */
    private function onTheLast(Turn $turn, Knowledge $knowledge, Heard $heard): ?Reply
    {
        $last = $turn->state->known;
        $follows = $last === null ? null : $knowledge->follows($heard->original);
        if ($last === null || $follows === null) {
            return null;
        }
        if ($follows === 'sure') {
            return new Reply($turn->phrase('sure', ['name' => $last['name'] === '' ? 'what I have here' : $last['name'], 'it' => $last['text']]), 'challenged: gives the source, '.$last['source'], null);
        }
        if ($follows !== 'more') {
            return null;
        }
        if ($last['more'] === []) {
            return new Reply($turn->phrase('no_more'), 'nothing more is written about it', null);
        }
        [$text, $rest] = (new Spoken)->cut($last['more'], 0, 2);

        return new Reply($text, 'more from '.$last['source'], null, new Known($text, $last['source'], $last['name'], 1.0, null, $rest, null, true));
    }

    /** What the call has told so far that an answer may depend on. */
    private function toldSoFar(Turn $turn, Scope $scope): string
    {
        $told = [];
        foreach (array_keys($turn->state->values) as $key) {
            $type = $turn->script->sheet->field((string) $key)?->type;
            if (in_array($type, [ValueType::Choice, ValueType::Number, ValueType::Duration], true)) {
                $told[] = $scope->words((string) $key) ?? '';
            }
        }

        return implode(', ', array_filter($told));
    }

    /** Where several sentences may be meant, or none is near enough: the one an adviser says, as it stands in the source. */
    private function advised(Turn $turn, Known $known): Known
    {
        $readings = $known->offers === [] ? $known->passages : $known->offers;
        $choices = [];
        foreach ($readings as $n => $one) {
            $choices['s'.($n + 1)] = ($one['label'] === '' ? '' : $one['label'].': ').$one['text'];
        }
        $choice = $known->refusal === null ? null : $turn->advised(Purpose::Answer, 'Which of these sentences answers what the caller asks?', $choices);
        if ($choice === null) {
            return $known;
        }
        $one = $readings[(int) substr($choice, 1) - 1];

        return new Known($one['text'], $one['source'], $one['label'], self::ADVISED, null, $one['more'], null, $known->informs);
    }

    /** The words of the part that asks, as they were said. */
    private function words(Heard $heard): string
    {
        $first = $heard->tokens[0] ?? null;
        $last = $heard->tokens[count($heard->tokens) - 1] ?? null;

        return $first === null || $last === null ? $heard->original : $heard->between($first->start, $last->end);
    }
}
