<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

/** The specialist's journey: an agent from blank by mouse and keys alone, rung, mended, released, compared, taken back and taken along. */
final class DesignTest extends BrowserTestCase
{
    public function testAnAgentFromBlankToAReleaseAndIntoTheOtherBusiness(): void
    {
        $this->signIn();
        $this->click('.rail a[href$="/agents"]');
        $this->click('a[href$="/agents/new"].primary');
        $this->fill('section[aria-labelledby="from-blank"] input[name="name"]', 'Wanda');
        $this->click('section[aria-labelledby="from-blank"] button');
        $this->see('#step-opening .says', '[agent]');

        // A question behind the opening, by key.
        $this->page->executeScript('document.getElementById("step-opening").focus()');
        $this->add('ask', 'day');
        $this->fill('form[data-edit="day"] [name="prompt[]"]', 'Which day shall we come?');
        $this->choose('form[data-edit="day"] [name="sheet[type]"]', 'date');
        $this->kept();
        self::assertSame('answer', $this->find('form[data-edit="day"] [name="field"]')->getAttribute('value'));
        $this->fill('form[data-edit="day"] [name="sheet[example]"]', 'next Tuesday');
        $this->kept();

        // A menu, an answer for each of its ways, a note: added from the row itself.
        $this->insertAfter('day', 'choose');
        $this->see('#step-choose form', 'Options');
        $this->fill('form[data-edit="choose"] [name="prompt[]"]', 'Morning or afternoon?');
        $this->fill('form[data-edit="choose"] [name="options[0][label]"]', 'morning');
        $this->fill('form[data-edit="choose"] [name="options[1][label]"]', 'afternoon');
        $this->kept();
        $this->rename('choose', 'part_of_day');
        $this->insertAfter('part_of_day', 'say');
        $this->fill('form[data-edit="say"] [name="prompt[]"]', 'We come ');
        // A value is put in by typing [ and choosing it; it may be empty here, so words to use then are asked for.
        $this->type('[answ');
        $this->see('.slot-list', 'may be empty here');
        $this->type(Key::ENTER);
        $this->see('.slot-list label', 'Words to use then');
        $this->type('soon'.Key::ENTER);
        $this->until(fn (): bool => $this->find('form[data-edit="say"] [name="prompt[]"]')->getAttribute('value') === 'We come [answer|soon]', 'the value in the prompt');
        $this->type('.');
        $this->kept();
        $this->insertAfter('say', 'note');
        $this->fill('form[data-edit="note"] [name="outcome"]', 'visit noted');
        $this->kept();
        $this->type(Key::ESCAPE);
        $this->page->executeScript('document.getElementById("step-goodbye").focus()');
        $this->type(Key::ENTER);
        $this->see('#step-goodbye form', 'Last words');
        self::assertSame(['opening', 'day', 'part_of_day', 'say', 'note', 'goodbye'], $this->order());
        $this->type(Key::ESCAPE);

        // Rung at once.
        $this->type('r');
        $this->click('input[name="caller"][value="withheld"]');
        $this->click('[data-setup] button.primary');
        $this->see('[data-last-agent]', 'Which day shall we come?');
        $this->say('a week on Friday', 'part_of_day');
        $this->keys('#hs-say', 'the afternoon please'.Key::ENTER);
        $this->see('[data-outcome]', 'visit noted');
        $this->click('[data-over] [data-close]');

        // Broken: the note leads back, so nothing ends.
        $this->open('note');
        $this->choose('form[data-edit="note"] [name="next"]', 'day');
        $this->see('#step-note [data-row-findings], #step-goodbye .found, [data-findings-count]', '');
        $this->until(fn (): bool => str_contains($this->find('[data-findings-count]')->getText(), 'error'), 'an error counted');
        $this->click('[data-findings-toggle]');
        $this->see('[data-findings-list]', 'From here no way leads to an end');
        $this->see('[data-findings-list]', 'No call comes to this step');
        $this->choose('form[data-edit="note"] [name="next"]', 'goodbye');
        $this->until(fn (): bool => ! str_contains($this->find('[data-findings-count]')->getText(), 'error'), 'no error any more');

        // A sign that speaks badly, mended by its button; the taken-out step comes back.
        $this->open('say');
        $this->fill('form[data-edit="say"] [name="prompt[]"]', 'We come & ring first.');
        $this->see('[data-findings-list]', 'speaks badly');
        $this->click('[data-findings-list] button[data-fix]');
        $this->see('#step-say .says', '');
        $this->until(fn (): bool => $this->find('form[data-edit="say"] [name="prompt[]"]')->getAttribute('value') === 'We come and ring first.', 'the prompt mended');
        $this->click('form[data-edit="say"] [data-delete]');
        $this->see('[data-notice-text]', 'say was taken out');
        self::assertNotContains('say', $this->order());
        $this->click('[data-notice-undo]');
        $this->until(fn (): bool => in_array('say', $this->order(), true), 'the step back');

        // Released; changed; compared; taken back.
        $this->release('First');
        $this->see('.release h3', 'Release 1');
        $this->page->get(self::$base.'/pellbrook/agents/wanda/prompt-book');
        $this->open('say');
        $this->fill('form[data-edit="say"] [name="prompt[]"]', 'See you then.');
        $this->kept();
        $this->see('[data-state]', 'Draft, 1 change since release 1');
        $this->click('.views a[href$="/releases"]');
        $this->click('a[href$="/releases/compare"]');
        $this->see('.sides .old', 'We come and ring first.');
        $this->see('.sides .new', 'See you then.');
        $this->release('Second');
        $this->see('#release-2 h3', 'in use');
        $this->click('#release-1 input[name="draft"]');
        $this->click('#release-1 form.again button');
        $this->see('#release-3', 'Release 1 again');
        $this->page->get(self::$base.'/pellbrook/agents/wanda/prompt-book');
        $this->see('#step-say .says', 'We come and ring first.');

        // Taken along to the other business.
        $this->click('.views a[href$="/text"]');
        $this->click('a[href$="/export"]');
        $file = $this->downloadedPath('wanda-draft.json');
        $this->page->get(self::$base.'/quillmoor/agents/new');
        $this->keys('input[name="file"]', $file);
        $this->click('section[aria-labelledby="from-file"] button');
        $this->see('h1', 'What wanda-draft.json would make');
        $this->see('.facts', 'for Pellbrook Hire');
        $this->click('form.card button.primary');
        $this->see('#step-opening .says', '[agent]');
    }

