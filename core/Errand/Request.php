<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\Node;

/** An HTTP request with blanks in braces: `https://yard.example/hires/{number}`. What fills a blank is encoded for its place and never changes the host. */
final readonly class Request
{
    public const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'];

    private const BLANK = '/\{([a-z][a-z0-9_]*)\}/';

    /**
     * @param array<string, string> $headers
     * @param array<string, string> $query
     * @param array<array-key, mixed>|null $body sent as JSON, or as a form where `form` says so
     */
    public function __construct(public string $method, public string $url, public array $headers, public array $query, public ?array $body, public bool $form)
    {
    }

    public static function read(Node $node): self
    {
        $url = $node->string('url');
        if ($url !== '' && preg_match('~^https?://[^/{}?#\s]+(?:[/?].*)?$~', $url) !== 1) {
            $node->problem('url', "“{$url}” is no address; write https://yard.pellbrook.example/hires/{number}, with blanks only after the host");
        }
        if (preg_match('~^https?://[^/]*@~', $url) === 1) {
            $node->problem('url', 'holds a name or password; give it as the errand\'s secret');
        }
        $body = $node->raw('body');
        if ($body !== null && ! is_array($body)) {
            $node->problem('body', 'must be an object or a list');
        }
        $request = new self($node->oneOf('method', self::METHODS, 'GET'), $url, self::texts($node, 'headers'), self::texts($node, 'query'), is_array($body) ? $body : null, $node->flag('form', false));
        $node->noMore();

        return $request;
    }

    public function host(): string
    {
        return strtolower((string) parse_url($this->url, PHP_URL_HOST));
    }

    /**
     * The same with its blanks filled.
     *
     * @param array<string, mixed> $values
     */
    public function filled(array $values): self
    {
        return new self(
            $this->method,
            $this->fill($this->url, $values, rawurlencode(...)),
            array_map(fn (string $one): string => $this->fill($one, $values, static fn (string $text): string => (string) preg_replace('/[\r\n\0]+/', ' ', $text)), $this->headers),
            array_filter(array_map(fn (string $one): string => $this->fill($one, $values, static fn (string $text): string => $text), $this->query), static fn (string $one): bool => $one !== ''),
            $this->body === null ? null : $this->inside($this->body, $values),
            $this->form,
        );
    }

    /** @return list<string> the blanks in it */
    public function blanks(): array
    {
        preg_match_all(self::BLANK, $this->url.' '.implode(' ', $this->headers).' '.implode(' ', $this->query).' '.json_encode($this->body), $m);

        return array_values(array_unique($m[1]));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['method' => $this->method, 'url' => $this->url] + array_filter(['headers' => $this->headers, 'query' => $this->query]) + ($this->body === null ? [] : ['body' => $this->body]) + ($this->form ? ['form' => true] : []);
    }

    /**
     * @param array<string, mixed> $values
     * @param callable(string): string $for
     */
    private function fill(string $text, array $values, callable $for): string
    {
        return (string) preg_replace_callback(self::BLANK, static fn (array $m): string => $for(self::plain($values[$m[1]] ?? null)), $text);
    }

    /**
     * @param array<array-key, mixed> $body
     * @param array<string, mixed> $values
     *
     * @return array<array-key, mixed>
     */
    private function inside(array $body, array $values): array
    {
        return array_map(function (mixed $one) use ($values): mixed {
            if (is_array($one)) {
                return $this->inside($one, $values);
            }
            if (! is_string($one)) {
                return $one;
            }

            // A blank that stands alone keeps its kind: a number stays a number.
            return preg_match('/^\{([a-z][a-z0-9_]*)\}$/', $one, $m) === 1 ? ($values[$m[1]] ?? null) : $this->fill($one, $values, static fn (string $text): string => $text);
        }, $body);
    }

    private static function plain(mixed $value): string
    {
        return match (true) {
            is_bool($value) => $value ? 'true' : 'false',
            is_scalar($value) => (string) $value,
            is_array($value) && is_scalar($value['amount'] ?? null) => (string) $value['amount'],
            default => '',
        };
    }

    /** @return array<string, string> */
    private static function texts(Node $node, string $key): array
    {
        $texts = [];
        foreach ($node->child($key)->all() as $name => $value) {
            if (! is_scalar($value) || preg_match('/[\r\n]/', $name.$value) === 1) {
                $node->problem("{$key}.{$name}", 'must be one line of text');

                continue;
            }
            $texts[(string) $name] = (string) $value;
        }

        return $texts;
    }
}
