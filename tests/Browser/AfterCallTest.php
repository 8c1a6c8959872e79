<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

/** After the call: records reviewed by keyboard, past calls read again, deliveries that fail, recover and are taken back. */
final class AfterCallTest extends BrowserTestCase
{
    public function testDoubtfulValuesAreReviewedByKeyboard(): void
    {
        $this->signIn();
        $this->click('.rail a[href$="/records"]');
        $this->see('h1', 'Records');
        $before = $this->toCheck();
        self::assertGreaterThan(2, $before);

        // The first value to look at, with the words it comes from beside it; accepted, and on to the next.
        $this->type('j');
        $this->until(fn (): bool => $this->find('[data-look-title]')->getText() !== 'Value', 'the first value');
        $first = $this->cell();
        $this->type('j');
        $this->until(fn (): bool => $this->cell() !== $first, 'the next value');
        $this->type('k');
        $this->until(fn (): bool => $this->cell() === $first, 'the value before');

        // Corrected: the words typed are read as a caller's are.
        $this->type('e');
        $this->see('[data-look-form] span', 'It is');
        $this->find('[data-look-input]')->clear();
        $this->type('nonsense of no kind at all 99 99'.Key::ESCAPE);
        $this->until(fn (): bool => ! $this->find('[data-look-input]')->isDisplayed(), 'the form closed by Esc');
        self::assertSame($first, $this->cell(), 'Esc changes nothing');
        self::assertSame($before, $this->toCheck());

        // Decided one after the other, each on to the next by itself; a record is done when nothing in it is doubtful.
        for ($left = $this->doubtful(); $left > 0 && $this->toCheck() === $before; $left = $this->doubtful()) {
            $this->type($this->find('[data-do="accept"]')->isDisplayed() ? 'a' : 'x');
            $this->until(fn (): bool => $this->doubtful() < $left, 'one value less to look at');
        }
        $after = $this->toCheck();
        self::assertLessThan($before, $after);
        $this->page->navigate()->refresh();
        self::assertSame($after, $this->toCheck());
    }

    public function testPastCallsAreReadAgainWithTheDifferenceBeforeItIsApplied(): void
    {
        $this->signIn();
        $this->click('.rail a[href$="/records"]');
        $this->click('.head a[href$="/sheet"]');
        $this->see('h1', 'Record sheet');
        $this->click('[data-add="email"]');
        $this->click('.keep-row button');
        $this->see('.notice', 'kept');
        $this->click('form[action$="/readings-again"] button');
        $this->see('h1', 'Past calls, read with the changed sheet');
        $this->beside('queue:work', '--stop-when-empty', '--quiet');
        $this->see('.notice', 'calls were read');
        $this->see('.notice', 'No record would change');

        // The same field under another meaning: what was taken is read again, shown, and changed only when told to.
        $this->click('a[href$="/sheet"]');
        $this->fill('fieldset.sheet-field:has(input[value="delivery"]) input[name$="[description]"]', 'Whether it is to be brought, and not collected');
        $this->click('.keep-row button');
        $this->see('.notice', 'kept');
        $this->click('form[action$="/readings-again"] button');
        $this->beside('queue:work', '--stop-when-empty', '--quiet');
        $this->see('.notice', 'nothing has been changed yet');
        $this->see('table.list', 'Delivery to site');
        $this->click('form[action$="/apply"] button');
        $this->see('.notice', 'were changed as shown');
    }

    public function testAFailingWebRequestIsSeenAndRecovers(): void
    {
        $this->signIn();
        $this->click('.rail a[href$="/post"]');
        $this->see('h1', 'Post room');
        $this->choose('#g-web', 'fails');
        $this->click('form.gate:has(#g-web) button');
        $this->see('h1', 'Post room');

        $this->reserve('07700 900181', 'Dara Whitcombe');
        $this->beside('ringo:deliver', '--once');
        $this->open('web', 'failed');
        $this->see('h1', 'to be tried again');
        $this->see('.doubt-note', '503');
        $this->see('.doubt-note', 'tried again at');

        $this->click('.rail a[href$="/post"]');
        $this->choose('#g-web', 'works');
        $this->click('form.gate:has(#g-web) button');
        $this->open('web', 'failed');
        $this->click('form[action$="/again"] button');
        $this->beside('ringo:deliver', '--once');
        $this->page->navigate()->refresh();
        $this->see('h1', 'Yard planner, sent');
        $this->see('.letter', 'Dara Whitcombe');
    }

    public function testAFollowUpIsCancelledByACallThatMakesItVain(): void
    {
        $this->signIn();
        $this->reserve('07700 900182', 'Nell Ashby');
        $this->open('text', 'waiting', 'ready from');
        $this->see('h1', 'Reminder, a day before, waiting');
        $reminder = $this->page->getCurrentURL();

        $this->ring('07700 900182');
        foreach (["we've finished with the mini digger, can you come and collect it", 'PH2107', "it's ready tomorrow", '5 Kiln Yard, Tarn Bridge', 'yes', 'the first one', 'yes', 'no thanks'] as $line) {
            $this->say($line);
        }
        $this->see('[data-outcome]', 'off-hire noted');
        $this->page->get($reminder);
        $this->see('h1', 'Reminder, a day before, cancelled');
    }

    /** Opens the newest delivery of a kind in a state. */
    private function open(string $kind, string $state, string $words = ''): void
    {
        $this->click('.rail a[href$="/post"]');
        $this->see('h1', 'Post room');
        $this->page->get($this->page->getCurrentURL().'?'.http_build_query(['kind' => $kind, 'state' => $state, 'q' => $words]));
        $this->click('tr[data-row]');
    }

    private function reserve(string $number, string $name): void
    {
        $this->ring($number);
        $this->see('[data-last-agent]', 'What can I do for you?');
        foreach (['I need a mini digger from next Tuesday', 'for a fortnight', 'Stanwick Cross', "no, we'll collect it", 'card', "it's {$name}", 'yes', "no that's everything thanks"] as $line) {
            $this->say($line);
        }
        $this->see('[data-outcome]', 'reservation taken');
    }

    private function ring(string $number): void
    {
        $this->click('.rail a[href$="/prompt-book"]');
        $this->see('h1', 'Prompt book');
        $this->until(function (): bool {
            $this->type('r');

            return $this->find('input[name=caller]')->isDisplayed();
        }, 'the handset');
        $this->click('input[name=caller][value=unknown]');
        $this->fill('#hs-number', $number);
        $this->click('[data-setup] button[type=submit]');
    }

    private function say(string $words): void
    {
        $this->keys('#hs-say', $words.Key::ENTER);
        $this->see('[data-last-caller]', $words);
    }

    private function cell(): string
    {
        return (string) $this->page->executeScript('const c = document.activeElement.closest("td[data-cell]"); return c ? c.closest("tr").dataset.record + c.dataset.cell : ""');
    }

    private function doubtful(): int
    {
        return count($this->page->findElements(WebDriverBy::cssSelector('td.v-doubt')));
    }

    private function toCheck(): int
    {
        return (int) str_replace(',', '', $this->find('[data-to-check]')->getText());
    }
}