    public function testStepsMoveByKeyAndByDragging(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/quillmoor/agents/tobin/prompt-book');
        $this->see('#step-bags', 'How many bags');
        $before = $this->order();
        $at = array_search('bags', $before, true);
        $this->until(fn (): bool => $this->find('[data-book]')->getAttribute('data-ready') === '1', 'the book ready');
        // Keys go to where the focus is: the row itself is exchanged while they are pressed.
        $this->page->executeScript('document.getElementById("step-bags").focus()');
        $this->page->action()->keyDown(null, Key::ALT)->sendKeys(null, Key::ARROW_DOWN)->keyUp(null, Key::ALT)->perform();
        $this->until(fn (): bool => array_search('bags', $this->order(), true) === $at + 1, 'the step one place down');
        $this->page->executeScript('document.getElementById("step-bags").scrollIntoView({block: "center"})');
        $this->page->action()->moveToElement($this->find('#step-bags .says'))->perform();
        $grip = $this->find('#step-bags [data-grip]');
        $above = $this->find('#step-'.$this->order()[$at - 1]);
        $this->page->action()->clickAndHold($grip)->moveToElement($above, 0, -5)->moveToElement($above, 0, -8)->release()->perform();
        $this->until(fn (): bool => array_search('bags', $this->order(), true) < $at + 1, 'the step dragged up');

        // Find, fold, and the same script as text, both ways.
        $this->type('/');
        $this->type('grey ones');
        $this->page->findElement(WebDriverBy::cssSelector('[data-fold-all]'))->click();
        $this->until(fn (): bool => ! $this->find('#step-bags')->isDisplayed(), 'the scenes folded');
        $this->click('.views a[href$="/text"]');
        $text = $this->find('[data-text]')->getAttribute('value');
        $this->page->executeScript('const t = document.querySelector("[data-text]"); t.value = arguments[0]; t.dispatchEvent(new Event("input", {bubbles: true}))', [str_replace('"next": "confirmed"', '"next": "confirmd"', (string) $text)]);
        $this->click('[data-text-view] button.primary');
        $this->see('[data-text-problems]', 'did you mean “confirmed”');
        $this->see('[data-text-problems]', 'line');
        $this->page->executeScript('const t = document.querySelector("[data-text]"); t.value = arguments[0]; t.dispatchEvent(new Event("input", {bubbles: true}))', [str_replace('How many bags will there be?', 'How many bags are ready?', (string) $text)]);
        $this->click('[data-text-view] button.primary');
        $this->see('[data-text-saved]', 'kept');
        $this->click('.views a[href$="/prompt-book"]');
        $this->see('#step-bags .says', 'How many bags are ready?');
    }

