<?php

declare(strict_types=1);

namespace Tests\Core\Survey;

use PHPUnit\Framework\TestCase;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Event;
use Ringo\Document\InvalidDocument;
use Ringo\Inspection\Inspector;
use Ringo\Survey\Mood;
use Ringo\Survey\Person;
use Ringo\Survey\Results;
use Ringo\Survey\ScriptOfSurvey;
use Ringo\Survey\Survey;
use Tests\Core\Dialogue\Conversation;

/** A questionnaire becomes a script that holds, and its answers are counted as they were given. */
final class SurveyTest extends TestCase
{
    private const AGENT = ['name' => 'Odile', 'business' => 'Fernhill Cattery', 'country' => 'GB', 'tz' => 'Europe/London', 'voice' => ['engine' => 'flite', 'name' => 'slt', 'pace' => 1.0, 'pitch' => 1.0]];

    /** @return array<string, mixed> */
    private static function cattery(): array
    {
        return ['title' => 'Your cat’s stay', 'about' => 'your cat’s stay', 'questions' => [
            ['key' => 'overall', 'kind' => 'scale', 'title' => 'Overall', 'ask' => 'How was it overall?', 'low' => 1, 'high' => 5, 'low_words' => 'poor', 'high_words' => 'splendid'],
            ['key' => 'again', 'kind' => 'yes_no', 'title' => 'Would come again', 'ask' => 'Would you bring your cat again?'],
            ['key' => 'why_not', 'kind' => 'spoken', 'title' => 'Why not', 'ask' => 'What would have to change?', 'only' => ['question' => 'again', 'is' => 'no']],
            ['key' => 'heard', 'kind' => 'choice', 'title' => 'Heard of us', 'ask' => 'How did you hear of us?', 'options' => [['key' => 'vet', 'label' => 'from the vet'], ['key' => 'friend', 'label' => 'from a friend'], ['key' => 'web', 'label' => 'on the web']]],
            ['key' => 'praise', 'kind' => 'spoken', 'title' => 'Best', 'ask' => 'What did your cat like best?', 'only' => ['question' => 'overall', 'above' => 3]],
        ]];
    }

    public function testTheScriptHoldsAndAsksByVoiceAndByKey(): void
    {
        $document = (new ScriptOfSurvey)->of(Survey::fromArray(self::cattery()), self::AGENT);
        self::assertSame([], array_filter((new Inspector)->inspect(ScriptDocument::fromArray($document)), static fn ($finding): bool => $finding->severity->value === 'error'));
        $call = Conversation::with($document)->says('yes', 'four', 'no', 'a bigger run for her', 'the vet told us', 'the window seat');
        self::assertSame('survey complete', $call->state->outcome);
        self::assertEquals([4, false, 'a bigger run for her', 'vet', 'the window seat'], array_map(static fn (string $key): mixed => $call->state->values[$key]->value, ['overall', 'again', 'why_not', 'heard', 'praise']));

        $call = Conversation::with($document);
        foreach (['1', '2', '1', '3'] as $n => $key) {
            $call->happens(Event::keys($key, 20.0 + 20 * $n));
        }
        self::assertSame('survey complete', $call->state->outcome, 'a low figure is not asked what was liked, and no reason where they come again');
        self::assertEquals([2, true, 'web'], array_map(static fn (string $key): mixed => $call->state->values[$key]->value, ['overall', 'again', 'heard']));
        self::assertSame(['overall', 'again', 'heard'], array_keys($call->state->askedAt));
    }

    public function testAQuestionIsSaidAgainByKeyAskedTwiceAndThenPassed(): void
    {
        $document = (new ScriptOfSurvey)->of(Survey::fromArray(self::cattery()), self::AGENT);
        $call = Conversation::with($document)->says('go ahead');
        $call->happens(Event::keys('*', 20.0));
        self::assertStringContainsString('How was it overall?', $call->heard());
        self::assertStringContainsString('One is poor, five is splendid', $call->heard());
        $call->happens(Event::keys('9', 40.0));
        self::assertStringContainsString('It goes from one to five', $call->heard(), 'a key that is no answer');
        $call->happens(Event::silence(8.0, 60.0));
        $call->happens(Event::silence(8.0, 80.0));
        $call->happens(Event::silence(8.0, 100.0));
        self::assertStringContainsString('bring your cat again', $call->heard(), 'after help it goes on');
        self::assertArrayNotHasKey('overall', $call->state->values);
        $call->says('stop calling me');
        self::assertSame('do not call', $call->state->outcome);
    }

