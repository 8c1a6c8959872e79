<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverKeys as Key;

/** Two browsers at once: a caller on the handset and a member of staff at the desk. */
final class TransferTest extends BrowserTestCase
{
    private RemoteWebDriver $desk;

    protected function setUp(): void
    {
        parent::setUp();
        $this->desk = $this->browser();
        $this->signIn($this->desk, 'staff');
        $this->click('.rail a[href$="/desk"]', $this->desk);
        $this->see('.sub', 'Bea Cresswell', $this->desk);
        $this->see('.desk', 'Nothing rings', $this->desk);
        $this->click('[data-presence="available"]', $this->desk);
        $this->signIn();
    }

    public function testTheDeskTakesACallWithAllThatWentBeforeAndBothSeeEachOthersWords(): void
    {
        $this->ringTeam();
        $this->see('.ringing', 'about a reservation', $this->desk);
        $this->see('.ringing', '07700 900188', $this->desk);
        $this->click('.ringing [data-how="accept"]', $this->desk);
        $this->see('[data-with]', 'Bea Cresswell');
        $this->say('Hello, is that reservations?');
        $this->see('.desk-turns', 'Hello, is that reservations?', $this->desk);
        $this->keys('#desk-say', 'It is, how can I help?'.Key::ENTER, $this->desk);
        $this->see('.desk-turns .staff', 'It is, how can I help?', $this->desk);
        $this->see('[data-last-staff]', 'It is, how can I help?');
        $this->keys('[data-desk-note]', 'Wants a digger in May'.Key::TAB, $this->desk);
        $this->click('[data-desk-hang-up]', $this->desk);
        $this->see('[data-outcome]', 'transferred to Bea Cresswell');
        $this->click('[data-open-call]');
        $this->see('h1', 'transferred to Bea Cresswell');
        $this->see('.strip', 'Bea Cresswell');
        $this->see('#main', 'Wants a digger in May');
    }

    public function testADeclineGoesToTheNextAndNobodyToACallBack(): void
    {
        $this->ringTeam();
        $this->choose('[data-colleague-how]', 'declines');
        $this->see('.ringing', 'Take it', $this->desk);
        $this->click('.ringing [data-how="decline"]', $this->desk);
        // Nora's telephone rings on and is declined as well; then the depots, of whom Bea is one again.
        $this->see('.ringing', 'for depots', $this->desk);
        $this->click('.ringing [data-how="decline"]', $this->desk);
        $this->see('[data-last-agent]', 'ring you back');
        self::assertFalse($this->find('[data-ringing-line]')->isDisplayed());
        $this->say('tomorrow at ten');
        $this->see('[data-last-agent]', 'clock on Wednesday');
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', 'call-back promised');
        $this->see('.ring-back', '07700 900188', $this->desk);
        $this->see('.ring-back', '11 Mar, 10:00', $this->desk);
        $this->click('[data-result="reached"]', $this->desk);
        $this->until(fn (): bool => ! str_contains($this->find('.desk-side', $this->desk)->getText(), '07700 900188'), 'the call-back is done');
    }

    public function testACallerWhoHangsUpWhileWaitingLeavesNoRingingBehind(): void
    {
        $this->ringTeam();
        $this->see('.ringing', 'Take it', $this->desk);
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', '');
        $this->see('.desk', 'Nothing rings', $this->desk);
        $this->click('[data-open-call]');
        $this->see('#said-title', 'What was said');
    }

    private function ringTeam(): void
    {
        $this->page->get(self::$base.'/pellbrook/agents/maren/prompt-book');
        $this->type('r');
        $this->click('input[name="caller"][value="unknown"]');
        $this->fill('#hs-number', '07700 900188');
        $this->page->executeScript('document.getElementById("hs-when").value = "2026-03-10T10:00"');
        $this->click('[data-setup] button.primary');
        $this->see('[data-last-agent]', 'What can I do for you?');
        $this->page->executeScript('document.querySelector("[data-colleague-how]").value = "no_answer"');
        $this->say('put me through to a person please about a reservation');
        $this->until(fn (): bool => $this->find('[data-ringing-line]')->isDisplayed(), 'a telephone ringing');
    }

    private function say(string $words): void
    {
        $this->keys('#hs-say', $words.Key::ENTER);
    }
}
