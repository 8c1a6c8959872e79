<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use App\Support\Book\StepForms;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Design\References;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Steps\AskingRunner;
use Ringo\Dialogue\Steps\Runners;
use Ringo\Dialogue\Wiring;
use Ringo\Format\VoiceXml\VoiceXml;
use Ringo\Inspection\Design;
use Ringo\Inspection\Inspector;
use Ringo\Language\Vocabulary;
use Ringo\Script\ScriptSchema;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepKinds;

/** What every kind of step must have; docs/steps.md tells the same in words. A kind that lacks a part fails here, by name. */
final class StepKindsTest extends TestCase
{
    private const VIEWS = '/resources/views/parts/book/edit-%s.blade.php';

    #[DataProvider('kinds')]
    public function testABlankOneCanBeReadInspectedRunAndWritten(string $name, StepKind $kind): void
    {
        $document = self::withBlank($name);
        $step = $document->script->step('blank');
        self::assertSame($name, $step->kind());
        self::assertNotSame('', $kind->does());
        self::assertNotSame('', $kind->silent());
        // Inspection: its lines, its ways and what it sets are there without knowing its kind.
        (new Inspector)->inspect($document);
        self::assertGreaterThanOrEqual(0.0, (new Design($document, Vocabulary::of()))->seconds($step->prompt()));
        // Every way it has in the document is a way of the step, and the other way round.
        self::assertSame([], array_diff(array_column($step->exits(), 'to'), (new References)->targets($document->step('blank'))), 'ways that renaming would miss');
        $this->runs($document, $step);
        self::assertArrayHasKey($name, VoiceXml::writers(), 'a VoiceXML writer');
        $xml = new \DOMDocument;
        self::assertTrue($xml->loadXML((new VoiceXml)->write($document->script)));
        self::assertStringContainsString('id="blank"', (new VoiceXml)->write($document->script));
    }

    #[DataProvider('kinds')]
    public function testThePromptBookHasAFormAndAnswersForIt(string $name, StepKind $kind): void
    {
        self::assertContains($name, StepForms::kinds(), 'a page of the prompt book');
        self::assertFileExists(dirname(__DIR__, 3).sprintf(self::VIEWS, $name));
        $document = self::withBlank($name);
        $answers = StepForms::of($name)->answers($document->script->step('blank'), $document->script);
        self::assertNotSame([], $answers);
        $form = (string) file_get_contents(dirname(__DIR__, 3).sprintf(self::VIEWS, $name));
        foreach (array_diff($kind->keys()->order(), StepForms::of($name)->untouched()) as $key) {
            self::assertMatchesRegularExpression('/'.preg_quote($key, '/').'|book\.way-out|reprompts/', $form, "the form shows “{$key}”");
        }
    }

    #[DataProvider('kinds')]
    public function testTheSchemaTakesWhatTheReaderTakes(string $name): void
    {
        $document = self::withBlank($name);
        $schema = (new ScriptSchema)->toJson();
        self::assertTrue((new Validator)->validate(json_decode($document->toJson()), $schema)->isValid());
        $broken = json_decode($document->toJson());
        self::assertInstanceOf(\stdClass::class, $broken);
        foreach ($broken->steps as $step) {
            $step->colour = 'green';
        }
        self::assertFalse((new Validator)->validate($broken, $schema)->isValid());
    }

    public function testThePublishedSchemaIsTheOneTheKindsMake(): void
    {
        self::assertSame((new ScriptSchema)->toJson(), (string) file_get_contents(dirname(__DIR__, 3).'/docs/formats/script.schema.json'), 'write it anew with php tools/script-schema.php');
    }

    public function testAVerificationIsNeverPassedByInAnExport(): void
    {
        $document = self::withBlank('verify');
        $xml = (new VoiceXml)->write($document->script);
        self::assertStringContainsString('error.unsupported.verify', $xml);
        self::assertArrayHasKey('blank', (new VoiceXml)->refused($document->script));
        $form = substr($xml, (int) strpos($xml, 'id="blank"'));
        self::assertStringNotContainsString('<goto', substr($form, 0, (int) strpos($form, '</form>')));
    }

    public function testTheDocsNameEveryKind(): void
    {
        $docs = (string) file_get_contents(dirname(__DIR__, 3).'/docs/steps.md').(string) file_get_contents(dirname(__DIR__, 3).'/docs/formats/script.md');
        foreach ((new StepKinds)->all() as $name => $kind) {
            self::assertStringContainsString("`{$name}`", $docs);
            foreach ($kind->keys()->order() as $key) {
                self::assertStringContainsString("`{$key}`", $docs, "the key {$key} of {$name}");
            }
        }
    }

    /** @return iterable<string, array{string, StepKind}> */
    public static function kinds(): iterable
    {
        foreach ((new StepKinds)->all() as $name => $kind) {
            yield $name => [$name, $kind];
        }
    }

    private static function withBlank(string $name): ScriptDocument
    {
        $base = ScriptDocument::fromArray([
            'agent' => ['name' => 'Wren', 'business' => 'Pellbrook Hire'],
            'sheet' => ['type' => 'object', 'properties' => ['first' => ['type' => 'string', 'title' => 'First'], 'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day']]],
            'first' => 'ask_it',
            'steps' => [['key' => 'ask_it', 'kind' => 'ask', 'field' => 'first', 'prompt' => 'What is it?', 'next' => 'bye'], ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.']],
        ]);
        [$document] = $base->inserted('ask_it', $name, 'blank');

        return $document;
    }

    private function runs(ScriptDocument $document, Step $step): void
    {
        $wiring = new \ReflectionProperty(Engine::class, 'parts');
        $parts = $wiring->getValue(Engine::for($document->script));
        self::assertInstanceOf(Wiring::class, $parts);
        $walker = new \ReflectionProperty($parts->walker, 'runners');
        $runners = $walker->getValue($parts->walker);
        self::assertInstanceOf(Runners::class, $runners);
        self::assertContains($step->kind(), $runners->kinds(), 'a runner');
        self::assertSame($step->waits(), $runners->of($step) instanceof AskingRunner, 'a step that waits has a runner that takes answers');
    }
}
