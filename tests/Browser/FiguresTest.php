<?php

declare(strict_types=1);

namespace Tests\Browser;

/** The figures of calls lead to the calls, a wrong span is told, and what a stand-in caller found becomes a case. */
final class FiguresTest extends BrowserTestCase
{
    public function testAFigureOpensItsCallsAndAWrongSpanIsTold(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/pellbrook');
        $this->click('.rail a[href$="/figures"]');
        $this->see('h1', 'Figures');
        $this->see('.figure-tiles', 'Handed to a person');
        $this->page->executeScript("document.querySelector('#s-from').value = '2026-03-10'; document.querySelector('#s-to').value = '2026-03-01';");
        $this->click('form.filter button[type=submit]');
        $this->see('main .error', 'comes after the last');
        $this->see('.figure-tiles', 'Calls');
        $this->click('.figure-tiles a[href*="handled=staff"]');
        $this->see('h1', 'Calls');
        $this->see('table.list', 'transferred to');
    }

    public function testAStandInCallerIsKeptAsACase(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/pellbrook/agents/maren/crowds');
        $this->click('table.list a[href*="/crowds/"]');
        $this->see('h1', 'callers ring');
        $this->click('.list a[href*="/callers/"]');
        $this->see('h1', 'Caller');
        $this->click('.keep-case summary');
        $this->fill('.keep-case [name=title]', 'What the crowd found');
        $this->click('.keep-case button');
        $this->see('h1', 'What the crowd found');
        $this->see('#fails-title', 'It fails');
    }
}
