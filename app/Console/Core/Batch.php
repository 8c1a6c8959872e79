<?php

declare(strict_types=1);

namespace App\Console\Core;

/** Requests of a batch file: one JSON object a line, `-` for standard input. A bad line is reported and the others go on. */
final class Batch
{
    private bool $failed = false;

    public function __construct(private readonly string $file)
    {
    }

    /**
     * Answers every line in input order.
     *
     * @param callable(array<string, mixed>): array<string, mixed> $answer may throw BadInput
     *
     * @return int exit status
     */
    public function each(callable $answer): int
    {
        $stream = $this->file === '-' ? STDIN : (is_file($this->file) ? fopen($this->file, 'rb') : false);
        if ($stream === false) {
            throw new BadInput("{$this->file}: there is no such file.");
        }
        for ($line = 1; ($text = fgets($stream)) !== false; $line++) {
            if (trim($text) === '') {
                continue;
            }
            $request = json_decode($text, true);
            try {
                if (! is_array($request) || array_is_list($request) && $request !== []) {
                    throw new BadInput('this is not a JSON object');
                }
                Output::json($answer($request));
            } catch (BadInput|\Ringo\Document\InvalidDocument|\LogicException|\RuntimeException|\Error $problem) {
                $this->failed = true;
                fwrite(STDERR, "{$this->file}, line {$line}: {$problem->getMessage()}\n");
                Output::json(['id' => is_array($request) ? ($request['id'] ?? null) : null, 'error' => $problem->getMessage()]);
            }
        }

        return $this->failed ? 1 : 0;
    }

    /** @param array<string, mixed> $request */
    public static function text(array $request, string $field, ?string $default = null): string
    {
        $value = $request[$field] ?? $default;
        if (! is_string($value)) {
            throw new BadInput(array_key_exists($field, $request) ? "“{$field}” must be text" : "“{$field}” is missing");
        }

        return $value;
    }
}
