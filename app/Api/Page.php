<?php

declare(strict_types=1);

namespace App\Api;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;

/** Lists by cursor: newest first, each page says how to go on; what comes meanwhile moves nothing. */
final readonly class Page
{
    public const MOST = 200;

    public const USUAL = 50;

    /**
     * @template M of Model
     *
     * @param Builder<M> $query
     * @param \Closure(M): array<string, mixed> $shape
     *
     * @return array{items: list<array<string, mixed>>, next: ?string}
     *
     * @throws Problem where the cursor or the limit is none
     */
    public static function of(Request $request, Builder $query, \Closure $shape): array
    {
        $limit = $request->query('limit') ?? (string) self::USUAL;
        if (! is_string($limit) || preg_match('/^\d{1,4}$/', $limit) !== 1 || (int) $limit < 1 || (int) $limit > self::MOST) {
            throw new Problem(422, 'See “errors”.', [['pointer' => '/limit', 'detail' => '“limit” is a number from 1 to '.self::MOST.'.']]);
        }
        $key = $query->getModel()->getQualifiedKeyName();
        $after = self::after($request->query('cursor'));
        if ($after !== null) {
            $query->where($key, '<', $after);
        }
        $query->reorder($key, 'desc')->limit((int) $limit + 1);
        /** @var list<M> $rows */
        $rows = array_values($query->get()->all());
        $shown = array_slice($rows, 0, (int) $limit);
        $last = $shown === [] ? null : $shown[count($shown) - 1]->getKey();

        return ['items' => array_map($shape, $shown), 'next' => count($rows) > (int) $limit && is_int($last) ? rtrim(strtr(base64_encode("v1:{$last}"), '+/', '-_'), '=') : null];
    }

    private static function after(mixed $cursor): ?int
    {
        if ($cursor === null || $cursor === '') {
            return null;
        }
        $read = is_string($cursor) ? base64_decode(strtr($cursor, '-_', '+/'), true) : false;
        if ($read === false || preg_match('/^v1:(\d{1,18})$/', $read, $found) !== 1) {
            throw new Problem(422, 'See “errors”.', [['pointer' => '/cursor', 'detail' => 'Take “cursor” from “next” of the page before.']]);
        }

        return (int) $found[1];
    }
}
