<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Which way dependencies may point; checked by static analysis. */
final class DependencyTest
{
    /**
     * What each part of the core may use of the others, from what knows nothing to what knows most. Nothing stands in a circle.
     *
     * @var array<string, list<string>>
     */
    public const MAY_USE = [
        'Value' => [],
        'Advice' => [],
        'Capacity' => [],
        'Statistics' => [],
        'Document' => [],
        'Delivery' => [],
        'Language' => [],
        'Numbering' => [],
        'Transcript' => [],
        'Sheet' => ['Value', 'Document'],
        'Speech' => ['Language', 'Numbering', 'Value'],
        'Understanding' => ['Language', 'Numbering', 'Value'],
        'Errand' => ['Document', 'Numbering', 'Value'],
        'Diary' => ['Document', 'Language', 'Understanding'],
        'Brief' => ['Diary', 'Document'],
        'Outreach' => ['Diary', 'Document', 'Numbering'],
        'Fit' => ['Language', 'Understanding'],
        'Recognition' => ['Numbering'],
        'Trade' => ['Document', 'Fit', 'Sheet', 'Value'],
        'Script' => ['Brief', 'Document', 'Sheet', 'Speech', 'Value'],
        'Survey' => ['Document', 'Speech', 'Statistics'],
        'Design' => ['Document', 'Script'],
        'Transfer' => ['Document', 'Fit', 'Language', 'Numbering', 'Script'],
        'Line' => ['Brief', 'Diary', 'Document', 'Transfer'],
        'Inspection' => ['Brief', 'Delivery', 'Design', 'Diary', 'Document', 'Errand', 'Language', 'Numbering', 'Script', 'Speech', 'Value'],
        'Format' => ['Document', 'Language', 'Script', 'Sheet', 'Speech', 'Transcript', 'Value'],
        'Dialogue' => ['Advice', 'Diary', 'Errand', 'Fit', 'Language', 'Numbering', 'Script', 'Sheet', 'Speech', 'Transfer', 'Understanding', 'Value'],
        'Knowledge' => ['Fit', 'Language', 'Speech', 'Understanding', 'Value', 'Dialogue\Ports'],
        'Extraction' => ['Advice', 'Dialogue', 'Fit', 'Language', 'Numbering', 'Script', 'Sheet', 'Speech', 'Transcript', 'Understanding', 'Value'],
        'Figures' => ['Dialogue', 'Script'],
        'Rehearsal' => ['Advice', 'Dialogue', 'Diary', 'Document', 'Errand', 'Figures', 'Language', 'Outreach', 'Script', 'Sheet', 'Value', 'Speech', 'Statistics', 'Transcript'],
    ];

    public function testTheCoreKnowsNoFramework(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Ringo'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'), Selector::inNamespace('Symfony'), Selector::inNamespace('Carbon'))
            ->because('the rules of the job are tested and run on their own');
    }

    /** @return iterable<string, Rule> */
    public function testEachPartOfTheCoreKnowsOnlyWhatItMay(): iterable
    {
        foreach (self::MAY_USE as $part => $others) {
            $mayNot = array_map(static fn (string $other) => Selector::inNamespace('Ringo\\'.$other), array_diff(array_keys(self::MAY_USE), [$part, ...$others]));
            $may = array_map(static fn (string $other) => Selector::inNamespace('Ringo\\'.$other), array_filter($others, static fn (string $other): bool => str_contains($other, '\\')));

            yield $part => PHPat::rule()
                ->classes(Selector::inNamespace('Ringo\\'.$part))
                ->shouldNotDependOn()
                ->classes(...array_values($mayNot))
                ->excluding(...array_values($may))
                ->because("what {$part} may use stands in the table of this test");
        }
    }
}
