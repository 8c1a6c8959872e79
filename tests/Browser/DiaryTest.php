<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverKeys;

/** The diary by hand and by telephone: an appointment agreed in a call, moved in another, dragged and moved by keys. */
final class DiaryTest extends BrowserTestCase
{
    public function testACallIsRefusedTheBreakTakesTheSecondOfferAndMovesItInAnother(): void
    {
        $this->signIn();
        $tuesday = new \DateTimeImmutable('tuesday', new \DateTimeZone('Europe/London'));
        $tuesday = $tuesday->modify('+7 days');
        $this->page->get(self::$base.'/harrowell/agents/isolde/prompt-book');
        $this->ring('07700 900611');
        $this->say("I'd like my upright tuned on {$tuesday->format('l \t\h\e jS \o\f F')} at half twelve please", 'Whereabouts');
        $this->say('the coast', 'your name');
        $this->say('Ottilie Marsh', 'there is a break at that hour');
        $this->say('the second one', 'Shall I put you in?');
        $this->say('yes', 'you are in');
        $this->say("no that's all thanks", 'Goodbye');
        $this->seeBooking($tuesday, 'Ottilie Marsh');

        $this->ring('07700 900611');
        $this->say('I need to move my appointment', 'instead');
        $this->say("{$tuesday->modify('+2 days')->format('l \t\h\e jS \o\f F')}, in the morning", 'o');
        $this->say('the first one', 'Shall I');
        $this->say('yes', 'moved');
        $this->say("no that's all thanks", 'Goodbye');
        $this->seeBooking($tuesday->modify('+2 days'), 'Ottilie Marsh');
        $this->click('.diary-bar.rehearsed[aria-label*="Ottilie Marsh"]');
        $this->see('#said-title', 'What was said');
    }

    public function testTwoHandsetsAfterOnePlaceAndAHangUpThatFreesIt(): void
    {
        $this->signIn();
        $other = $this->browser();
        $this->signIn($other, 'owner');
        $day = new \DateTimeImmutable('tuesday +42 days', new \DateTimeZone('Europe/London'));
        $wish = "my grand piano in the vale wants tuning, on {$day->format('l \t\h\e jS \o\f F')} at ten, with Mina";
        foreach ([[$this->page, '07700 900613', 'Ines Corrigan', 'Shall I'], [$other, '07700 900614', 'Bram Tolliver', 'Nearest']] as [$page, $number, $name, $answer]) {
            $page->get(self::$base.'/harrowell/agents/isolde/prompt-book');
            $this->ring($number, $page);
            $this->say($wish, 'your name', $page);
            $this->say($name, $answer, $page);
        }
        $this->click('[data-hang-up]');
        $this->see('[data-outcome]', 'hung up');
        $this->say("ten o'clock with Mina, I could do nothing else", 'ten o', $other);
        $this->say('yes', 'you are in', $other);
    }

    public function testABookingIsMadeDraggedAndMovedByKeys(): void
    {
        $this->signIn();
        $day = new \DateTimeImmutable('tuesday +42 days');
        $this->page->get(self::$base.'/harrowell/diary?service=look&day='.$day->format('Y-m-d'));
        $this->click('[data-free][data-free-diary=greer]');
        $start = (string) $this->find('[data-booking-form] [name=start]')->getAttribute('value');
        $this->fill('[data-booking-form] [name=name]', 'Wendel Ashby');
        $this->fill('[data-booking-form] [name=number]', '07700 900612');
        $this->click('[data-booking-form] button.primary');
        $bar = '.diary-bar[aria-label*="Wendel Ashby"]';
        $this->see('.notice', 'Booked for Wendel Ashby');

        // Dragged into the afternoon: what is told comes first, and nothing has moved until it is agreed.
        $minute = (int) $this->find($bar)->getAttribute('data-minute');
        $scale = (float) $this->find('[data-diary]')->getAttribute('data-scale');
        $this->page->action()->moveToElement($this->find($bar))->clickAndHold()->moveByOffset((int) round(300 * $scale), 0)->release()->perform();
        $this->see('[data-move-words]', 'The text to the caller');
        $this->click('[data-move-go]');
        $this->until(fn (): bool => (int) $this->find($bar)->getAttribute('data-minute') > $minute + 240, 'the bar in the afternoon');

        // Undone, then moved by keys.
        $this->click('form.notice button');
        $this->until(fn (): bool => (int) $this->find($bar)->getAttribute('data-minute') === $minute, "the bar where it began, {$start}");
        $this->keys($bar, str_repeat(WebDriverKeys::ARROW_RIGHT, 4).WebDriverKeys::ENTER);
        $this->click('[data-move-go]');
        $this->until(fn (): bool => (int) $this->find($bar)->getAttribute('data-minute') === $minute + 60, 'the bar an hour later');
    }

    private function ring(string $number, ?RemoteWebDriver $page = null): void
    {
        $this->until(function () use ($page): bool {
            $this->type('r', $page);

            return $this->find('input[name=caller]', $page)->isDisplayed();
        }, 'the handset');
        $this->click('input[name=caller][value=unknown]', $page);
        $this->fill('#hs-number', $number, $page);
        $this->click('[data-setup] button[type=submit]', $page);
        $this->see('[data-last-agent]', 'What can I do for you?', $page);
    }

    private function say(string $line, string $answer, ?RemoteWebDriver $page = null): void
    {
        $this->keys('#hs-say', $line.WebDriverKeys::ENTER, $page);
        $this->see('[data-last-caller]', $line, $page);
        $this->see('[data-last-agent]', $answer, $page);
    }

    private function seeBooking(\DateTimeImmutable $day, string $name): void
    {
        $this->page->get(self::$base.'/harrowell/diary?rehearsals=1&day='.$day->format('Y-m-d'));
        $this->see('.diary-list', "{$name} a tuning (rehearsed)");
    }
}
