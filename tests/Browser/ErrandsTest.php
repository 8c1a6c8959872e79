<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

/** An errand from the description of a system to a call that waits for it, over real HTTP, with a system that misbehaves. */
final class ErrandsTest extends BrowserTestCase
{
    public function testADescriptionBecomesAnErrandThatIsTriedCorrectedUsedAndRung(): void
    {
        $this->signIn();
        $this->click('.rail a[href$="/errands"]');
        $this->see('h1', 'Errands');
        // Read from the system itself, which tells of itself over HTTP.
        $this->click('#described .go button');
        $this->see('.operations', 'Where a delivery is');
        $this->click('.operations button[value="get_delivery"]');
        $this->see('h1', 'Where a delivery is');
        $this->see('[data-read-status]', 'One found');

        // It wants a token: without one the yard refuses, and says so.
        $this->fill('[name="given[number]"]', 'PH4731');
        $this->click('.errand-try .primary');
        $this->see('.ran', 'status 401');
        $this->fill('[name="secret"]', 'yard-demo-token');
        $this->fill('[name="parameters[0][from]"]', 'hire_number');
        $this->click('.rule-form .go .primary');
        $this->see('.notice', 'Kept');
        $this->fill('[name="given[number]"]', 'PH4731');
        $this->click('.errand-try .primary');
        $this->see('.ran', 'one found');
        $this->see('[data-value="state"]', 'on the lorry');

        // A path that is wrong, seen and put right on the kept answer.
        $this->fill('[name="values[1][path]"]', 'delivery.status');
        $this->click('.rule-form .go .primary');
        $this->see('[data-value="state"]', '—');
        $this->fill('[name="values[1][path]"]', 'delivery.state');
        $this->click('.rule-form .go .primary');
        $this->see('[data-value="state"]', 'on the lorry');

        // Used in a step, after the greeting of a question that leads nowhere else.
        $this->page->get(self::$base.'/pellbrook/agents/maren/prompt-book');
        $this->page->executeScript('document.getElementById("step-where_look").scrollIntoView({block: "center"})');
        $this->until(fn (): bool => $this->find('[data-book]')->getAttribute('data-ready') === '1', 'the book ready');
        $this->click('#step-where_look .says');
        $this->see('form[data-edit="where_look"]', 'Done');
        $this->choose('form[data-edit="where_look"] [name="errand"]', 'get_delivery');
        $this->until(fn (): bool => $this->find('[data-book-saved]')->getText() === 'kept', 'what was chosen kept');
        $this->page->executeScript('document.getElementById("step-where_told").scrollIntoView({block: "center"})');
        $this->click('#step-where_told .says');
        $this->see('form[data-edit="where_told"]', 'Done');
        $this->page->executeScript('document.querySelector(\'form[data-edit="where_told"] [name="prompt[]"]\').scrollIntoView({block: "center"})');
        $this->fill('form[data-edit="where_told"] [name="prompt[]"]', 'It is [get_delivery.state] with [get_delivery.lorry].'.Key::TAB);
        $this->until(fn (): bool => str_contains($this->find('#step-where_told .says')->getText(), 'with') || $this->find('[data-book-saved]')->getText() === 'kept', 'the words kept');

        $this->ring();
        $this->say('where is my delivery', 'hire number');
        $this->say('P H 4731', 'on the lorry with lorry two');
        self::assertNotSame([], $this->page->findElements(WebDriverBy::cssSelector('.strip-errand.found')));
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', 'hung up');
    }

    public function testASlowSystemIsWaitedForAndABrokenOneIsNotDweltUpon(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/pellbrook/errands');
        $this->standIn('slow', '2600');
        $this->ring();
        $this->say('when is my hire due back', 'number');
        $this->keys('#hs-say', 'P H 4711'.Key::ENTER);
        $this->until(fn (): bool => $this->find('[data-errand-line]')->isDisplayed(), 'that something is looked up');
        $this->until(fn (): bool => preg_match('/looking that up|having a look|have a look/', $this->find('[data-last-agent]')->getText()) === 1, 'a word while waiting');
        $this->keys('#hs-say', 'thank you very much'.Key::ENTER);
        $this->see('[data-last-agent]', 'mini digger at 14 Mill Lane');
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', 'hung up');

        foreach (['nonsense' => 'cannot see the yard', 'works' => 'mini digger'] as $mode => $words) {
            $this->page->get(self::$base.'/pellbrook/errands');
            $this->standIn($mode, '0');
            $this->ring();
            $this->say('when is my hire due back', $mode === 'works' ? 'number' : $words);
            if ($mode === 'works') {
                $this->say('P H 4711', $words);
            }
            $this->click('[data-hang-up]');
            $this->see('[data-outcome]', 'hung up');
        }
    }

