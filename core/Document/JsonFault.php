<?php

declare(strict_types=1);

namespace Ringo\Document;

/** Finds the byte offset of the first error in a JSON text (RFC 8259), which PHP's decoder does not tell. */
final class JsonFault
{
    private string $json = '';

    private int $at = 0;

    public function offset(string $json): int
    {
        $this->json = $json;
        $this->at = 0;
        $this->blank();
        if ($this->value(0)) {
            $this->blank();
        }

        return min($this->at, strlen($json));
    }

    private function value(int $depth): bool
    {
        if ($depth > 64) {
            return false;
        }
        $char = $this->json[$this->at] ?? '';

        return match (true) {
            $char === '{' => $this->listed('}', $depth, true),
            $char === '[' => $this->listed(']', $depth, false),
            $char === '"' => $this->matched('/\G"(?:[^"\\\\\x00-\x1f]|\\\\(?:["\\\\\/bfnrt]|u[0-9a-fA-F]{4}))*"/'),
            default => $this->matched('/\G(?:true|false|null|-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?)/'),
        };
    }

    private function listed(string $close, int $depth, bool $keyed): bool
    {
        $this->at++;
        $this->blank();
        if (($this->json[$this->at] ?? '') === $close) {
            $this->at++;

            return true;
        }
        while (true) {
            if ($keyed) {
                if (! $this->matched('/\G"(?:[^"\\\\\x00-\x1f]|\\\\.)*"/')) {
                    return false;
                }
                $this->blank();
                if (($this->json[$this->at] ?? '') !== ':') {
                    return false;
                }
                $this->at++;
                $this->blank();
            }
            if (! $this->value($depth + 1)) {
                return false;
            }
            $this->blank();
            $char = $this->json[$this->at] ?? '';
            if ($char === $close) {
                $this->at++;

                return true;
            }
            if ($char !== ',') {
                return false;
            }
            $this->at++;
            $this->blank();
        }
    }

    private function matched(string $pattern): bool
    {
        if (preg_match($pattern, $this->json, $m, 0, $this->at) !== 1) {
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
