<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\NoSuchElementException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\UnknownErrorException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverElement;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Path;
use Symfony\Component\Process\Process;

/** Drives the served application, on a database of its own, with a real browser. */
abstract class BrowserTestCase extends TestCase
{
    /** Seconds something may take on a machine that does much else; only a test that fails waits so long. */
    private const PATIENCE = 20;

    /** Microseconds between two looks at a page that something is waited for on: each look costs the browser. */
    private const BETWEEN_LOOKS = 80_000;

    protected static string $base = '';

    /** The browser that the tests share, one after another; each finds it as if it were new. */
    private static ?RemoteWebDriver $shared = null;

    /** @var list<RemoteWebDriver> those opened for one test alone */
    private array $open = [];

    protected RemoteWebDriver $page;

    public static function setUpBeforeClass(): void
    {
        $served = Served::running();
        $served->anew();
        self::$base = $served->base;
    }

    protected function setUp(): void
    {
        if (self::$shared === null) {
            self::$shared = $this->opened(null);
            Served::running()->atEnd(static fn () => self::$shared?->quit());
        }
        $this->page = self::$shared;
    }

    protected function tearDown(): void
    {
        if ($this->status()->isFailure() || $this->status()->isError()) {
            $failures = __DIR__.'/failures';
            is_dir($failures) || mkdir($failures);
            foreach ([$this->page, ...$this->open] as $i => $browser) {
                // What a run elsewhere prints is often all there is to see of it.
                fwrite(STDERR, "\n{$this->name()} ended at {$browser->getCurrentURL()}: ".mb_substr((string) preg_replace('/\s+/', ' ', $browser->findElement(WebDriverBy::tagName('body'))->getText()), 0, 300)."\n");
                $browser->takeScreenshot(Path::join($failures, $this->name().'-'.$i.'.png'));
            }
        }
        foreach ($this->open as $browser) {
            $browser->quit();
        }
        $this->open = [];
        $this->asNew();
    }

    /** Nothing of one test is left for the next: no page, no second window, nothing stored. */
    private function asNew(): void
    {
        try {
            $windows = self::$shared?->getWindowHandles() ?? [];
            foreach (array_slice($windows, 1) as $window) {
                self::$shared?->switchTo()->window($window)->close();
            }
            self::$shared?->switchTo()->window($windows[0] ?? '');
            // First the page goes, and with it what it has asked for and not yet got: an answer on its way brings the session's cookie back.
            self::$shared?->get('about:blank');
            $tools = new ChromeDevToolsDriver(self::$shared ?? throw new \LogicException('There is no browser.'));
            $tools->execute('Network.clearBrowserCookies');
            $tools->execute('Storage.clearDataForOrigin', ['origin' => self::$base, 'storageTypes' => 'all']);
            $tools->execute('Emulation.setEmulatedMedia', ['features' => []]);
            // What it has told so far is this test's.
            self::$shared->manage()->getLog('browser');
            self::$shared->manage()->window()->setSize(new WebDriverDimension(1280, 940));
        } catch (\Throwable) {
            // Where that does not go, the next test gets a new one.
            try {
                self::$shared?->quit();
            } catch (\Throwable) {
            }
            self::$shared = null;
        }
    }

    /** @param ?string $spoken a WAV file that the microphone hears, from its beginning */
    protected function browser(?string $spoken = null): RemoteWebDriver
    {
        return $this->open[] = $this->opened($spoken);
    }