    public function testWhatWasSaidBeforeAQuestionSpoilsNoAnswer(): void
    {
        $document = (new ScriptOfSurvey)->of(Survey::fromArray(self::cattery()), self::AGENT);
        $call = Conversation::with($document)->says('yes, I have two minutes');
        self::assertStringContainsString('How was it overall?', $call->heard());
    }

    public function testWhatIsWrongIsNamedWithItsPlace(): void
    {
        $wrong = ['title' => 'x', 'about' => 'y', 'questions' => [
            ['key' => 'a', 'kind' => 'scale', 'ask' => 'a?', 'low' => 5, 'high' => 5], ['key' => 'a', 'kind' => 'spoken', 'ask' => 'b?'], ['key' => 'c', 'kind' => 'choice', 'ask' => 'c?', 'options' => [['key' => 'one', 'label' => 'one']]],
            ['key' => 'd', 'kind' => 'spoken', 'ask' => 'd?', 'only' => ['question' => 'later', 'is' => 'x']], ['key' => 'e', 'kind' => 'spoken', 'ask' => 'e?', 'only' => ['question' => 'c', 'below' => 3]], ['key' => 'agreed', 'kind' => 'yes_no', 'ask' => 'f?', 'colour' => 'red'],
        ]];
        try {
            Survey::fromArray($wrong);
            self::fail('nothing was found');
        } catch (InvalidDocument $problem) {
            $words = implode("\n", array_map(static fn (array $one): string => "{$one['path']} {$one['message']}", $problem->problems));
            foreach (['must lie above', 'another question’s already', 'two to nine', 'no question before this one', 'no scale', 'keeps whether they agreed', 'colour'] as $part) {
                self::assertStringContainsString($part, $words);
            }
        }
    }

    public function testPartlyAnsweredSurveysCountForTheQuestionsAnswered(): void
    {
        $results = new Results(Survey::fromArray(self::cattery()));
        $results->add(new Person('1', ['overall', 'again', 'heard', 'praise'], ['overall' => 5, 'again' => true, 'heard' => 'vet', 'praise' => 'the sun'], 'survey complete', ['town' => 'Oldmere']));
        $results->add(new Person('2', ['overall', 'again', 'why_not'], ['overall' => 2, 'again' => false], 'caller hung up', ['town' => 'Tarn Bridge']));
        $results->add(new Person('3', ['overall', 'again', 'heard', 'praise'], ['overall' => 4, 'again' => true, 'heard' => 'vet'], 'survey complete', ['town' => 'Oldmere']));
        $results->add(new Person('4', [], [], 'survey declined'));
        $results->add(new Person('5', [], [], 'caller hung up'));
        self::assertSame(['complete' => 2, 'partial' => 1, 'refused' => 1, 'nothing' => 1], $results->states);
        self::assertSame([3, 3, 0], [$results->of('overall')['asked'], $results->of('overall')['answered'], $results->of('overall')['left']]);
        self::assertSame([1, 0, 1], [$results->of('why_not')['asked'], $results->of('why_not')['answered'], $results->of('why_not')['left']], 'somebody left there');
        self::assertSame(['yes' => 2, 'no' => 1], array_column($results->of('again')['counts'], 'n', 'label'));
        self::assertSame([2, 1], [$results->of('overall')['net']['top'] ?? null, $results->of('overall')['net']['bottom'] ?? null], 'four and five beside one and two');
        self::assertSame(['1' => 'the sun'], array_combine(array_map(strval(...), array_keys($results->of('praise')['spoken'])), $results->of('praise')['spoken']));
        self::assertSame(0, $results->of('praise')['left'], 'who went on to the end did not leave');
        self::assertSame(['town'], $results->facts());
        $crossed = $results->crossed('again', 'town');
        self::assertSame([['Oldmere', 'Tarn Bridge'], ['yes' => [2, 0], 'no' => [0, 1]]], [$crossed['columns'], $crossed['rows']]);
    }

    public function testAMadeUpPersonAnswersInOneMood(): void
    {
        $survey = Survey::fromArray(self::cattery());
        $sum = 0;
        foreach (range(1, 400) as $n) {
            $truth = (new Mood)->of($survey, ['heard' => 'web'], "p{$n}");
            self::assertSame('web', $truth['heard'], 'what is no mood is left');
            self::assertGreaterThanOrEqual(1, $truth['overall']);
            self::assertLessThanOrEqual(5, $truth['overall']);
            $sum += ($truth['overall'] > 3) === $truth['again'] ? 1 : 0;
        }
        self::assertGreaterThan(260, $sum, 'who is content comes again');
        self::assertSame((new Mood)->of($survey, [], 'p1'), (new Mood)->of($survey, [], 'p1'));
    }
}