    public function testWhatChangesSomethingIsDoneOnceOverHttpThoughItsAnswerIsLost(): void
    {
        $this->signIn();
        $due = fn (): string => $this->due('PH4712');
        $before = $due();
        $until = (new \DateTimeImmutable($before))->modify('+7 days')->format('j F');
        $this->page->get(self::$base.'/pellbrook/errands');
        $this->standIn('loses', '0');
        $this->ring('really');
        $this->say('I want to keep it another week', 'hire number');
        $this->say('P H 4712', 'Until which day');
        $this->say("until the {$until}", 'your name');
        $this->say('Dara Whitcombe', 'noted that you keep it');
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', 'extension noted');
        self::assertSame((new \DateTimeImmutable($before))->modify('+7 days')->format('Y-m-d'), $due());
        $this->page->get(self::$base.'/pellbrook/errands');
        $this->standIn('works', '0');
    }

    public function testASecondOpinionIsAskedOverHttpShownWordForWordAndNeverSpoken(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/pellbrook/adviser');
        $this->click('input[name=on]');
        $this->click('.adviser .primary');
        $this->see('.notice', 'on from the next turn of every call');
        $this->ring();
        $this->say('the thing you sent us is no good', 'Which machine is it?');
        self::assertNotSame([], $this->page->findElements(WebDriverBy::cssSelector('.strip-advice.taken')));
        $this->see('.trace', 'by the adviser, from “the thing you sent us is no good”');
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', 'hung up');
        $this->page->get(self::$base.'/pellbrook/adviser');
        $this->see('.after-list .list', 'taken: breakdown');
        $this->choose('.adviser [name=mode]', 'shapeless');
        $this->click('form[action$="/adviser/stand-in"] button');
        $this->see('.notice', 'answers in another shape now');
        $this->ring();
        $this->say('the thing you sent us is no good', 'sending a machine back');
        self::assertStringNotContainsString('for ever', (string) $this->page->getPageSource());
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', 'hung up');
        $this->page->get(self::$base.'/pellbrook/adviser?came=thrown_away');
        $this->see('.after-list .list', 'something else than choice and nothing beside it');
    }

    private function standIn(string $mode, string $milliseconds): void
    {
        $form = 'form[action$="/stand-ins/yard"]';
        $this->page->executeScript('document.querySelector(arguments[0]).scrollIntoView({block: "center"})', [$form]);
        $this->choose("{$form} [name=mode]", $mode);
        $this->fill("{$form} [name=slow_ms]", $milliseconds);
        $this->click("{$form} button");
        $this->see('.notice', 'now.');
    }

    /** When the yard has a hire down as due, asked over HTTP. */
    private function due(string $number): string
    {
        $answer = file_get_contents(self::$base."/stand-in/yard/hires/{$number}", false, stream_context_create(['http' => ['header' => 'Authorization: Bearer yard-demo-token']]));

        return (string) json_decode((string) $answer, true)['hire']['due'];
    }

    private function ring(string $errands = 'usual'): void
    {
        $this->until(function (): bool {
            $this->type('r');

            return $this->find('input[name=caller]')->isDisplayed();
        }, 'the handset');
        $this->click('input[name=caller][value=withheld]');
        $this->choose('#hs-errands', $errands);
        $this->click('[data-setup] button[type=submit]');
        $this->see('[data-last-agent]', 'What can I do for you?');
    }

    private function say(string $line, string $answer): void
    {
        $this->keys('#hs-say', $line.Key::ENTER);
        $this->see('[data-last-agent]', $answer);
    }
}
