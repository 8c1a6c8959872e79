<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverKeys as Key;

/** From a new client to a call on its line; the week answered by drag and by key; a visitor who rings from the client's own page. */
final class LinesTest extends BrowserTestCase
{
    public function testANewClientIsSetUpAndItsLineTakesACallAfterHours(): void
    {
        $this->signIn();
        $this->click('.me summary');
        $this->click('.me a[href$="/businesses"]');
        $this->click('a[href$="/businesses/new"]');
        $this->fill('[name=name]', 'Fenwater Clocks');
        $this->click('.new-business .primary');
        $this->see('h1', 'Brief');
        $this->fill('[name="hours[mon]"]', '09:00-17:00');
        $this->fill('[name="hours[tue]"]', '09:00-17:00');
        $this->click('.brief-form > .go .primary');
        $this->see('.notice', 'Kept.');
        $this->see('.brief-side', 'Easter Monday');
        $this->click('.rail a[href$="/agents"]');
        $this->click('a[href$="/agents/new"]');
        $this->click('a[href$="/starters/message"]');
        $this->fill('[name=name]', 'Wilma');
        $this->click('form.card.stack button');
        $this->see('[data-state]', 'not released yet');
        $this->fillTheBlanks();
        $this->page->get(self::$base.'/fenwater-clocks/agents/wilma/releases');
        $this->fill('[name=note]', 'The first');
        $this->click('[name=accept]');
        $this->click('.stack .primary');
        $this->see('[data-state]', 'Release 1');
        $this->page->get(self::$base.'/fenwater-clocks/post/rules/new');
        $this->fill('[name=name]', 'Tell the owner');
        $this->choose('[name=kind]', 'email');
        $this->fill('[name=to]', 'role:owner');
        $this->fill('[name=subject]', 'A call came');
        $this->fill('[name=words]', '[summary]');
        $this->click('form .primary');
        $this->click('.rail a[href$="/lines"]');
        $this->click('a[href$="/lines/new"]');
        $this->fill('[name=name]', 'Main line');
        $this->fill('[name=number]', '01632 960455');
        $this->click('form.card .primary');
        $this->see('.line-sub', 'not live yet');
        $this->click('.head .primary');
        $this->see('.line-sub', 'live');
        $this->click('.head a[href*="/exchange"]');
        $this->page->executeScript("document.querySelector('[name=at]').value = '2026-11-30T20:15'");
        $this->click('[data-exchange] .primary');
        $this->see('[data-last-agent]', 'Fenwater Clocks');
        $this->say('Please tell the workshop that my clock has stopped again');
        $this->see('[data-last-caller]', 'my clock has stopped');
        $this->click('[data-hang-up]');
        $this->click('[data-open-call]');
        $this->see('.head .sub', 'live');
        $this->see('.head .sub', 'on Main line');
        $this->see('.turns', 'my clock has stopped');
        $this->page->get(self::$base.'/fenwater-clocks/post');
        $this->see('#main', 'Tell the owner');
    }

    public function testTheWeekIsAnsweredByDragAndByKeyAndTakenBack(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/pellbrook/lines/after-hours');
        $svg = $this->find('.line-week svg');
        // The grid stands still once the letters are there and it is in sight.
        $this->until(fn (): bool => $this->page->executeScript("return document.fonts.status === 'loaded' && document.readyState === 'complete'"), 'the letters of the page');
        $this->page->executeScript("document.querySelector('.line-week svg').scrollIntoView({block: 'center', behavior: 'instant'})");
        // Wednesday from six to nine, drawn across.
        $size = $svg->getSize();
        $at = static fn (int $minute): int => (int) round($size->getWidth() * (56 + $minute * (1060 - 56) / 1440) / 1064 - $size->getWidth() / 2);
        $y = (int) round($size->getHeight() * (22 + 2 * 44 + 20) / (float) explode(' ', (string) $svg->getAttribute('viewBox'))[3] - $size->getHeight() / 2);
        (new WebDriverActions($this->page))->moveToElement($svg, $at(360), $y)->clickAndHold()->moveToElement($svg, $at(450), $y)->moveToElement($svg, $at(540), $y)->release()->perform();
        $this->until(fn (): bool => $this->find('[name=from]')->getAttribute('value') === '06:00' && $this->find('[name=to]')->getAttribute('value') === '09:00', 'the drawn hours in the form');
        self::assertTrue($this->find('[name="days[]"][value="3"]')->isSelected());
        self::assertFalse($this->find('[name="days[]"][value="1"]')->isSelected());
        $this->choose('.stretch-form [name=who]', 'nobody');
        $this->click('.stretch-form .primary');
        $this->see('.line-found', 'Wednesday 06:00 to 09:00: nobody answers.');
        $this->page->executeScript("document.querySelector('.week-stretch.nobody').focus()");
        $this->type('a');
        $this->see('.notice', 'Wed 06:00 to 09:00: Maren');
        self::assertStringNotContainsString('Wednesday', $this->find('#main')->getText(), 'the finding is gone');
        $this->click('.notice button');
        $this->see('.line-found', 'nobody answers');
    }

