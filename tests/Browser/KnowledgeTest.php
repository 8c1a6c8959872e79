<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** Knowledge: asked at the bench, checks kept, a correction that mends one, a page that changed since it was fetched. */
final class KnowledgeTest extends BrowserTestCase
{
    public function testTheBenchKeepsChecksAndACorrectionMendsOne(): void
    {
        $this->signIn();
        $this->click('.rail a[href$="/knowledge"]');
        $this->see('h1', 'Knowledge');
        $this->click('.knowledge-add summary');
        $this->fill('.knowledge-add [name="name"]', 'yard rules');
        $this->fill('.knowledge-add [name="text"]', "# Yard rules\n\n## Children\n\nChildren under twelve stay in the office.\n");
        $this->click('.knowledge-add button.primary');
        $this->see('h1', 'yard-rules.md');
        $this->click('.rail a[href$="/knowledge"]');

        $this->click('.head a[href$="/bench"]');
        $this->fill('#b-q', 'where do children have to stay');
        $this->type(Key::ENTER);
        $this->see('.bench-answer', 'Children under twelve stay in the office.');
        $this->see('tr.won', 'yard-rules.md');
        $this->see('tr.won', 'child');
        $this->fill('#c-holds', 'visitors hut');
        $this->type(Key::ENTER);
        $this->see('.check-line:has(a[href*="where+do+children"]) .what, .check-line:has(a[href*="where%20do%20children"]) .what', 'fails');

        // What is wrong is put right where it is written; the check says so.
        $this->click('.rail a[href$="/knowledge"]');
        $this->page->executeScript('[...document.querySelectorAll("tr[data-row]")].find((row) => row.textContent.includes("yard-rules.md")).querySelector("a, td").click()');
        $this->see('h1', 'yard-rules.md');
        $this->fill('.source-text', "# Yard rules\n\n## Children\n\nChildren under twelve stay in the visitors hut.\n");
        $this->click('.source-body button.primary');
        $this->see('.came', 'visitors hut');
        $this->see('.gone', 'office');
        $this->click('.rail a[href$="/knowledge"]');
        $this->click('.head a[href$="/bench"]');
        $this->see('.check-line:has(a[href*="where+do+children"]) .what, .check-line:has(a[href*="where%20do%20children"]) .what', 'better');

        // Not written anywhere: refused, with what can be done instead.
        $this->fill('#b-q', 'do you repair wristwatches');
        $this->type(Key::ENTER);
        $this->see('#said-title', 'It would not answer');
    }

    public function testAPageThatChangedShowsWhatChanged(): void
    {
        $this->signIn();
        $this->click('.rail a[href$="/knowledge"]');
        $this->fill('input[name="url"]', 'https://www.elsewhere.example/page.html');
        $this->type(Key::ENTER);
        $this->see('[role="alert"]', 'Pages of www.elsewhere.example may not be fetched');
        $this->fill('input[name="url"]', 'https://www.pellbrook.example/news.html');
        $this->type(Key::ENTER);
        $this->see('h1', 'news.html');

        $root = dirname(__DIR__, 2);
        $folder = $root.'/storage/app/site/www.pellbrook.example';
        is_dir($folder) || mkdir($folder, 0o777, true);
        $page = (string) file_get_contents($root.'/database/demo/site/www.pellbrook.example/news.html');
        file_put_contents($folder.'/news.html', str_replace('£140', '£155', $page));
        try {
            $this->click('.head form[action$="/fetch"] button');
            $this->see('.came', '£155');
            $this->see('.gone', '£140');
        } finally {
            unlink($folder.'/news.html');
        }
    }
}
