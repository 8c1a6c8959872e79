<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Walk;

use Ringo\Dialogue\Steps\Runners;
use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Step;
use Ringo\Sheet\Field;
use Ringo\Speech\Prompt;
use Ringo\Value\ValueType;

/** The words in which a question is put again: short, and never the same sentence twice running. */
final readonly class Reprise
{
    /** A question put again so many times the limit of visits, for whatever reason, goes round in circles. */
    private const ROUNDS = 2;

    /** Titles that are no name of what is asked for: 'When', 'From', 'Arriving at', 'How many animals'. */
    private const NO_NAME = '/^(?:when|where|who|whom|why|what|which|how|to|from|at|for|until|till|with|by|since|before|after|on|(?:arriving|leaving|moving|coming|going|starting|ending|finishing|travelling|bringing|paying|using)(?: (?:at|on|from|to))?$|goes|is|has|lives|wants|needs|arrives|leaves|comes|starts|begins|ends|finishes|works|drives|pays|feeds|born|stays|sleeps|moves|returns|lasts|likes|eats|may|can|must|does|was|were|will)(?:\b|$)|\b(?:at|on|from|to|until|by|for|of|in|with|since)$/iu';

    public function __construct(private Runners $runners)
    {
    }

    /** Counts the rounds at a step; whether there were too many. */
    public function roundsOver(Turn $turn, Step $step): bool
    {
        $rounds = ($turn->state->again[$step->key()] ?? 0) + 1;
        $turn->state->again[$step->key()] = $rounds;
        if ($rounds <= self::ROUNDS * $turn->script->limits->repeats) {
            return false;
        }
        $turn->trace->rule("limit of the call: {$step->key()} was asked again {$rounds} times");

        return true;
    }

    public function put(Turn $turn, Step $step, bool $afterDetour): void
    {
        $own = $afterDetour && $step instanceof AskStep ? $step->afterDetour : null;
        if ($own !== null) {
            $turn->prompt($own, $step->key().'.after_detour', true);

            return;
        }
        if ($afterDetour && ($step instanceof AskStep || $step instanceof ChooseStep)) {
            $turn->standing('back_to');
        }
        $short = $this->runners->asking($step)?->short($turn, $step);
        if ($short === null) {
            return;
        }
        $other = $this->justSaid($turn, $short) ? $this->otherWords($turn, $step) : null;
        if ($other !== null) {
            $turn->speak($other, $step->key(), true);

            return;
        }
        $turn->prompt($short, $step->key().'.again', true);
    }

    /** Whether the words would repeat what was said in the turn before. */
    private function justSaid(Turn $turn, Prompt $prompt): bool
    {
        $scope = $turn->scope();
        foreach ($prompt->variants as $i => $variant) {
            $words = $prompt->filled($i, $scope->words(...));
            if ($words !== '' && str_contains($turn->state->lastSpoken, $words)) {
                return true;
            }
        }

        return false;
    }

    /** The question in words made from what it asks for. */
    private function otherWords(Turn $turn, Step $step): ?string
    {
        $field = $turn->script->sheet->field($step->asks()[0] ?? '');
        if ($step instanceof ChooseStep) {
            return $turn->phrase('again_choice', ['options' => $turn->listed(array_column($step->options, 'label'))]);
        }

        return $field === null ? null : $this->ofField($turn, $field);
    }

    private function ofField(Turn $turn, Field $field): string
    {
        if ($field->type === ValueType::YesNo) {
            return $turn->phrase('again_yes_no');
        }
        if ($field->options !== [] && count($field->options) <= 5) {
            return $turn->phrase('again_choice', ['options' => $turn->listed(array_column($field->options, 'label'))]);
        }
        $title = (string) preg_replace('/^(?:your|my|the|a|an)\s+/i', '', $field->title);
        // 'The when, please' is said of nothing.
        $title = preg_match(self::NO_NAME, $title) === 1 ? $turn->phrase('value_'.$field->type->value) : $title;
        $title = mb_strtolower(mb_substr($title, 0, 1)).mb_substr($title, 1);

        return $turn->phrase($field->type === ValueType::Text ? 'again_words' : 'again_value', ['title' => $title]);
    }
}
