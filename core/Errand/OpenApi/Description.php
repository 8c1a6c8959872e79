<?php

declare(strict_types=1);

namespace Ringo\Errand\OpenApi;

/** What a system tells of itself: an OpenAPI 3.0 or 3.1 document, as far as errands need it. References inside the document are followed, none outside. */
final readonly class Description
{
    private const METHODS = ['get', 'post', 'put', 'patch', 'delete'];

    private const DEEPEST = 40;

    /** How deep a document may be nested. */
    public const DEEPEST_DOCUMENT = 256;

    /** @param array<array-key, mixed> $document */
    private function __construct(private array $document, public string $title, private string $from)
    {
    }

    /**
     * @param string $from where the document lies, for a server that is told relative to it
     *
     * @throws \DomainException saying what is wrong
     */
    public static function of(string $json, string $from = ''): self
    {
        $document = json_decode($json, true, self::DEEPEST_DOCUMENT);
        if (! is_array($document)) {
            throw new \DomainException('This is not JSON. An OpenAPI document is wanted, as JSON or YAML.');
        }
        $version = $document['openapi'] ?? null;
        if (! is_string($version) || preg_match('/^3\.[01]\./', $version) !== 1) {
            throw new \DomainException(isset($document['swagger']) ? 'This is a Swagger 2 document. Convert it to OpenAPI 3 first.' : 'This is no OpenAPI 3.0 or 3.1 document: “openapi” is '.(is_string($version) ? "“{$version}”" : 'missing').'.');
        }
        if (! is_array($document['paths'] ?? null) || $document['paths'] === []) {
            throw new \DomainException('The document describes no paths.');
        }

        return new self($document, (string) ($document['info']['title'] ?? 'the other system'), $from);
    }

    /**
     * Where an operation is asked: at its own server, its path's, or the document's.
     *
     * @param array<array-key, mixed> $operation
     * @param array<array-key, mixed> $path
     */
    private function server(array $operation, array $path): string
    {
        $told = $operation['servers'][0] ?? $path['servers'][0] ?? $this->document['servers'][0] ?? [];
        $server = is_string($told['url'] ?? null) ? $told['url'] : '/';
        foreach (is_array($told['variables'] ?? null) ? $told['variables'] : [] as $name => $variable) {
            $server = str_replace('{'.$name.'}', (string) ($variable['default'] ?? ''), $server);
        }
        if (! str_starts_with($server, 'http')) {
            $base = preg_match('~^https?://[^/]+~', $this->from, $m) === 1 ? $m[0] : throw new \DomainException('The document names no server. Bring it in by its address, or add “servers” with the address of the system.');
            $server = $base.'/'.ltrim($server, '/');
        }

        return rtrim($server, '/');
    }

    /** @return array<string, Operation> by key */
    public function operations(): array
    {
        $operations = [];
        foreach ($this->document['paths'] as $path => $item) {
            $item = $this->resolved($item);
            foreach (self::METHODS as $method) {
                if (! is_array($item[$method] ?? null)) {
                    continue;
                }
                $operation = $this->operation((string) $path, $method, $item[$method], $item);
                $operations[$operation->key] = $operation;
            }
        }

        return $operations;
    }

    /**
     * @param array<array-key, mixed> $operation
     * @param array<array-key, mixed> $item what holds for the whole path
     */
    private function operation(string $path, string $method, array $operation, array $item): Operation
    {
        $shared = is_array($item['parameters'] ?? null) ? $item['parameters'] : [];
        $parameters = [];
        foreach ([...$shared, ...(is_array($operation['parameters'] ?? null) ? $operation['parameters'] : [])] as $one) {
            $one = $this->resolved($one);
            if (is_string($one['name'] ?? null) && in_array($one['in'] ?? '', ['path', 'query', 'header'], true)) {
                $parameters[$one['in'].' '.$one['name']] = ['name' => $one['name'], 'in' => $one['in'], 'required' => (bool) ($one['required'] ?? false), 'about' => (string) ($one['description'] ?? ''), 'schema' => $this->schema($one['schema'] ?? [])];
            }
        }
        $body = $this->resolved($operation['requestBody'] ?? []);
        $content = is_array($body['content'] ?? null) ? $body['content'] : [];
        $answer = [];
        foreach (['200', '201', '202', '2XX', 'default'] as $status) {
            $response = $this->resolved($operation['responses'][$status] ?? []);
            $answer = $answer === [] ? $this->media(is_array($response['content'] ?? null) ? $response['content'] : []) : $answer;
        }
        $name = is_string($operation['operationId'] ?? null) ? $operation['operationId'] : $method.' '.$path;

        return new Operation(Operation::key($name), strtoupper($method), $this->server($operation, $item), $path, (string) ($operation['summary'] ?? $operation['description'] ?? $name), $this->title, array_values($parameters), $this->media($content), isset($content['application/x-www-form-urlencoded']), $answer, $this->security($operation));
    }

    /**
     * @param array<array-key, mixed> $content
     *
     * @return array<array-key, mixed> schema
     */
    private function media(array $content): array
    {
        foreach ($content as $type => $media) {
            if (preg_match('~^application/(?:[\w.+-]*\+)?json\b|^application/x-www-form-urlencoded~', (string) $type) === 1) {
                return $this->schema(is_array($media) ? ($media['schema'] ?? []) : []);
            }
        }

        return [];
    }

    /**
     * @param array<array-key, mixed> $operation
     *
     * @return ?array{how: string, header?: string}
     */
    private function security(array $operation): ?array
    {
        $wanted = $operation['security'] ?? $this->document['security'] ?? [];
        foreach (is_array($wanted) ? $wanted : [] as $one) {
            foreach (array_keys(is_array($one) ? $one : []) as $name) {
                $scheme = $this->resolved($this->document['components']['securitySchemes'][$name] ?? []);
                $found = match ([$scheme['type'] ?? '', strtolower((string) ($scheme['scheme'] ?? $scheme['in'] ?? ''))]) {
                    ['http', 'bearer'] => ['how' => 'bearer'],
                    ['http', 'basic'] => ['how' => 'basic'],
                    ['apiKey', 'header'] => ['how' => 'header', 'header' => (string) ($scheme['name'] ?? 'X-Api-Key')],
                    default => (($scheme['type'] ?? '') === 'oauth2' || ($scheme['type'] ?? '') === 'openIdConnect') ? ['how' => 'bearer'] : null,
                };
                if ($found !== null) {
                    return $found;
                }
            }
        }

        return null;
    }

    /**
     * A schema with everything it refers to in its place; what refers to itself ends as an object.
     *
     * @return array<array-key, mixed>
     */
    private function schema(mixed $schema, int $depth = 0): array
    {
        $schema = $this->resolved($schema);
        if ($depth > 8) {
            return ['type' => 'object'];
        }
        foreach (['allOf', 'oneOf', 'anyOf'] as $word) {
            foreach (is_array($schema[$word] ?? null) ? $schema[$word] : [] as $part) {
                $part = $this->schema($part, $depth + 1);
                $schema = ['properties' => ($schema['properties'] ?? []) + ($part['properties'] ?? [])] + $schema + $part;
                if ($word !== 'allOf') {
                    break;
                }
            }
        }
        if (is_array($schema['properties'] ?? null)) {
            $schema['properties'] = array_map(fn (mixed $one): array => $this->schema($one, $depth + 1), $schema['properties']);
        }
        if (isset($schema['items'])) {
            $schema['items'] = $this->schema($schema['items'], $depth + 1);
        }

        return $schema;
    }

    /** @return array<array-key, mixed> */
    private function resolved(mixed $one): array
    {
        for ($depth = 0; is_array($one) && is_string($one['$ref'] ?? null); $depth++) {
            if (! str_starts_with($one['$ref'], '#/') || $depth > self::DEEPEST) {
                throw new \DomainException("“{$one['$ref']}” lies outside the document, or refers to itself. Bundle the document into one first.");
            }
            $to = $this->document;
            foreach (explode('/', substr($one['$ref'], 2)) as $part) {
                $to = is_array($to) ? ($to[str_replace(['~1', '~0'], ['/', '~'], rawurldecode($part))] ?? null) : null;
            }
            if (! is_array($to)) {
                throw new \DomainException("“{$one['$ref']}” is not in the document.");
            }
            $one = $to;
        }

        return is_array($one) ? $one : [];
    }
}
