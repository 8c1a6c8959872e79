<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Line;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Value\ValueType;

/** Finds questions whose words ask for another kind of answer than their field takes. */
final readonly class QuestionType implements Rule
{
    /** Kinds that take each other's answers. */
    private const NEAR = ['date' => ['datetime'], 'time' => ['datetime'], 'datetime' => ['date', 'time'], 'number' => ['money', 'reference', 'duration', 'choice'], 'reference' => ['number'], 'money' => ['number'], 'duration' => ['number', 'choice'], 'choice' => [], 'text' => ['person_name', 'postal_address', 'reference', 'number', 'duration', 'date', 'datetime', 'time', 'money', 'yes_no']];

    public function find(Design $design): iterable
    {
        $cues = $design->words->section('inspection', 'asks_for');
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof AskStep || ($field = $design->script->sheet->field($step->field)) === null) {
                continue;
            }
            $type = $field->type->value;
            foreach ($step->prompt->variants as $variant) {
                $questions = array_filter((new Line($key, '', $variant))->sentences(), static fn (string $sentence): bool => str_ends_with(trim($sentence), '?'));
                $question = mb_strtolower((new Line($key, '', (string) (end($questions) ?: $variant)))->bare());
                $asked = array_keys(array_filter($cues, static fn (array $patterns): bool => array_filter($patterns, static fn (string $pattern): bool => preg_match('/'.$pattern.'/u', $question) === 1) !== []));
                if ($asked === [] || in_array($type, $asked, true) || array_intersect($asked, self::NEAR[$type] ?? []) !== [] || $field->type === ValueType::Choice) {
                    continue;
                }
                $names = implode(' or ', array_map(static fn (string $one): string => str_replace('_', ' ', $one), array_slice($asked, 0, 2)));
                yield new Finding('question_type', Severity::Warning, $key, "The question asks for a {$names}, and {$step->field} takes a ".str_replace('_', ' ', $type).'. The answer would not be understood.');

                break;
            }
        }
    }
}
