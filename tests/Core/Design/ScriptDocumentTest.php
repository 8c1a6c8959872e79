<?php

declare(strict_types=1);

namespace Tests\Core\Design;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Design\CallMap;
use Ringo\Design\Change;
use Ringo\Design\Changes;
use Ringo\Design\References;
use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Document\JsonPlaces;
use Ringo\Format\VoiceXml\VoiceXml;
use Tests\Core\Dialogue\Conversation;

final class ScriptDocumentTest extends TestCase
{
    private ScriptDocument $maren;

    protected function setUp(): void
    {
        $this->maren = ScriptDocument::fromArray(Conversation::maren());
    }

    public function testIsWrittenAsItWasReadByteForByte(): void
    {
        foreach (glob(dirname(__DIR__, 3).'/database/{demo,starters}/*/{maren,tobin,agent}.json', GLOB_BRACE) ?: [] as $file) {
            $json = (string) file_get_contents($file);
            self::assertSame($json, ScriptDocument::fromJson($json)->toJson(), $file);
        }
    }

    public function testARenamedStepIsFollowedByEveryReference(): void
    {
        $renamed = $this->maren->withStep('message_open', ['key' => 'note_it'] + $this->maren->step('message_open'));

        self::assertFalse($renamed->has('message_open'));
        self::assertSame('note_it', $renamed->step('put_through')['otherwise']);
        self::assertContains('note_it', $renamed->script->transfers->steps());
        self::assertSame((new References)->to($this->maren->toArray(), 'message_open'), (new References)->to($renamed->toArray(), 'note_it'));
        self::assertStringNotContainsString('"message_open"', $renamed->toJson());
    }

    public function testARenamedFieldIsFollowedInPromptsConditionsAndQuestions(): void
    {
        $renamed = $this->maren->withFieldRenamed('equipment', 'machine');

        self::assertStringNotContainsString('[equipment', $renamed->toJson());
        self::assertStringContainsString('[machine.day]', $renamed->toJson());
        self::assertSame('machine', $renamed->step('equipment')['field']);
        self::assertSame(array_search('equipment', array_keys($this->maren->script->sheet->fields), true), array_search('machine', array_keys($renamed->script->sheet->fields), true));
    }

