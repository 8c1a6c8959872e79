<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Which way dependencies may point; checked by static analysis. */
final class DependencyTest
{
    public function testTheCoreKnowsNoFramework(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Ringo'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'), Selector::inNamespace('Symfony'), Selector::inNamespace('Carbon'))
            ->because('the rules of the job are tested and run on their own');
    }

    public function testUnderstandingKnowsOnlyWordsNumbersAndValues(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Ringo\Understanding'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('Ringo\Understanding'), Selector::inNamespace('Ringo\Language'), Selector::inNamespace('Ringo\Numbering'), Selector::inNamespace('Ringo\Value'), Selector::classname('/^[A-Za-z]+$/', true))
            ->because('readers are used by everything and must not know it');
    }

    public function testSpeechKnowsOnlyWordsNumbersAndValues(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Ringo\Speech'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('Ringo\Speech'), Selector::inNamespace('Ringo\Language'), Selector::inNamespace('Ringo\Numbering'), Selector::inNamespace('Ringo\Value'), Selector::classname('/^[A-Za-z]+$/', true))
            ->because('what is said must not depend on how a call runs');
    }

    public function testScriptsDoNotKnowTheDialogue(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Ringo\Script'), Selector::inNamespace('Ringo\Sheet'), Selector::inNamespace('Ringo\Document'), Selector::inNamespace('Ringo\Language'), Selector::inNamespace('Ringo\Numbering'), Selector::inNamespace('Ringo\Value'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('Ringo\Dialogue'), Selector::inNamespace('Ringo\Extraction'), Selector::inNamespace('Ringo\Rehearsal'), Selector::inNamespace('Ringo\Understanding'))
            ->because('a design is data; what runs it points at it');
    }

    public function testTheDialogueDoesNotKnowWhatComesAfter(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Ringo\Dialogue'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('Ringo\Extraction'), Selector::inNamespace('Ringo\Rehearsal'), Selector::inNamespace('Ringo\Format'), Selector::inNamespace('Ringo\Recognition'))
            ->because('records, rehearsals and formats are made from a call, not needed to hold it');
    }
}
