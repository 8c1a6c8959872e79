<?php

declare(strict_types=1);

namespace Tests\Core\Errand;

use App\StandIns\Accounts;
use App\StandIns\Parcels;
use App\StandIns\Yard;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Errand\AnswerReader;
use Ringo\Errand\Errands;
use Ringo\Errand\OpenApi\Conformity;
use Ringo\Errand\OpenApi\Description;
use Ringo\Errand\OpenApi\Operation;
use Ringo\Errand\OpenApi\Writer;
use Ringo\Errand\Reply;
use Ringo\Errand\Values;

/** Errands from what a system tells of itself, and what a business tells of its errands. */
final class OpenApiTest extends TestCase
{
    public function test_every_operation_of_the_stand_ins_makes_an_errand_that_reads_their_answers(): void
    {
        $reader = new AnswerReader(new Values(new \DateTimeZone('Europe/London')));
        foreach ([new Yard, new Accounts, new Parcels] as $system) {
            $data = $system->data(new \DateTimeImmutable('2026-03-10'));
            foreach (self::of($system->describes())->operations() as $operation) {
                $errand = $operation->errand();
                self::assertNotSame([], $errand->values);
                self::assertSame($operation->method !== 'GET', $errand->changes);
                // What it makes up of the schema it reads itself.
                self::assertContains($reader->json($errand, json_decode((string) json_encode($operation->sample()), true))->status, [Reply::FOUND, Reply::SEVERAL], $operation->key);
                // And it reads what the system really answers.
                $given = ['number' => 'PH4711', 'phone' => '+447700900123', 'until' => '2026-03-20', 'depot' => 'Oldmere', 'bag' => 'Q81'];
                $delivery = $operation->key === 'get_delivery' ? ['number' => 'PH4731'] + $given : $given;
                $filled = $errand->request?->filled($delivery);
                self::assertNotNull($filled);
                $answer = $system->answer($filled->method, (string) parse_url($filled->url, PHP_URL_PATH), array_intersect_key($filled->query, ['phone' => 1, 'depot' => 1]), $filled->body ?? [], $data);
                self::assertSame($operation->key === 'raise_alarm' ? 201 : 200, $answer[0], $operation->key);
                self::assertContains($reader->json($errand, json_decode((string) json_encode($answer[1]), true))->status, [Reply::FOUND, Reply::SEVERAL], $operation->key);
            }
        }
    }

    public function test_what_breaks_the_format_is_told_with_its_place(): void
    {
        $document = (new Yard)->describes();
        $json = static fn (array $document): string => (string) json_encode($document);
        self::assertSame([], (new Conformity)->faults($json($document)));
        self::assertSame([], (new Conformity)->faults($json(['openapi' => '3.0.3'] + $document)));
        unset($document['info']['title']);
        $document['paths']['/hires']['get']['parameters'][0]['in'] = 'nowhere';
        foreach (['3.1.0', '3.0.3'] as $version) {
            $faults = implode("\n", (new Conformity)->faults($json(['openapi' => $version] + $document)));
            self::assertStringContainsString('/info: the required properties (title) are missing', $faults);
            self::assertStringContainsString('/paths/~1hires/get/parameters/0/in', $faults);
        }
        self::assertSame([], (new Conformity)->faults('no JSON'));
        self::assertSame([], (new Conformity)->faults('{"openapi":"2.0"}'));
    }

    public function test_names_types_and_security_are_taken_over(): void
    {
        $operations = self::of((new Yard)->describes())->operations();
        self::assertSame(['get_hire', 'list_hires', 'extend_hire', 'get_stock', 'get_delivery', 'raise_alarm'], array_keys($operations));
        $extend = $operations['extend_hire']->errand()->toArray();
        self::assertSame(['until' => '{until}'], $extend['request']['body'] ?? null);
        self::assertSame(['reference', 'date'], array_column($extend['parameters'], 'type'));
        self::assertSame('bearer', $extend['secret']['how'] ?? null);
        $hire = $operations['get_hire']->errand();
        self::assertSame('money', $hire->sought('rate')?->type->value);
        self::assertSame('hire.lines[0].item', $hire->sought('item')?->path);
        self::assertSame('hires', $operations['list_hires']->errand()->list);
    }

