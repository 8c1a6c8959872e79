<?php

declare(strict_types=1);

namespace Ringo\Inspection;

use Ringo\Design\ScriptDocument;
use Ringo\Language\Vocabulary;

/** Checks a design before anybody rings it. */
final readonly class Inspector
{
    /** @return list<Finding> the gravest first, then in reading order */
    public function inspect(ScriptDocument $document, Surroundings $around = new Surroundings): array
    {
        $design = new Design($document, Vocabulary::of($document->script->agent->language), $around);
        $order = array_flip(array_map(strval(...), array_keys($document->script->steps)));
        $findings = [];
        foreach ($this->rules() as $rule) {
            foreach ($rule->find($design) as $finding) {
                $findings[$finding->id()] = $finding;
            }
        }
        $findings = array_values($findings);
        usort($findings, static fn (Finding $a, Finding $b): int => [$a->severity->rank(), $order[$a->step ?? ''] ?? -1, $a->rule] <=> [$b->severity->rank(), $order[$b->step ?? ''] ?? -1, $b->rule]);

        return $findings;
    }

    public static function blocks(Finding $finding): bool
    {
        return $finding->severity === Severity::Error;
    }

    /** @return list<Rule> */
    private function rules(): array
    {
        return [
            new Rules\Unreachable, new Rules\DeadEnd, new Rules\EndlessLoop, new Rules\SilentStep, new Rules\EmptyPlaceholder, new Rules\UnknownPlaceholder,
            new Rules\UsedBeforeSet, new Rules\ImpossibleComparison, new Rules\AskedTwice, new Rules\Uncollected, new Rules\Promise, new Rules\Leftover, new Rules\LongPrompt,
            new Rules\MenuSize, new Rules\KeyTwice, new Rules\PhrasesOverlap, new Rules\TopicsAlike, new Rules\NoPerson, new Rules\NoRepeat, new Rules\QuestionType,
            new Rules\YesNoAsText, new Rules\MissingReprompts, new Rules\DoubleQuestion, new Rules\SpeaksBadly, new Rules\Disclosure, new Rules\NoOptOut, new Rules\SaysWhoLate,
            new Rules\ForbiddenWords, new Rules\SendsNowhere, new Rules\FileNotThere, new Rules\NamesInWords, new Rules\VerifiesNothing, new Rules\CallersSay, new Rules\BooksNothing, new Rules\ErrandsGoAstray, new Rules\RemindsTooLate, new Rules\OffersClosed, new Rules\HoursDiffer, new Rules\FactsDiffer,
        ];
    }
}
