<?php

declare(strict_types=1);

namespace Ringo\Survey;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** A questionnaire: how it is opened, its questions in order, and how it is closed. */
final readonly class Survey
{
    public const FORMAT = 'ringo-survey/1';

    /** Nobody stays on the telephone for more. */
    public const MOST_QUESTIONS = 40;

    /**
     * @param string $about what it is about, after 'some short questions on'
     * @param string $use what answers are used for, said to whoever asks
     * @param array<string, Question> $questions by key, in order
     */
    private function __construct(public string $title, public string $about, public string $welcome, public string $consent, public string $thanks, public string $use, public array $questions)
    {
    }

    /**
     * @param array<array-key, mixed> $data docs/formats/survey.md
     *
     * @throws InvalidDocument naming every place that is wrong
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        if ($node->string('format', self::FORMAT) !== self::FORMAT) {
            $node->problem('format', 'is '.self::FORMAT);
        }
        $questions = [];
        foreach ($node->children('questions') as $one) {
            $question = Question::read($one);
            if (isset($questions[$question->key])) {
                $one->problem('key', "“{$question->key}” is another question’s already");
            }
            if ($question->key === ScriptOfSurvey::AGREED) {
                $one->problem('key', 'keeps whether they agreed to be asked; choose another');
            }
            if ($question->only !== null) {
                self::check($one, $question->only, $questions);
            }
            $questions[$question->key] = $question;
        }
        if ($questions === [] || count($questions) > self::MOST_QUESTIONS) {
            $node->problem('questions', 'are 1 to '.self::MOST_QUESTIONS);
        }
        $about = $node->string('about');
        $survey = new self(
            $node->string('title'),
            $about,
            $node->string('welcome', "Hello [caller.first_name|], the automated assistant of [business], with some short questions on {$about}."),
            $node->string('consent', 'May I begin? One for yes, two for no, nine for no more calls.'),
            $node->string('thanks', 'Those were all my questions. Thank you very much. Goodbye.'),
            $node->string('use', 'Your answers help us do better, and are seen by nobody else.'),
            $questions,
        );
        $node->noMore();
        $node->settle();

        return $survey;
    }

    /** @param array<string, Question> $before */
    private static function check(Node $node, Only $only, array $before): void
    {
        $other = $before[$only->question] ?? null;
        if (! $other instanceof Question) {
            $node->problem('only', "looks at “{$only->question}”, which is no question before this one");

            return;
        }
        $wrong = match (true) {
            $other->kind === QuestionKind::Spoken => 'is answered in words, on which nothing can depend',
            in_array($only->how, ['below', 'above'], true) && $other->kind !== QuestionKind::Scale => 'is no scale, so nothing is above or below',
            $other->kind === QuestionKind::YesNo && ! in_array($only->value, ['yes', 'no'], true) => 'is answered yes or no',
            $other->kind === QuestionKind::Choice && ! in_array($only->value, array_column($other->options, 'key'), true) => 'has the answers '.implode(', ', array_column($other->options, 'key')),
            $other->kind === QuestionKind::Scale && ! is_numeric($only->value) => 'is answered by a number',
            default => null,
        };
        if ($wrong !== null) {
            $node->problem('only', "looks at “{$only->question}”, which {$wrong}");
        }
    }
}
