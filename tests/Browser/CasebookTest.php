<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

/** Proof before a release: a call is kept as a case, a change breaks it and is named, is mended, and the release goes out. */
final class CasebookTest extends BrowserTestCase
{
    public function testACallBecomesACaseThatFindsTheChangeThatBrokeIt(): void
    {
        $this->signIn();
        // A call that went as it should, rung by hand.
        $this->page->get(self::$base.'/pellbrook/agents/maren/prompt-book');
        $this->until(function (): bool {
            $this->type('r');

            return $this->find('input[name=caller]')->isDisplayed();
        }, 'the handset');
        $this->click('input[name=caller][value=unknown]');
        $this->fill('#hs-number', '07700 900177');
        $this->choose('#hs-errands', 'fails');
        $this->click('[data-setup] button[type=submit]');
        foreach (["we've finished with the heater, can you collect it" => 'hire number', 'P H 2123' => 'ready', 'tomorrow' => 'standing', '14 Mill Lane, Oldmere' => '', '--' => ''] as $line => $answer) {
            if ($line === '--') {
                $this->click('[data-hang-up]');
                $this->until(fn (): bool => $this->find('[data-over]')->isDisplayed(), 'the call over');
            } else {
                $this->keys('#hs-say', $line.Key::ENTER);
                $this->see('[data-last-caller]', $line);
                $this->see('[data-last-agent]', $answer);
            }
        }
        $this->click('[data-open-call]');
        $this->see('#said-title', 'What was said');
        $this->click('.keep-case summary');
        $this->fill('.keep-case [name=title]', 'Off hire with its day');
        $this->click('.keep-case button');
        $this->see('h1', 'Off hire with its day');
        $this->see('.case-sum', 'It passes');
        $this->click('[name=must]');
        $this->click('.case-page button.primary');
        $this->see('.notice', 'Kept');

        // The day is no longer asked for: the field of the question is another one.
        $this->edit('off_hire_ready', '[name="field"]', 'fault');
        $this->page->get(self::$base.'/pellbrook/agents/maren/casebook');
        $this->see('.case-sum.wrong', 'on the draft');
        $this->click('.failing a');
        $this->see('h1', 'Off hire');
        $this->see('#fails-title', 'It fails');
        $this->see('.card.failing', 'What broke it');
        $this->page->get(self::$base.'/pellbrook/agents/maren/releases');
        $this->see('.case-sum.wrong', 'Off hire with its day');

        // Mended: all pass again, and the release goes out.
        $this->edit('off_hire_ready', '[name="field"]', 'ready_date');
        $this->edit('goodbye', '[name="prompt[]"]', 'Goodbye for now.');
        $this->page->get(self::$base.'/pellbrook/agents/maren/releases');
        $this->see('.case-sum.good', 'pass');
        if ($this->page->findElements(WebDriverBy::name('accept')) !== []) {
            $this->click('input[name="accept"]');
        }
        $this->fill('input[name="note"]', 'another goodbye');
        $this->click('form.stack button.primary');
        $this->see('.notice', 'is made');
    }

    private function edit(string $step, string $field, string $value): void
    {
        $this->page->get(self::$base.'/pellbrook/agents/maren/prompt-book');
        $this->until(fn (): bool => $this->find('[data-book]')->getAttribute('data-ready') === '1', 'the book ready');
        $this->page->executeScript('document.getElementById("step-" + arguments[0]).scrollIntoView({block: "center"})', [$step]);
        $this->click("#step-{$step} .says");
        $this->see("form[data-edit=\"{$step}\"]", 'Done');
        $css = "form[data-edit=\"{$step}\"] {$field}";
        $this->page->executeScript('document.querySelector(arguments[0]).scrollIntoView({block: "center"})', [$css]);
        $this->fill($css, $value.Key::TAB);
        $this->until(fn (): bool => $this->find('[data-book-saved]')->getText() === 'kept', 'what was written kept');
    }
}