    public function testTwoPeopleInOneDraftAreToldAndNothingIsWrittenOver(): void
    {
        $this->signIn();
        $other = $this->browser();
        $this->signIn($other, 'owner');
        foreach ([$this->page, $other] as $page) {
            $page->get(self::$base.'/pellbrook/agents/maren/prompt-book');
        }
        $this->open('goodbye');
        $this->open('goodbye', $other);
        $this->fill('form[data-edit="goodbye"] [name="prompt[]"]', 'Cheerio.', $other);
        $this->see('form[data-edit="goodbye"] [data-saved]', 'kept', $other);
        $this->fill('form[data-edit="goodbye"] [name="prompt[]"]', 'So long.');
        $this->see('[data-book-notice]', 'Olwen Pell has changed this in the meantime');
        self::assertSame('So long.', $this->find('form[data-edit="goodbye"] [name="prompt[]"]')->getAttribute('value'));

        // Another step goes through on top, and both are there.
        $this->click('[data-notice-reload]');
        $this->see('#step-goodbye .says', 'Cheerio.');
        $this->open('depot');
        $this->page->executeScript('window.stale = true');
        $this->fill('form[data-edit="goodbye"] [name="prompt[]"]', 'Bye now.', $other);
        $this->see('form[data-edit="goodbye"] [data-saved]', 'kept', $other);
        $this->fill('form[data-edit="depot"] [name="prompt[]"]', 'Which depot is nearest?');
        $this->see('[data-book-notice]', 'Olwen Pell is changing this draft too');
        $this->see('#step-goodbye .says', 'Bye now.');
    }

    public function testAPromptIsRecordedInTheBrowserAndPlayedOnTheHandset(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/quillmoor/agents/tobin/recordings');
        $line = '[data-line][data-text="We come as usual, then. Ring us if that is wrong."]';
        $this->page->executeScript('document.querySelector(arguments[0]).scrollIntoView({block: "center"})', [$line]);
        $this->click($line.' [data-record]');
        $this->see($line.' [data-record-label]', 'Stop and keep');
        usleep(700_000);
        $this->click($line.' [data-record]');
        $this->see($line.' [data-kept]', 'webm');
        $this->see($line.' [data-kept]', ' s');
        $this->keys($line.' [data-upload]', __FILE__);
        $this->see('[data-recorder-error]', 'This is no WAV, WebM or Ogg audio');
    }