    public function testANameThatIsTakenIsRefused(): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage('there is another step “phone”');
        $this->maren->withStep('depot', ['key' => 'phone'] + $this->maren->step('depot'));
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (['say', 'ask', 'choose', 'listen', 'branch', 'note', 'send', 'finish'] as $kind) {
            yield $kind => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function testAStepOfEachKindTakesItsPlaceInTheFlow(string $kind): void
    {
        [$document, $key] = $this->maren->inserted('depot', $kind);

        self::assertSame($key, $document->step('depot')['next']);
        self::assertSame('depot', array_column($document->steps(), 'key')[array_search($key, array_column($document->steps(), 'key'), true) - 1]);
        if ($kind !== 'finish') {
            self::assertSame('stock_look', $document->wayOn($key));
        }
        [$first, $key] = $this->maren->inserted(null, $kind);
        self::assertSame($key, $first->script->first);
    }

    public function testAfterAMenuWhoseWaysAllMeetTheNewStepStandsWhereTheyMeet(): void
    {
        [$document, $key] = $this->maren->inserted('payment', 'say', 'Thanks for that!');

        self::assertSame('thanks_for_that', $key);
        self::assertSame([$key], array_values(array_unique(array_column($document->step('payment')['options'], 'next'))));
        self::assertSame('caller_name', $document->step($key)['next']);
    }

    public function testAStepTakenOutLeavesNoWayIntoNothing(): void
    {
        foreach (array_keys($this->maren->script->steps) as $key) {
            $without = $this->maren->without((string) $key);
            self::assertFalse($without->has((string) $key));
            self::assertCount(count($this->maren->steps()) - 1, $without->steps());
        }
        self::assertSame('Reserve', $this->maren->without('equipment')->step('start_date')['scene']);
    }

    public function testStepsMoveAndAreCopied(): void
    {
        $moved = $this->maren->moved('goodbye', 'equipment');
        self::assertSame(['open', 'help', 'goodbye', 'equipment'], array_slice(array_column($moved->steps(), 'key'), 0, 4));
        self::assertSame('goodbye', array_column($moved->moved('goodbye', null)->steps(), 'key')[64]);
        [$copied, $key] = $this->maren->duplicated('depot');
        self::assertSame('depot_copy', $key);
        self::assertSame([...$this->maren->step('depot'), 'key' => 'depot_copy'], $copied->step($key));
    }

    public function testChangesAreToldStepByStep(): void
    {
        [$new] = $this->maren->inserted('depot', 'say', 'weather');
        $new = $new->withStep('start_date', ['prompt' => 'Starting when?'] + $new->step('start_date'))
            ->withStep('phone', ['key' => 'number'] + $new->step('phone'))
            ->without('off_hire_done')
            ->moved('goodbye', 'equipment')
            ->with('limits', ['turns' => 50, 'minutes' => 20, 'repeats' => 6]);
        $changes = (new Changes)->between($this->maren, $new);
        $words = array_map(static fn (Change $change): string => $change->words, $changes);

        self::assertContains('The limits of a call changed', $words);
        self::assertContains('Step weather (say) added', $words);
        self::assertContains('Step start_date changed: says', $words);
        self::assertContains('Step phone is now called number', $words);
        self::assertContains('Step off_hire_done (say) taken out', $words);
        self::assertContains('Step goodbye stands elsewhere in the reading order', $words);
        self::assertContains('Step depot changed: leads to', $words);
        self::assertNotContains('Step caller_name changed: leads to', $words, 'a name that follows is no change');
        $detail = array_values(array_filter($changes, static fn (Change $change): bool => $change->words === 'Step start_date changed: says'))[0]->details[0];
        self::assertSame(['what' => 'says', 'from' => 'From which day do you need the [equipment|machine]?', 'to' => 'Starting when?'], $detail);
        self::assertSame([], (new Changes)->between($this->maren, $this->maren));
    }

    public function testTheCallMapKeepsRowsInOrderAndStepsApart(): void
    {
        $map = CallMap::of($this->maren->script);
        self::assertCount(65, $map->steps);
        self::assertLessThanOrEqual(32, $map->crossings);
        foreach ($map->ways as $way) {
            if (! $way['back']) {
                self::assertLessThan($map->steps[$way['to']]['y'], $map->steps[$way['from']]['y']);
            }
        }
        $places = array_values($map->steps);
        foreach ($places as $i => $a) {
            foreach (array_slice($places, $i + 1) as $b) {
                self::assertTrue($a['y'] !== $b['y'] || abs($a['x'] - $b['x']) >= CallMap::WIDTH, "{$a['key']} and {$b['key']} overlap");
            }
            self::assertGreaterThanOrEqual(0, $a['x']);
            self::assertLessThanOrEqual($map->width, $a['x'] + CallMap::WIDTH);
        }
    }

    public function testAProblemIsPlacedAtItsLineAndColumn(): void
    {
        $json = "{\n  \"agent\": {\"name\": \"É\", \"busines\": \"x\"},\n  \"steps\": [\n    {\"key\": \"a\"},\n    {\"key\": \"b\", \"next\": \"c\"}\n  ]\n}";
        $places = JsonPlaces::of($json);

        self::assertSame(['line' => 2, 'column' => 26], $places->at('agent.busines'));
        self::assertSame(['line' => 5, 'column' => 18], $places->at('steps[1].next'));
        self::assertSame(['line' => 4, 'column' => 5], $places->at('steps[0].nowhere'));
        self::assertSame(['line' => 1, 'column' => 1], $places->at('nothing'));
        foreach (['', '{', '[1,', '{"a":', "\"\xff", '{"a" 1}', str_repeat('[', 50)] as $broken) {
            self::assertSame(1, JsonPlaces::of($broken)->at('x')['line']);
        }
    }

    public function testVoiceXmlHoldsEveryStepAndEveryWayOn(): void
    {
        $xml = new \DOMDocument;
        self::assertTrue($xml->loadXML((new VoiceXml)->write($this->maren->script)));
        $path = new \DOMXPath($xml);
        $path->registerNamespace('v', 'http://www.w3.org/2001/vxml');
        $ids = [];
        foreach ($path->query('//v:form/@id | //v:menu/@id') ?: [] as $id) {
            $ids[] = (string) $id->nodeValue;
        }
        self::assertSame(array_map(strval(...), array_keys($this->maren->script->steps)), $ids);
        foreach ($path->query('//@next') ?: [] as $next) {
            self::assertContains(substr((string) $next->nodeValue, 1), $ids);
        }
        self::assertSame(3, $path->query('//v:menu[@id="payment"]/v:choice[@dtmf]')->length ?? 0);
    }
}
