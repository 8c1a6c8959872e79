<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** The main journey: sign in, read the script, ring it, talk, find the record, take it along. */
final class ReservationTest extends BrowserTestCase
{
    public function testFromSignInToTheRecordInASpreadsheet(): void
    {
        $this->signIn();
        $this->click('.rail a[href$="/prompt-book"]');
        $this->see('#step-help .says', 'What can I do for you?');

        $this->type('r');
        $this->ringUnknown('07700 900199');
        $this->see('[data-last-agent]', 'What can I do for you?');
        $this->say('Hi, I need a mini digger from next Tuesday', 'hire_length');
        $this->see('[data-trace]', 'Tuesday 17 March 2026');
        $this->say('for a fortnight', 'depot');
        $this->say('Stanwick Cross', 'delivery');
        $this->say("no, we'll collect it", 'payment');
        $this->press('7');
        $this->see('[data-last-agent]', 'That key is not on the list');
        $this->press('1');
        $this->see('[data-at-step]', 'caller_name');
        $this->say('no sorry, make it three weeks', 'caller_name');
        $this->see('[data-last-agent]', 'three weeks');
        $this->say("it's Dara Whitcombe", 'phone');
        $this->say('yes', 'more');
        $this->keys('#hs-say', "no that's everything thanks".WebDriverKeys::ENTER);
        $this->see('[data-outcome]', 'reservation taken');
        $this->click('[data-open-call]');

        $this->see('h1', 'Dara Whitcombe, reservation taken');
        $this->see('[data-field="start_date"] .value', 'Tuesday 17 March 2026');
        $this->see('[data-field="hire_length"] .value', '3 weeks');
        self::assertCount(1, $this->page->findElements(WebDriverBy::cssSelector('mark[data-fields~="hire_length"]')));

        // The value lights its words, and the words light the value.
        $this->page->action()->moveToElement($this->find('[data-field="start_date"]'))->perform();
        $this->until(fn (): bool => $this->find('mark.lit')->getText() === 'next Tuesday', 'the words of the start date lit');
        $this->page->action()->moveToElement($this->find('mark[data-fields~="depot"]'))->perform();
        $this->until(fn (): bool => str_contains((string) $this->find('[data-field="depot"]')->getAttribute('class'), 'lit'), 'the depot lit');

        $this->click('.head details.pick summary');
        $this->click('a[href$="/record.csv"]');
        $lines = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''), explode("\r\n", trim($this->downloaded('.csv'))));
        $row = array_combine(array_map(strval(...), $lines[0]), $lines[1]);
        self::assertSame(['Dara Whitcombe', '+447700900199', 'mini_digger', '2026-03-17', 'P3W', 'stanwick_cross', 'false', 'account'], [$row['caller_name'], $row['phone'], $row['equipment'], $row['start_date'], $row['hire_length'], $row['depot'], $row['delivery'], $row['payment']]);
    }

    public function testACallGoesOnWhenThePageChangesAndTwoHandsetsStayApart(): void
    {
        $this->signIn();
        $this->click('[data-ring]');
        $this->ringUnknown('07700 900198');
        $this->say('I need a breaker', 'start_date');
        $other = $this->browser();
        $this->signIn($other, 'owner');
        $this->until(function () use ($other): bool {
            // The page listens for keys once its scripts have run.
            $this->type('r', $other);

            return $this->find('input[name=caller]', $other)->isDisplayed();
        }, 'the handset');
        $this->ringUnknown('07700 900197', $other);
        $this->see('[data-last-agent]', 'What can I do for you?', $other);

        $this->click('.rail a[href$="/calls"]');
        $this->see('[data-last-agent]', 'From which day');
        $this->say('tomorrow', 'hire_length');
        $this->click('[data-silence]');
        $this->see('[data-last-agent]', 'length of hire');
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', 'caller hung up');
        $this->see('[data-at-step]', 'help', $other);
    }

    public function testAnExpiredSessionKeepsTheCallAndWhatWasTyped(): void
    {
        $this->signIn();
        $this->click('[data-ring]');
        $this->ringUnknown('07700 900196');
        $this->see('[data-last-agent]', 'What can I do for you?');
        // A sound still on its way may bring the session's cookie back.
        $this->until(function (): bool {
            $this->page->manage()->deleteAllCookies();
            usleep(500_000);

            return $this->page->manage()->getCookies() === [];
        }, 'the session gone');
        $this->keys('#hs-say', 'I need a generator'.WebDriverKeys::ENTER);
        $this->see('[data-call-error]', 'Your session has ended');
        self::assertSame('I need a generator', $this->find('#hs-say')->getAttribute('value'));

        $this->click('[data-call-error] a');
        $this->see('button.primary', 'Sign in');
        $this->signIn();
        $this->see('[data-at-step]', 'help');
        $this->say('I need a generator', 'start_date');
    }

    public function testKeysAloneReachEverything(): void
    {
        $this->signIn();
        $this->type('?');
        $this->see('#shortcuts', 'Ring the draft');
        $this->type(WebDriverKeys::ESCAPE);
        $this->until(fn (): bool => ! $this->find('#shortcuts')->isDisplayed(), 'the list of shortcuts closed');
        $this->type('/');
        $this->page->switchTo()->activeElement()->sendKeys('digger'.WebDriverKeys::ENTER);
        $this->see('h1', 'Calls');
        $this->find('h1')->click();
        $this->type('jj');
        $this->type(WebDriverKeys::ENTER);
        $this->see('#said-title', 'What was said');
        $before = $this->page->getCurrentURL();
        $this->click('button.danger[type=submit]');
        $this->see('.notice', 'was deleted');
        $this->click('.notice button');
        $this->see('.notice', 'The call is back');
        self::assertSame($before, $this->page->getCurrentURL());
    }

    public function testNoPageComplainsInTheConsole(): void
    {
        $this->signIn();
        foreach (['/pellbrook', '/pellbrook/agents/maren/prompt-book', '/pellbrook/calls'] as $path) {
            $this->page->get(self::$base.$path);
        }
        $this->click('tbody td a');
        $this->see('#said-title', 'What was said');
        self::assertSame([], array_column($this->page->manage()->getLog('browser'), 'message'));
    }

    private function ringUnknown(string $number, ?\Facebook\WebDriver\Remote\RemoteWebDriver $page = null): void
    {
        $this->click('input[name=caller][value=unknown]', $page);
        $this->fill('#hs-number', $number, $page);
        ($page ?? $this->page)->executeScript("document.getElementById('hs-when').value = '2026-03-10T09:14'");
        $this->click('[data-setup] button[type=submit]', $page);
    }

    /** Types a line and waits until the agent stands at a step. */
    private function say(string $line, string $step): void
    {
        $this->keys('#hs-say', $line.WebDriverKeys::ENTER);
        $this->see('[data-last-caller]', $line);
        $this->see('[data-at-step]', $step);
    }

    private function press(string $key): void
    {
        if ($this->find('[data-keypad]')->getAttribute('open') === null) {
            $this->click('[data-keypad] summary');
        }
        $this->click('[data-key="'.$key.'"]');
        $this->see('[data-last-caller]', $key);
    }
}
