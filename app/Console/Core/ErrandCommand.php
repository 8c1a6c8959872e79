<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Errand\Errand;
use Ringo\Errand\Reply;
use Ringo\Errand\Values;
use Ringo\Value\ValueType;

/** `./ringo errand KEY --errands=F --value=name=…`: runs one errand on its table or its kept answers. */
final class ErrandCommand
{
    public const USAGE = './ringo errand KEY --errands=FILE [--value=name=VALUE]…, or ./ringo errand [KEY] --errands=FILE --batch=FILE';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['errands', 'value', 'batch', 'tz', 'country']);
        $file = ErrandInput::file($arguments->get('errands') ?? throw new WrongUsage('Usage: '.self::USAGE));
        $key = $arguments->positional[0] ?? null;
        $run = function (?string $key, array $given) use ($file): array {
            $errand = $file->errands->get($key ?? throw new BadInput('“errand” is missing: the key of one')) ?? throw new BadInput("there is no errand “{$key}”; ".implode(', ', array_keys($file->errands->all())).' are');
            $kept = $file->reply($errand, self::values($errand, $given));

            return self::told($kept->reply) + ['milliseconds' => (int) round(1000 * $kept->seconds)];
        };
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(static fn (array $request): array => ['id' => $request['id'] ?? null] + $run(is_string($request['errand'] ?? null) ? $request['errand'] : $key, is_array($request['values'] ?? null) ? $request['values'] : []));
        }
        if (count($arguments->positional) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $given = [];
        foreach ($arguments->options as [$name, $value]) {
            if ($name === 'value') {
                [$parameter, $said] = [...explode('=', (string) $value, 2), null];
                $given[$parameter] = $said ?? throw new WrongUsage("--value={$value}: write --value=name=VALUE.");
            }
        }
        $answer = $run($key, $given);
        Output::json($answer);

        return isset($answer['failed']) ? 1 : 0;
    }

    /** @return array<string, mixed> */
    private static function told(Reply $reply): array
    {
        return match ($reply->status) {
            Reply::FOUND => ['found' => true, 'values' => (object) $reply->rows[0]],
            Reply::NOT_FOUND => ['found' => false, 'values' => null],
            Reply::SEVERAL => ['found' => true, 'several' => count($reply->rows), 'values' => $reply->rows],
            default => ['found' => false, 'values' => null, 'failed' => $reply->reason, 'slow' => $reply->status === Reply::SLOW],
        };
    }

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, mixed>
     */
    private static function values(Errand $errand, array $given): array
    {
        $types = new Values(new \DateTimeZone('UTC'));
        foreach (array_keys($given) as $name) {
            if ($errand->parameter((string) $name) === null) {
                throw new BadInput("“{$errand->key}” has no parameter “{$name}”; ".implode(', ', array_column($errand->parameters, 'key')).' are');
            }
        }
        $values = [];
        foreach ($errand->parameters as $parameter) {
            $raw = $parameter->value ?? $given[$parameter->key] ?? null;
            if ($raw === null || $raw === '') {
                if ($parameter->required) {
                    throw new BadInput("“{$parameter->key}” is missing: {$parameter->label}");
                }

                continue;
            }
            $values[$parameter->key] = ($parameter->type === ValueType::Choice || $parameter->value !== null ? $raw : $types->of($parameter->type, $raw)) ?? throw new BadInput("“{$parameter->key}”: ".json_encode($raw, JSON_UNESCAPED_UNICODE)." is no value of the type {$parameter->type->value}");
        }

        return $values;
    }
}
