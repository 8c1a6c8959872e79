<?php

declare(strict_types=1);

namespace Tests\Core\Knowledge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Knowledge\Library;
use Ringo\Knowledge\Reading\Pdf;
use Ringo\Knowledge\Reading\UnreadableSource;

/** Files that unfold, nest or repeat without end are told so within seconds; sound ones beside them are read. */
final class HostileFilesTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> */
    public static function files(): iterable
    {
        yield 'parts within parts' => ['a.html', '<html><body>'.str_repeat('<div>', 100_000).'x', 'nested more than'];
        yield 'marks within marks' => ['a.html', str_repeat('<b><i>', 50_000).'x', 'nested more than'];
        yield 'a table of a million rows' => ['a.csv', "a,b,c\n".str_repeat("1,2,3\n", 1_000_000), 'more than 20,000 rows'];
        yield 'a heading of a megabyte' => ['a.csv', str_repeat('x', 1_700_000)."\n1\n", 'at least two columns'];
        yield 'a PDF that unfolds' => ['a.pdf', self::pdf((string) gzcompress(str_repeat(' ', 400_000_000), 9), '/Filter/FlateDecode'), 'PDF'];
        yield 'a PDF of endless lines' => ['a.pdf', self::pdf((string) gzcompress(str_repeat("BT (aaaa) Tj ET\n", 1_500_000), 9), '/Filter/FlateDecode'), 'PDF'];
        yield 'no PDF at all' => ['a.pdf', '%PDF-1.4 and nothing', 'cannot be read'];
        yield 'bytes' => ['a.txt', "\0\0\0", 'not text'];
    }

    #[DataProvider('files')]
    public function testWhatCannotBeReadIsToldInTime(string $name, string $bytes, string $words): void
    {
        $began = microtime(true);
        try {
            (new Library)->read($name, $bytes);
            self::fail('it was read');
        } catch (UnreadableSource $problem) {
            self::assertStringContainsString($words, $problem->getMessage());
            self::assertStringContainsString($name, $problem->getMessage());
        }
        self::assertLessThan(Pdf::SECONDS + 2, microtime(true) - $began);
    }

    public function testWhatIsSoundIsReadAllTheSame(): void
    {
        $document = (new Library)->read('hours.pdf', self::pdf('BT /F1 12 Tf 20 200 Td (Closed on Sundays and bank holidays.) Tj ET'));
        self::assertStringContainsString('Closed on Sundays', (string) json_encode($document));
        $page = '<html><body>'.str_repeat('<div><section>', 60).'<p>Open<br>all day<p>Every day<ul><li>one<li>two</ul>'.str_repeat('</section></div>', 60);
        self::assertStringContainsString('Every day', (string) json_encode((new Library)->read('a.html', $page)));
    }

    private static function pdf(string $stream, string $filter = ''): string
    {
        $objects = ['<</Type/Catalog/Pages 2 0 R>>', '<</Type/Pages/Kids[3 0 R]/Count 1>>', '<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 300]/Contents 4 0 R/Resources<</Font<</F1 5 0 R>>>>>>', "<<{$filter}/Length ".strlen($stream).">>\nstream\n{$stream}\nendstream", '<</Type/Font/Subtype/Type1/BaseFont/Helvetica/Encoding/WinAnsiEncoding>>'];
        $pdf = "%PDF-1.4\n";
        $places = [];
        foreach ($objects as $n => $object) {
            $places[] = strlen($pdf);
            $pdf .= ($n + 1)." 0 obj\n{$object}\nendobj\n";
        }
        $table = strlen($pdf);
        $pdf .= "xref\n0 6\n0000000000 65535 f \n".implode('', array_map(static fn (int $at): string => sprintf("%010d 00000 n \n", $at), $places));

        return $pdf."trailer\n<</Size 6/Root 1 0 R>>\nstartxref\n{$table}\n%%EOF";
    }
}