    /** @return iterable<string, array{string, string}> document, words of the complaint */
    public static function refused(): iterable
    {
        yield 'no JSON' => ['openapi: 3.1.0', 'not JSON'];
        yield 'an older kind' => ['{"swagger":"2.0","paths":{}}', 'Swagger 2'];
        yield 'a later kind' => ['{"openapi":"4.0.0","paths":{}}', '4.0.0'];
        yield 'nowhere to ask' => ['{"openapi":"3.0.3","paths":{"/a":{"get":{}}}}', 'no server'];
        yield 'nothing in it' => ['{"openapi":"3.0.3","paths":{}}', 'no paths'];
        yield 'a reference elsewhere' => ['{"openapi":"3.0.3","paths":{"/a":{"get":{"responses":{"200":{"$ref":"other.json#/x"}}}}}}', 'outside'];
        yield 'a reference to nothing' => ['{"openapi":"3.0.3","paths":{"/a":{"get":{"responses":{"200":{"$ref":"#/components/responses/X"}}}}}}', 'not in the document'];
        yield 'a reference to itself' => ['{"openapi":"3.0.3","paths":{"/a":{"get":{"parameters":[{"$ref":"#/components/parameters/P"}]}}},"components":{"parameters":{"P":{"$ref":"#/components/parameters/P"}}}}', 'itself'];
    }

    #[DataProvider('refused')]
    public function test_what_cannot_be_read_is_told(string $document, string $words): void
    {
        $this->expectException(\DomainException::class);
        $this->expectExceptionMessageMatches('/'.preg_quote($words, '/').'/');
        Description::of($document)->operations();
    }

    public function test_schemas_that_hold_each_other_end(): void
    {
        $document = ['openapi' => '3.0.3', 'servers' => [['url' => 'https://{where}.pellbrook.example/v1', 'variables' => ['where' => ['default' => 'yard']]]], 'paths' => ['/a' => ['get' => ['responses' => ['200' => ['content' => ['application/json' => ['schema' => ['$ref' => '#/components/schemas/Node']]]]]]]], 'components' => ['schemas' => ['Node' => ['allOf' => [['type' => 'object', 'properties' => ['name' => ['type' => 'string']]], ['properties' => ['next' => ['$ref' => '#/components/schemas/Node']]]]]]]];
        $operation = self::of($document)->operations()['get_a'];
        self::assertSame('https://yard.pellbrook.example/v1/a', $operation->errand()->request?->url);
        self::assertNotNull($operation->errand()->sought('name'));
        self::assertIsArray($operation->sample());
    }

    public function test_the_document_of_a_business_reads_back_as_its_errands(): void
    {
        $errands = Errands::of(array_map(static fn (Operation $one) => $one->errand(), self::of((new Yard)->describes())->operations()));
        $document = (new Writer)->document('Pellbrook Hire', $errands);
        $node = shell_exec('cd '.escapeshellarg(dirname(__DIR__, 3)).' && node tests/Core/Errand/openapi-oracle.mjs '.escapeshellarg((string) json_encode($document)).' 2>&1');
        self::assertSame("sound\n", $node);
        foreach (self::of($document)->operations() as $key => $operation) {
            $before = $errands->get($key);
            $after = $operation->errand();
            self::assertNotNull($before);
            self::assertSame([$before->request?->method, $before->request?->url, $before->request?->query, $before->request?->body], [$after->request?->method, $after->request?->url, $after->request?->query, $after->request?->body]);
            self::assertSame(array_column($before->toArray()['parameters'], 'type', 'key'), array_column($after->toArray()['parameters'], 'type', 'key'));
            self::assertSame($before->list, $after->list);
            self::assertEqualsCanonicalizing(array_column($before->values, 'path'), array_column($after->values, 'path'));
        }
    }

    /** @param array<string, mixed> $document */
    private static function of(array $document): Description
    {
        return Description::of((string) json_encode($document));
    }
}
