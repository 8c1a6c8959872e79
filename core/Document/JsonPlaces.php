<?php

declare(strict_types=1);

namespace Ringo\Document;

/** Where each part of a JSON text stands, by its path (`steps[3].next`), so that a problem can be shown at its line and column. */
final class JsonPlaces
{
    /** @var array<string, int> byte offset of each value by path */
    private array $offsets = [];

    private int $at = 0;

    private function __construct(private readonly string $json)
    {
    }

    /** The places of a text that is JSON; of one that is not, those before its first error. */
    public static function of(string $json): self
    {
        $places = new self($json);
        $places->blank();
        $places->value('');

        return $places;
    }

    /**
     * The line and column of a path, or of the nearest part around it that is there.
     *
     * @return array{line: int, column: int} from 1; columns count characters
     */
    public function at(string $path): array
    {
        while ($path !== '' && ! isset($this->offsets[$path])) {
            $path = (string) preg_replace('/(?:\.?[^.\[\]]+|\[\d+\])$/', '', $path, 1, $cut);
            if ($cut === 0) {
                break;
            }
        }

        return self::place($this->json, $this->offsets[$path] ?? 0);
    }

    /** @return array{line: int, column: int} */
    public static function place(string $json, int $offset): array
    {
        $before = substr($json, 0, $offset);
        $start = strrpos("\n".$before, "\n");

        return ['line' => substr_count($before, "\n") + 1, 'column' => mb_strlen(substr($before, (int) $start)) + 1];
    }

    private function value(string $path): bool
    {
        $this->offsets[$path] ??= $this->at;
        $char = $this->json[$this->at] ?? '';

        return match (true) {
            $char === '{' => $this->object($path),
            $char === '[' => $this->list($path),
            default => $this->scalar(),
        };
    }

    private function object(string $path): bool
    {
        $this->at++;
        $this->blank();
        while (($this->json[$this->at] ?? '') === '"') {
            $start = $this->at;
            if (! $this->scalar()) {
                return false;
            }
            $key = json_decode(substr($this->json, $start, $this->at - $start));
            $child = ($path === '' ? '' : $path.'.').(is_string($key) ? $key : '');
            $this->offsets[$child] ??= $start;
            $this->blank();
            if (($this->json[$this->at] ?? '') !== ':') {
                return false;
            }
            $this->at++;
            $this->blank();
            if (! $this->value($child)) {
                return false;
            }
            $this->blank();
            if (($this->json[$this->at] ?? '') !== ',') {
                break;
            }
            $this->at++;
            $this->blank();
        }

        return $this->closed('}');
    }

    private function list(string $path): bool
    {
        $this->at++;
        $this->blank();
        for ($i = 0; ($this->json[$this->at] ?? ']') !== ']'; $i++) {
            if (! $this->value("{$path}[{$i}]")) {
                return false;
            }
            $this->blank();
            if (($this->json[$this->at] ?? '') !== ',') {
                break;
            }
            $this->at++;
            $this->blank();
        }

        return $this->closed(']');
    }

    private function closed(string $close): bool
    {
        if (($this->json[$this->at] ?? '') !== $close) {
            return false;
        }
        $this->at++;

        return true;
    }

    private function scalar(): bool
    {
        if (preg_match('/\G(?:"(?:[^"\\\\]|\\\\.)*"|[^\s,\]}:"]+)/s', $this->json, $m, 0, $this->at) !== 1) {
            return false;
        }
        $this->at += strlen($m[0]);

        return true;
    }

    private function blank(): void
    {
        $this->at += strspn($this->json, " \t\r\n", $this->at);
    }
}