    public function testAStepIsMadeWhereAWayLeadsAndUndoGoesBackChangeByChange(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/quillmoor/agents/tobin/prompt-book');
        $steps = $this->order();
        $ask = $this->find('[data-book] > .kind-ask')->getAttribute('data-step') ?? '';
        $this->open($ask);
        $this->choose("form[data-edit=\"{$ask}\"] [name=\"next\"]", '+new');
        $this->keys("form[data-edit=\"{$ask}\"] .new-target input", 'Thank them'.Key::ENTER);
        $this->see('#step-thank_them .says', '{');
        $this->kept();
        $this->until(fn (): bool => $this->find("form[data-edit=\"{$ask}\"] [name=\"next\"]")->getAttribute('value') === 'thank_them', 'the way leads to the new step');
        $this->type(Key::ESCAPE);
        $this->until(fn (): bool => $this->page->findElements(WebDriverBy::cssSelector('form[data-edit]')) === [], 'the form closed');

        // Another change, then both are taken back by key.
        $this->page->executeScript('document.getElementById("step-thank_them").focus()');
        $this->type(Key::DELETE);
        $this->see('[data-notice-text]', 'thank_them was taken out');
        $this->until(fn (): bool => $this->page->switchTo()->activeElement()->getAttribute('data-step') !== null, 'the focus stays in the book');
        $this->type('z');
        $this->see('[data-notice-text]', 'Taken back: took out thank_them');
        $this->see('#step-thank_them .says', '{');
        $this->type('z');
        $this->see('[data-notice-text]', 'Taken back: changed '.$ask);
        self::assertSame($steps, $this->order());

        // A page with words not kept asks before it is left.
        $this->page->get(self::$base.'/quillmoor/agents/tobin');
        $this->fill('[data-agent-form] [name="name"]', 'Tobias');
        self::assertFalse($this->page->executeScript('return dispatchEvent(new Event("beforeunload", {cancelable: true}))'), 'leaving is asked about');
        $this->page->executeScript('document.querySelector("[data-agent-form]").dispatchEvent(new Event("submit"))');
        self::assertTrue($this->page->executeScript('return dispatchEvent(new Event("beforeunload", {cancelable: true}))'));
    }

    private function add(string $kind, string $name): void
    {
        $this->type('n');
        $this->see('#new-step', 'A new step');
        $this->click("#new-step input[value=\"{$kind}\"]");
        $this->keys('#new-step [name="name"]', $name.Key::ENTER);
        $this->see("form[data-edit=\"{$name}\"]", 'Done');
    }

    private function insertAfter(string $step, string $kind): void
    {
        $this->choose("form[data-edit=\"{$step}\"] [data-insert-kind]", $kind);
        $this->click("form[data-edit=\"{$step}\"] [data-insert]");
        $this->see("form[data-edit=\"{$kind}\"]", 'Done');
    }

    private function rename(string $from, string $to): void
    {
        $this->fill("form[data-edit=\"{$from}\"] [name=\"key\"]", $to.Key::TAB);
        $this->see("form[data-edit=\"{$to}\"]", 'Done');
    }

    private function open(string $step, ?\Facebook\WebDriver\Remote\RemoteWebDriver $page = null): void
    {
        ($page ?? $this->page)->executeScript('document.getElementById("step-" + arguments[0]).scrollIntoView({block: "center"})', [$step]);
        $this->until(fn (): bool => $this->find('[data-book]', $page)->getAttribute('data-ready') === '1', 'the book ready');
        $this->click("#step-{$step} .says", $page);
        $this->see("form[data-edit=\"{$step}\"]", 'Done', $page);
    }

    private function kept(): void
    {
        usleep(600_000);
        $this->until(fn (): bool => $this->find('[data-book-saved]')->getText() === 'kept', 'what was written kept');
    }

    private function release(string $note): void
    {
        $this->page->get(self::$base.'/pellbrook/agents/wanda/releases');
        if ($this->page->findElements(WebDriverBy::name('accept')) !== []) {
            $this->click('input[name="accept"]');
        }
        $this->fill('input[name="note"]', $note);
        $this->click('form.stack button.primary');
        $this->see('.notice', 'is made');
    }

    private function say(string $words, string $then): void
    {
        $this->keys('#hs-say', $words.Key::ENTER);
        $this->see('[data-at-step]', $then);
    }

    private function downloadedPath(string $name): string
    {
        $this->downloaded($name);

        return $this->folder().'/downloads/'.$name;
    }

    /** @return list<string> */
    private function order(): array
    {
        return array_values(array_map(static fn ($row): string => (string) $row->getAttribute('data-step'), $this->page->findElements(WebDriverBy::cssSelector('[data-book] > [data-row]'))));
    }
}
