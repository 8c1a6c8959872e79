<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverDimension;

/** Every main page for whoever does not see, sees little, or looks from a telephone: held to axe-core's rules in light and dark, and at 390 wide. */
final class PagesTest extends BrowserTestCase
{
    private const PAGES = [
        'pellbrook', 'pellbrook/calls', 'pellbrook/records', 'pellbrook/desk', 'pellbrook/brief', 'pellbrook/agents', 'pellbrook/knowledge', 'pellbrook/agents/maren/prompt-book', 'pellbrook/agents/maren', 'pellbrook/agents/maren/casebook',
        'pellbrook/lines', 'pellbrook/callers', 'pellbrook/diary', 'quillmoor/outreach/collection-days', 'quillmoor/outreach/surveys/how-was-your-linen', 'quillmoor/outreach/surveys/new', 'pellbrook/figures', 'pellbrook/capacity', 'pellbrook/post', 'pellbrook/interface', 'pellbrook/adviser', 'pellbrook/errands', 'pellbrook/there-is-no-such-page',
    ];

    /** Of these every colour of ours is on one. */
    private const DARK = ['pellbrook/records', 'pellbrook/lines', 'pellbrook/diary', 'quillmoor/outreach/surveys/how-was-your-linen', 'pellbrook/capacity'];

    private const PHONE = ['pellbrook', 'pellbrook/desk', 'pellbrook/calls', 'pellbrook/records'];

    /** Bars name what they stand for in full; the words in them are cut to what fits. */
    private const NOT = ['label-content-name-mismatch'];

    public function testNoPageBreaksARuleInLightOrDark(): void
    {
        $axe = (string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js');
        $this->signIn();
        $broken = [];
        // Dark changes colours and nothing else.
        foreach (['light' => ['resultTypes' => ['violations'], 'rules' => array_fill_keys(self::NOT, ['enabled' => false])], 'dark' => ['resultTypes' => ['violations'], 'runOnly' => ['type' => 'rule', 'values' => ['color-contrast']]]] as $theme => $options) {
            (new ChromeDevToolsDriver($this->page))->execute('Emulation.setEmulatedMedia', ['features' => [['name' => 'prefers-color-scheme', 'value' => $theme]]]);
            foreach ($theme === 'dark' ? self::DARK : self::PAGES as $path) {
                $this->page->get(self::$base.'/'.$path);
                $this->page->executeScript($axe.';window.axe = axe;');
                $found = json_decode((string) $this->page->executeAsyncScript('const done = arguments[arguments.length - 1]; axe.run(document, '.json_encode($options, JSON_THROW_ON_ERROR).').then((r) => done(JSON.stringify(r.violations.map((v) => `${v.id}: ${v.nodes[0].html.slice(0, 160)}`))));'), true);
                array_push($broken, ...array_map(static fn (string $one): string => "{$theme} {$path}: {$one}", $found));
            }
        }
        self::assertSame([], $broken);
    }

    public function testNothingLiesOverAnythingOnATelephone(): void
    {
        $this->signIn();
        $this->page->manage()->window()->setSize(new WebDriverDimension(390, 844));
        foreach (self::PHONE as $path) {
            $this->page->get(self::$base.'/'.$path);
            self::assertLessThanOrEqual(390, $this->page->executeScript('return document.documentElement.scrollWidth'), "{$path} is wider than the screen");
            $over = $this->page->executeScript("const parts = [...document.querySelectorAll('.topbar .brand, .topbar .where > *, .topbar .tools > *')].filter((e) => e.offsetParent !== null).map((e) => e.getBoundingClientRect()); return parts.some((a, i) => parts.some((b, k) => k > i && a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1));");
            self::assertFalse($over, "{$path}: parts of the top bar lie over one another");
        }
    }
}
