<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;

/** Controls stand under their words in one way: <x-field>; choices between plain values are <x-choice>. */
final class ViewSourceTest extends TestCase
{
    /** Labels that hold more than words: what a slider stands at, and what may stay empty. */
    private const HOLD_MORE = 3;

    public function testFieldsAreWrittenAsComponents(): void
    {
        $bare = 0;
        foreach (self::views() as $view) {
            $bare += str_ends_with($view, 'components/field.blade.php') ? 0 : substr_count((string) file_get_contents($view), '<label class="field-label');
        }
        self::assertSame(self::HOLD_MORE, $bare);
    }

    public function testEveryOpenedFieldIsClosed(): void
    {
        foreach (self::views() as $view) {
            $text = (string) file_get_contents($view);
            self::assertSame(substr_count($text, '<x-field'), substr_count($text, '</x-field>'), $view);
        }
    }

    /** @return list<string> */
    private static function views(): array
    {
        $views = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__, 2).'/resources/views', \FilesystemIterator::SKIP_DOTS)) as $file) {
            $views[] = (string) $file;
        }
        self::assertNotSame([], $views);

        return $views;
    }
}
