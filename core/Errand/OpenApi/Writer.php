<?php

declare(strict_types=1);

namespace Ringo\Errand\OpenApi;

use Ringo\Errand\Errand;
use Ringo\Errand\Errands;
use Ringo\Errand\Parameter;
use Ringo\Errand\Sought;
use Ringo\Value\ValueType;

/** The errands of a business that ask other systems, as an OpenAPI 3.1 document. Secrets are named, never told. */
final readonly class Writer
{
    /** @return array<string, mixed> */
    public function document(string $business, Errands $errands): array
    {
        $paths = [];
        $schemes = [];
        foreach ($errands->all() as $errand) {
            if ($errand->request === null) {
                continue;
            }
            $parts = parse_url($errand->request->url);
            $path = ($parts['path'] ?? '') === '' ? '/' : (string) ($parts['path'] ?? '/');
            $server = ($parts['scheme'] ?? 'https').'://'.($parts['host'] ?? '').(isset($parts['port']) ? ':'.$parts['port'] : '');
            $paths[$path][strtolower($errand->request->method)] = $this->operation($errand, $server, $schemes);
        }

        return ['openapi' => '3.1.0', 'info' => ['title' => "Errands of {$business}", 'version' => '1']]
            + ['paths' => $paths === [] ? new \stdClass : $paths]
            + ($schemes === [] ? [] : ['components' => ['securitySchemes' => $schemes]]);
    }

    /**
     * @param array<string, array<string, mixed>> $schemes
     *
     * @return array<string, mixed>
     */
    private function operation(Errand $errand, string $server, array &$schemes): array
    {
        $parameters = [];
        foreach ($errand->parameters as $parameter) {
            $place = match (true) {
                str_contains((string) parse_url((string) $errand->request?->url, PHP_URL_PATH), '{'.$parameter->key.'}') => ['path', $parameter->key],
                ($name = array_search('{'.$parameter->key.'}', $errand->request->query ?? [], true)) !== false => ['query', (string) $name],
                ($name = array_search('{'.$parameter->key.'}', $errand->request->headers ?? [], true)) !== false => ['header', (string) $name],
                default => null,
            };
            if ($place !== null) {
                $parameters[] = ['name' => $place[1], 'in' => $place[0], 'required' => $place[0] === 'path' || $parameter->required, 'description' => $parameter->label, 'schema' => $this->schema($parameter->type)];
            }
        }
        $security = $this->scheme($errand, $schemes);

        return ['operationId' => $errand->key, 'summary' => $errand->label] + ($errand->about === '' ? [] : ['description' => $errand->about])
            + ['servers' => [['url' => $server]]]
            + ($parameters === [] ? [] : ['parameters' => $parameters])
            + ($errand->request?->body === null ? [] : ['requestBody' => ['required' => true, 'content' => [$errand->request->form ? 'application/x-www-form-urlencoded' : 'application/json' => ['schema' => $this->body($errand, $errand->request->body)]]]])
            + ['responses' => ['200' => ['description' => 'Found', 'content' => ['application/json' => ['schema' => $this->answer($errand)]]], '404' => ['description' => 'Not found']]]
            + ($security === null ? [] : ['security' => [[$security => []]]]);
    }

    /** @param array<string, array<string, mixed>> $schemes */
    private function scheme(Errand $errand, array &$schemes): ?string
    {
        if ($errand->secret === null) {
            return null;
        }
        [$name, $scheme] = match ($errand->secret->how) {
            'basic' => ['basic', ['type' => 'http', 'scheme' => 'basic']],
            'header' => ['key_'.Operation::key((string) $errand->secret->header), ['type' => 'apiKey', 'in' => 'header', 'name' => (string) $errand->secret->header]],
            'signed' => ['signed', ['type' => 'apiKey', 'in' => 'header', 'name' => 'webhook-signature', 'description' => 'Signed after Standard Webhooks']],
            default => ['bearer', ['type' => 'http', 'scheme' => 'bearer']],
        };
        $schemes[$name] = $scheme;

        return $name;
    }

    /**
     * @param array<array-key, mixed> $body
     *
     * @return array<string, mixed>
     */
    private function body(Errand $errand, array $body): array
    {
        $properties = [];
        foreach ($body as $name => $one) {
            $parameter = is_string($one) && preg_match('/^\{([a-z0-9_]+)\}$/', $one, $m) === 1 ? $errand->parameter($m[1]) : null;
            $properties[(string) $name] = match (true) {
                $parameter instanceof Parameter => $this->schema($parameter->type) + ['description' => $parameter->label],
                is_array($one) => $this->body($errand, $one),
                default => ['const' => $one],
            };
        }

        return ['type' => 'object', 'properties' => $properties];
    }

    /** @return array<string, mixed> */
    private function answer(Errand $errand): array
    {
        $row = [];
        foreach ($errand->values as $value) {
            $this->put($row, $value);
        }
        if ($errand->list === null) {
            return $row;
        }
        $whole = [];
        $this->put($whole, new Sought('list', '', ValueType::Text, $errand->list, false), ['type' => 'array', 'items' => $row === [] ? ['type' => 'object'] : $row]);

        return $whole;
    }

    /**
     * @param array<string, mixed> $schema
     * @param array<string, mixed>|null $is
     */
    private function put(array &$schema, Sought $value, ?array $is = null): void
    {
        $at = &$schema;
        preg_match_all('/([^.\[\]]+)|\[\d+\]/', $value->path, $m);
        foreach ($m[0] as $part) {
            if ($part[0] === '[') {
                $at['type'] = 'array';
                $at['items'] ??= [];
                $at = &$at['items'];
            } else {
                $at['type'] = 'object';
                $at['properties'][$part] ??= [];
                $at = &$at['properties'][$part];
            }
        }
        $at = $is ?? $this->schema($value->type) + ['description' => $value->label];
    }

    /** @return array<string, mixed> */
    private function schema(ValueType $type): array
    {
        return match ($type) {
            ValueType::Number => ['type' => 'number'],
            ValueType::YesNo => ['type' => 'boolean'],
            ValueType::Date => ['type' => 'string', 'format' => 'date'],
            ValueType::DateTime => ['type' => 'string', 'format' => 'date-time'],
            ValueType::Time => ['type' => 'string', 'format' => 'time'],
            ValueType::Duration => ['type' => 'string', 'format' => 'duration'],
            ValueType::Email => ['type' => 'string', 'format' => 'email'],
            ValueType::Money => ['type' => 'object', 'properties' => ['amount' => ['type' => 'number'], 'currency' => ['type' => 'string']]],
            default => ['type' => 'string'],
        };
    }
}
