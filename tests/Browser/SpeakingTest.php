<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;
use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/** A caller speaks into the microphone of the handset: a yes, a day and digits, each spoken by a voice of this machine. */
final class SpeakingTest extends BrowserTestCase
{
    protected function setUp(): void
    {
        foreach (['pocketsphinx_continuous', 'flite', 'sox'] as $program) {
            if ((new ExecutableFinder)->find($program) === null) {
                self::markTestSkipped("{$program} is not installed");
            }
        }
        parent::setUp();
    }

    public function testADayAYesAndDigitsAreSpoken(): void
    {
        $this->speaks('next tuesday', ['I want to hire a mini digger'], 'day');
        $this->see('[data-last-caller]', 'next tuesday');
        $this->see('[data-trace]', 'what the step waits for');
        $this->see('[data-at-step]', 'hire_length');
        $this->speaks('yes please', ['I want to hire a mini digger', 'next Tuesday', 'three days', 'Oldmere'], 'yes');
        $this->see('[data-last-caller]', 'yes please');
        $this->speaks('zero one six three two nine', ['I want to extend a hire'], 'digits');
        $this->see('[data-last-caller]', 'zero one six three two nine');
    }

    /** @param list<string> $before typed until the step is reached */
    private function speaks(string $words, array $before, string $name): void
    {
        $file = $this->folder()."/{$name}.wav";
        (new Process(['flite', '-voice', 'slt', '--setf', 'duration_stretch=1.2', '-t', $words, '-o', $file.'.raw.wav']))->mustRun();
        // What comes after is silence, so that the words are not heard a second time.
        (new Process(['sox', $file.'.raw.wav', '-r', '48000', '-c', '1', '-b', '16', $file, 'pad', '2', '20']))->mustRun();
        $seconds = (int) ceil(filesize($file.'.raw.wav') / 32_000) + 3;
        $this->page = $this->browser($file);
        $this->signIn();
        $this->type('r');
        $this->click('[data-setup] [name=caller][value=unknown]');
        $this->click('[data-setup] [type=submit]');
        foreach ($before as $line) {
            $this->keys('[data-say] input', $line.Key::ENTER);
            $this->see('[data-last-caller]', $line);
        }
        $this->click('[data-speak]');
        // A machine that stands still for a moment passes over a second.
        $this->until(fn (): bool => (int) preg_replace('/\D+/', '', $this->find('[data-speak-label]')->getText()) >= $seconds, "{$seconds} seconds of speaking");
        $this->click('[data-speak]');
        $this->see('[data-speak-label]', 'Speak');
    }
}