    private function opened(?string $spoken): RemoteWebDriver
    {
        $options = new ChromeOptions;
        $options->addArguments(['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--force-prefers-reduced-motion', '--window-size=1280,940', '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream', '--user-data-dir='.$this->folder().'/profile-'.bin2hex(random_bytes(4))]);
        $options->addArguments($spoken === null ? [] : ['--use-file-for-fake-audio-capture='.$spoken]);
        $options->setExperimentalOption('prefs', ['download.default_directory' => $this->folder().'/downloads', 'download.prompt_for_download' => false]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $browser = RemoteWebDriver::create(Served::running()->driver, $capabilities, 20000, 30000);
        $browser->manage()->window()->setSize(new WebDriverDimension(1280, 940));

        return $browser;
    }

    protected function signIn(?RemoteWebDriver $page = null, string $who = 'specialist'): void
    {
        $page ??= $this->page;
        $this->until(function () use ($page): bool {
            $page->get(self::$base.'/sign-in');
            if (! str_ends_with($page->getCurrentURL(), '/sign-in')) {
                // A sound that was still on its way has signed us in again.
                $page->manage()->deleteAllCookies();
            }

            return $this->find('#email', $page)->isDisplayed();
        }, 'the form to sign in');
        $this->find('#email', $page)->sendKeys("{$who}@ringo.example");
        $this->find('#password', $page)->sendKeys('ringo-demo'.WebDriverKeys::ENTER);
        $this->see('h1', 'Board', $page);
    }

    protected function find(string $css, ?RemoteWebDriver $page = null): WebDriverElement
    {
        return ($page ?? $this->page)->findElement(WebDriverBy::cssSelector($css));
    }

    /** Waits until an element holds some words. */
    protected function see(string $css, string $words, ?RemoteWebDriver $page = null): void
    {
        $this->until(fn (): bool => str_contains($this->find($css, $page)->getText(), $words), "“{$words}” in {$css}");
        $this->addToAssertionCount(1);
    }

    /** @param callable(): bool $holds */
    protected function until(callable $holds, string $what): void
    {
        $end = microtime(true) + self::PATIENCE;
        do {
            try {
                if ($holds()) {
                    return;
                }
            } catch (ElementClickInterceptedException|ElementNotInteractableException|NoSuchElementException|StaleElementReferenceException) {
                // Not there yet.
            } catch (UnknownErrorException $gone) {
                // What the driver says of an element that is replaced while it is read, instead of calling it stale.
                if (! str_contains($gone->getMessage(), 'does not belong to the document')) {
                    throw $gone;
                }
            }
            usleep(self::BETWEEN_LOOKS);
        } while (microtime(true) < $end);
        self::fail('Not seen within '.self::PATIENCE." seconds: {$what}");
    }

    protected function click(string $css, ?RemoteWebDriver $page = null): void
    {
        $this->until(function () use ($css, $page): bool {
            $element = $this->find($css, $page);
            if (! $element->isDisplayed()) {
                return false;
            }
            try {
                $element->click();
            } catch (ElementClickInterceptedException) {
                // Under a bar that stays at the top: a person scrolls it out.
                ($page ?? $this->page)->executeScript('arguments[0].scrollIntoView({block: "center"})', [$element]);

                return false;
            }

            return true;
        }, "something to click at {$css}");
    }

    /** Presses keys at an element, once it takes them. */
    protected function keys(string $css, string $keys, ?RemoteWebDriver $page = null): void
    {
        $this->until(function () use ($css, $keys, $page): bool {
            $this->find($css, $page)->sendKeys($keys);

            return true;
        }, "something that takes keys at {$css}");
    }

    /** Puts words into a field in place of what is there. */
    protected function fill(string $css, string $words, ?RemoteWebDriver $page = null): void
    {
        $this->until(function () use ($css, $words, $page): bool {
            $field = $this->find($css, $page);
            $field->click();
            $field->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.$words);

            return true;
        }, "a field at {$css}");
    }

    /** Chooses an option by its value, as a person does in a list. */
    protected function choose(string $css, string $value, ?RemoteWebDriver $page = null): void
    {
        $this->until(function () use ($css, $value, $page): bool {
            (new WebDriverSelect($this->find($css, $page)))->selectByValue($value);

            return true;
        }, "{$value} in {$css}");
    }

    /** Types on the page, wherever the focus is; while it moves, the key is tried again. */
    protected function type(string $keys, ?RemoteWebDriver $page = null): void
    {
        $page ??= $this->page;
        $this->until(static function () use ($keys, $page): bool {
            $page->getKeyboard()->sendKeys($keys);

            return true;
        }, "a place to type {$keys}");
    }

    /** What runs beside the pages: the queue, and what sends deliveries. */
    protected function beside(string ...$command): void
    {
        (new Process([PHP_BINARY, 'artisan', ...$command], dirname(__DIR__, 2), Served::running()->env, null, 120.0))->mustRun();
    }

    protected function folder(): string
    {
        return Served::running()->folder;
    }

    /** The downloaded file whose name ends so. */
    protected function downloaded(string $ending): string
    {
        $found = [];
        $this->until(function () use ($ending, &$found): bool {
            $found = glob($this->folder().'/downloads/*'.$ending) ?: [];

            return $found !== [];
        }, "a downloaded file *{$ending}");

        return (string) file_get_contents($found[0]);
    }
}
