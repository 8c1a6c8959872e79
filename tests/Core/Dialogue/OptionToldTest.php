<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** What callers tell before they are asked, and what only sounds like it. It is a Tuesday, the tenth of March 2026. */
final class OptionToldTest extends TestCase
{
    #[TestWith(['we lost our old dog in the summer and the house feels empty'])]
    #[TestWith(["my mum is coming at Christmas, where's she supposed to sleep"])]
    #[TestWith(['a bit sniffly but nothing much'])]
    #[TestWith(["it's about my dog"])]
    public function testAStoryFillsNothing(string $said): void
    {
        $call = self::call()->says('I want to give an animal a home', $said);

        self::assertSame([], array_intersect_key($call->state->values, ['home' => 1, 'others' => 1, 'moved' => 1, 'children' => 1]), $call->heard());
    }

    public function testWhatIsToldPlainlyIsTaken(): void
    {
        $call = self::call()->says('I want to give an animal a home', 'we live on a farm with three children and some hens, we moved in on the second of January');

        self::assertSame(['farm', 3, ['hens'], '2026-01-02'], [$call->value('home'), $call->value('children'), $call->value('others'), $call->value('moved')], $call->heard());
    }

    /** Letters and figures of a reference are no number of anything. */
    public function testTheFiguresOfAReferenceCountNothing(): void
    {
        $call = self::call()->says('I want to give an animal a home', "it's L T four oh seven seven");

        self::assertNull($call->value('children'), $call->heard());
    }

    /** What answers the question which matter is meant may answer its first question as well. */
    #[TestWith(["it's the residents one I think", 'resident'])]
    #[TestWith(['visitor ones please', 'visitor'])]
    public function testAReplyAnswersWhatIsAskedNext(string $said, string $kind): void
    {
        $call = self::call()->says("I've just moved and don't know where to leave the car", $said);

        self::assertSame('permit', $call->state->topic, $call->heard());
        self::assertSame($kind, $call->value('kind'), $call->heard());
    }

    #[TestWith(["I can't cope with the rabbits any more"])]
    #[TestWith(['I want to get rid of a rabbit'])]
    public function testAThingThatIsNotWantedIsNotAskedFor(string $said): void
    {
        self::assertNotSame('adopt', self::call()->says($said)->state->topic);
    }

    /** A dog is named, and the topic that asks for an animal is not meant. */
    public function testWhatIsNamedDecidesNothingWhereAnotherMatterIsMeant(): void
    {
        $call = self::call()->says("it's about something I could do there at weekends");
        $call->state->mode = Mode::Clarify;
        $call->state->candidates = ['help', 'adopt'];

        self::assertSame('help', $call->says('I would be happy to walk a dog as a volunteer on Saturdays')->state->topic, $call->heard());
    }

    public function testSomethingSmallerIsWhatIsNeither(): void
    {
        $call = self::call()->says('I want to give an animal a home', "it's neither, it's a hedgehog");

        self::assertStringContainsString('something smaller', $call->heard());
    }

    /** The lesson of the matter is no way to pay for it. */
    public function testAWordOfTheMatterIsNoOptionOfSeveralWords(): void
    {
        $call = Conversation::with([
            'agent' => ['name' => 'Fenella', 'business' => 'Otter Street Music'],
            'sheet' => ['type' => 'object', 'properties' => ['name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Pupil'], 'pay' => ['type' => 'string', 'title' => 'Payment', 'enum' => ['term', 'lesson'], 'x-labels' => ['term' => 'by the term', 'lesson' => 'lesson by lesson']], 'play' => ['type' => 'string', 'title' => 'Instrument', 'enum' => ['drums', 'piano'], 'x-labels' => ['drums' => 'the drums', 'piano' => 'the piano']]]],
            'first' => 'help',
            'steps' => [
                ['key' => 'help', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [['key' => 'have', 'label' => 'having lessons', 'description' => 'learning the drums or the piano', 'next' => 'name'], ['key' => 'miss', 'label' => 'missing a lesson', 'description' => 'ill, cannot come', 'next' => 'bye']]],
                ['key' => 'name', 'kind' => 'ask', 'field' => 'name', 'prompt' => 'Who is it for?', 'next' => 'play'],
                ['key' => 'play', 'kind' => 'ask', 'field' => 'play', 'prompt' => 'The drums or the piano?', 'next' => 'pay'],
                ['key' => 'pay', 'kind' => 'ask', 'field' => 'pay', 'prompt' => 'By the term or lesson by lesson?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
        ])->says('I would like to have lessons on the drums');

        self::assertSame(['have', null, 'drums'], [$call->state->topic, $call->value('pay'), $call->value('play')], $call->heard());
    }

    private static function call(): Conversation
    {
        $fields = [
            'animal' => ['type' => 'string', 'title' => 'Animal', 'enum' => ['dog', 'rabbit', 'small'], 'x-labels' => ['dog' => 'a dog', 'rabbit' => 'a rabbit', 'small' => 'something smaller']],
            'home' => ['type' => 'string', 'title' => 'Home', 'enum' => ['house', 'farm'], 'x-labels' => ['house' => 'a house', 'farm' => 'a farm']],
            'others' => ['type' => 'array', 'title' => 'Other animals', 'items' => ['enum' => ['dogs', 'hens', 'nothing']]],
            'children' => ['type' => 'integer', 'title' => 'Children'],
            'moved' => ['type' => 'string', 'format' => 'date', 'title' => 'Moved in'],
            'kind' => ['type' => 'string', 'title' => 'Permit', 'enum' => ['resident', 'visitor'], 'x-labels' => ['resident' => "a resident's permit", 'visitor' => 'visitor vouchers']],
        ];
        $asked = ['animal' => 'A dog, a rabbit or something smaller?', 'home' => 'Do you live in a house or on a farm?', 'others' => 'Which other animals have you: dogs, hens, or nothing?', 'children' => 'How many children live with you?', 'moved' => 'When did you move in?'];
        $steps = [];
        foreach ($asked as $key => $prompt) {
            $steps[] = ['key' => $key, 'kind' => 'ask', 'field' => $key, 'prompt' => $prompt, 'next' => array_keys($asked)[(int) array_search($key, array_keys($asked), true) + 1] ?? 'bye'];
        }

        return Conversation::with([
            'agent' => ['name' => 'Isla', 'business' => 'Burdock Lane'],
            'sheet' => ['type' => 'object', 'properties' => $fields],
            'first' => 'help',
            'steps' => [
                ['key' => 'help', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [
                    ['key' => 'adopt', 'label' => 'giving an animal a home', 'description' => 'adopting, rehoming, meeting a dog', 'next' => 'animal'],
                    ['key' => 'bring', 'label' => 'an animal you cannot keep', 'description' => 'found, stray, injured', 'next' => 'bye'],
                    ['key' => 'help', 'label' => 'helping here', 'description' => 'volunteering, walking dogs', 'next' => 'bye'],
                    ['key' => 'permit', 'label' => 'a parking permit', 'description' => 'residents, visitors, vouchers', 'next' => 'kind'],
                    ['key' => 'fine', 'label' => 'a penalty notice', 'description' => 'parking ticket, fine, appeal', 'next' => 'bye'],
                ]],
                ...$steps,
                ['key' => 'kind', 'kind' => 'ask', 'field' => 'kind', 'prompt' => "A resident's permit or visitor vouchers?", 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
        ]);
    }
}