    public function testAVisitorRingsFromTheClientsOwnPage(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/pellbrook/lines/web/button');
        $elsewhere = str_replace('127.0.0.1', 'localhost', self::$base);
        $visitor = $this->browser();
        $visitor->get($elsewhere.'/site/pellbrook/web');
        $this->see('h1', 'Pellbrook Hire', $visitor);
        $this->until(static fn (): bool => $visitor->executeScript("return document.querySelector('ringo-line') === null && performance.getEntriesByType('resource').some((one) => one.name.includes('/button/') && !one.name.endsWith('.js'))"), 'a page that may not carry the button shows none');
        $this->fill('[name=origins]', $elsewhere);
        $this->click('.brief-form .primary');
        $this->see('.notice', 'Kept.');
        $visitor->get($elsewhere.'/site/pellbrook/web');
        // The parts of the button are closed to the page, and to us: a visitor with a keyboard goes through it.
        $this->until(static fn (): bool => $visitor->executeScript("return document.querySelector('ringo-line')?.style.getPropertyValue('--colour') === '#5a3d1e'"), 'the button with its colours');
        self::assertNull($visitor->executeScript("return document.querySelector('ringo-line').shadowRoot"));
        self::assertSame([], $visitor->manage()->getCookies());
        $keys = $visitor->getKeyboard();
        $keys->sendKeys(Key::TAB);
        $keys->sendKeys(Key::ENTER);
        // Without the terms accepted nothing begins.
        $keys->sendKeys(Key::TAB);
        $keys->sendKeys(Key::ENTER);
        $keys->sendKeys(Key::SPACE);
        $keys->sendKeys(Key::TAB);
        $keys->sendKeys(Key::ENTER);
        $this->until(fn (): bool => $this->rang(1), 'the call on the page of the button');
        $this->until(static function () use ($visitor): bool {
            // The words take the focus once the agent has spoken.
            $visitor->getKeyboard()->sendKeys('I would like to hire a mini digger'.Key::ENTER);

            return true;
        }, 'something to type into');
        $this->until(fn (): bool => str_contains($this->heard(), 'mini digger'), 'the visitor’s words in the call');
        self::assertStringContainsString('From which day', $this->heard());
        self::assertSame([], $visitor->manage()->getCookies());
    }

    private function rang(int $calls): bool
    {
        $this->page->get(self::$base.'/pellbrook/lines/web/button');

        return str_contains($this->find('.brief-form')->getText(), "{$calls} call");
    }

    private function heard(): string
    {
        $this->rang(1);
        $this->click('.brief-form a.line');
        $this->see('h1', 'Visitor of the page');

        return $this->find('.turns')->getText();
    }

    private function say(string $words): void
    {
        $this->keys('[data-say] input', $words.Key::ENTER);
    }

    /** What the starter left to be filled in is filled in, in the text of the script. */
    private function fillTheBlanks(): void
    {
        $this->page->get(self::$base.'/fenwater-clocks/agents/wilma/text');
        $this->page->executeScript("const text = document.querySelector('#script-text'); text.value = text.value.replaceAll('{by when you ring back}', 'by tomorrow noon'); text.dispatchEvent(new Event('input', {bubbles: true}));");
        $this->click('[data-text-view] [type=submit]');
        $this->see('[data-text-saved]', 'kept;');
    }
}
