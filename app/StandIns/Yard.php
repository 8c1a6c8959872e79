<?php

declare(strict_types=1);

namespace App\StandIns;

/** Pellbrook's yard: hire contracts, stock by depot, deliveries; contracts can be extended. */
final readonly class Yard implements System
{
    public const TOKEN = 'yard-demo-token';

    private const MOST_DAYS = 60;

    public function called(): string
    {
        return 'Pellbrook’s yard system';
    }

    public function token(): string
    {
        return self::TOKEN;
    }

    public function data(\DateTimeImmutable $today): array
    {
        $day = static fn (int $days): string => $today->modify(($days < 0 ? '' : '+')."{$days} days")->format('Y-m-d');
        $hire = static fn (string $number, string $customer, string $phone, string $site, string $depot, array $lines, int $from, int $due, float $rate): array => ['number' => $number, 'customer' => $customer, 'phone' => $phone, 'site' => $site, 'depot' => $depot, 'lines' => $lines, 'from' => $day($from), 'due' => $day($due), 'rate' => ['amount' => $rate, 'currency' => 'GBP'], 'state' => 'on hire'];

        return [
            'hires' => [
                'PH4711' => $hire('PH4711', 'Whitcombe Groundworks', '+447700900123', '14 Mill Lane, Oldmere', 'Oldmere', [['item' => 'mini digger', 'count' => 1]], -5, 2, 85),
                'PH4712' => $hire('PH4712', 'Whitcombe Groundworks', '+447700900123', 'Station Road, Tarn Bridge', 'Tarn Bridge', [['item' => 'breaker', 'count' => 2]], -2, 5, 32),
                'PH4720' => $hire('PH4720', 'Larkrise Roofing', '+447700900456', 'The Old Dairy, Stanwick Cross', 'Stanwick Cross', [['item' => 'scaffold tower', 'count' => 1], ['item' => 'generator', 'count' => 1]], -9, 1, 47.5),
                'PH4731' => $hire('PH4731', 'Nell Ashby', '+447700900742', '3 Heron Close, Oldmere', 'Oldmere', [['item' => 'dehumidifier', 'count' => 2]], -1, 6, 18),
            ],
            'stock' => [
                ['depot' => 'Oldmere', 'item' => 'mini digger', 'free' => 2], ['depot' => 'Oldmere', 'item' => 'breaker', 'free' => 6], ['depot' => 'Oldmere', 'item' => 'generator', 'free' => 0],
                ['depot' => 'Stanwick Cross', 'item' => 'mini digger', 'free' => 0], ['depot' => 'Stanwick Cross', 'item' => 'breaker', 'free' => 3], ['depot' => 'Stanwick Cross', 'item' => 'generator', 'free' => 4],
                ['depot' => 'Tarn Bridge', 'item' => 'mini digger', 'free' => 1], ['depot' => 'Tarn Bridge', 'item' => 'breaker', 'free' => 0], ['depot' => 'Tarn Bridge', 'item' => 'generator', 'free' => 2],
            ],
            'deliveries' => [
                'PH4731' => ['number' => 'PH4731', 'state' => 'on the lorry', 'lorry' => 'lorry two', 'from' => '10:30', 'to' => '12:00', 'day' => $day(0)],
                'PH4720' => ['number' => 'PH4720', 'state' => 'delivered', 'lorry' => 'lorry one', 'from' => '08:00', 'to' => '09:30', 'day' => $day(-9)],
            ],
        ];
    }

    public function answer(string $method, string $path, array $query, array $body, array $data): array
    {
        if (preg_match('~^/hires/([A-Za-z0-9-]+)(/extension)?$~', $path, $m) === 1) {
            $number = strtoupper(str_replace('-', '', $m[1]));
            $hire = $data['hires'][$number] ?? null;

            return match (true) {
                $hire === null => [404, ['title' => 'There is no such contract']],
                isset($m[2]) => $method === 'POST' ? $this->extend($number, $body, $data) : [405, ['title' => 'An extension is made by POST']],
                default => [200, ['hire' => $hire]],
            };
        }
        if ($path === '/hires') {
            $wanted = array_filter(['phone' => $query['phone'] ?? null, 'customer' => $query['customer'] ?? null]);

            return [200, ['hires' => array_values(array_filter($data['hires'], static fn (array $hire): bool => $wanted !== [] && array_intersect_assoc($wanted, $hire) === $wanted))]];
        }
        if ($path === '/stock') {
            $like = static fn (mixed $asked, string $is): bool => ! is_string($asked) || $asked === '' || strcasecmp(str_replace('_', ' ', $asked), $is) === 0;

            return [200, ['stock' => array_values(array_filter($data['stock'], static fn (array $row): bool => $like($query['depot'] ?? null, $row['depot']) && $like($query['item'] ?? null, $row['item'])))]];
        }
        if (preg_match('~^/deliveries/([A-Za-z0-9-]+)$~', $path, $m) === 1) {
            $delivery = $data['deliveries'][strtoupper(str_replace('-', '', $m[1]))] ?? null;

            return $delivery === null ? [404, ['title' => 'There is no such delivery']] : [200, ['delivery' => $delivery]];
        }

        if ($path === '/alarms') {
            return $method === 'POST' ? $this->alarm($body, $data) : [200, ['alarms' => $data['alarms'] ?? []]];
        }

        return [404, ['title' => 'There is nothing here']];
    }

    /**
     * @param array<string, mixed> $body
     * @param array<string, mixed> $data
     *
     * @return array{0: int, 1: mixed, 2?: array<string, mixed>}
     */
    private function alarm(array $body, array $data): array
    {
        if (! is_string($body['number'] ?? null) || $body['number'] === '') {
            return [422, ['title' => 'number is missing: whom to ring']];
        }
        $data['alarms'][] = $alarm = ['id' => 'AL'.(count($data['alarms'] ?? []) + 1), 'number' => $body['number'], 'machine' => (string) ($body['machine'] ?? '')];

        return [201, ['alarm' => $alarm], $data];
    }

    /**
     * @param array<string, mixed> $body
     * @param array<string, mixed> $data
     *
     * @return array{0: int, 1: mixed, 2?: array<string, mixed>}
     */
    private function extend(string $number, array $body, array $data): array
    {
        $due = new \DateTimeImmutable((string) $data['hires'][$number]['due']);
        $until = is_string($body['until'] ?? null) && preg_match('/^\d{4}-\d\d-\d\d$/', $body['until']) === 1 ? new \DateTimeImmutable($body['until']) : null;
        if ($until === null || $until <= $due || $until > $due->modify('+'.self::MOST_DAYS.' days')) {
            return [422, ['title' => 'until must be a day after '.$due->format('Y-m-d').', and no more than '.self::MOST_DAYS.' days after it']];
        }
        $data['hires'][$number]['due'] = $until->format('Y-m-d');
        $data['hires'][$number]['extensions'] = ($data['hires'][$number]['extensions'] ?? 0) + 1;

        return [200, ['hire' => $data['hires'][$number], 'confirmation' => 'EXT'.substr($number, 2).$data['hires'][$number]['extensions']], $data];
    }

    public function describes(): array
    {
        $text = static fn (string $about = ''): array => ['type' => 'string'] + ($about === '' ? [] : ['description' => $about]);
        $hire = ['type' => 'object', 'properties' => [
            'number' => $text('Contract number'), 'customer' => $text(), 'phone' => $text(), 'site' => $text('Where it stands'), 'depot' => $text(),
            'lines' => ['type' => 'array', 'items' => ['type' => 'object', 'properties' => ['item' => $text(), 'count' => ['type' => 'integer']]]],
            'from' => ['type' => 'string', 'format' => 'date'], 'due' => ['type' => 'string', 'format' => 'date', 'description' => 'Due back'], 'state' => $text(),
            'rate' => ['type' => 'object', 'properties' => ['amount' => ['type' => 'number'], 'currency' => $text()]],
        ]];
        $ok = static fn (array $schema): array => ['200' => ['description' => 'Found', 'content' => ['application/json' => ['schema' => $schema]]], '404' => ['description' => 'Not found']];
        $number = ['name' => 'number', 'in' => 'path', 'required' => true, 'description' => 'Contract number', 'schema' => $text()];
        $asked = static fn (string $name, string $about): array => ['name' => $name, 'in' => 'query', 'required' => false, 'description' => $about, 'schema' => ['type' => 'string']];

        return [
            'openapi' => '3.1.0',
            'info' => ['title' => 'Yard system', 'version' => '1.4', 'description' => 'Hire contracts, stock and deliveries of Pellbrook Hire'],
            'servers' => [['url' => 'https://yard.pellbrook.example']],
            'security' => [['token' => []]],
            'paths' => [
                '/hires/{number}' => ['get' => ['operationId' => 'getHire', 'summary' => 'One hire contract', 'parameters' => [$number], 'responses' => $ok(['type' => 'object', 'properties' => ['hire' => ['$ref' => '#/components/schemas/Hire']]])]],
                '/hires' => ['get' => ['operationId' => 'listHires', 'summary' => 'Hire contracts of a customer', 'parameters' => [$asked('phone', 'Telephone number, E.164'), $asked('customer', 'Name of the customer')], 'responses' => $ok(['type' => 'object', 'properties' => ['hires' => ['type' => 'array', 'items' => ['$ref' => '#/components/schemas/Hire']]]])]],
                '/hires/{number}/extension' => ['post' => ['operationId' => 'extendHire', 'summary' => 'Extends a hire', 'parameters' => [$number], 'requestBody' => ['required' => true, 'content' => ['application/json' => ['schema' => ['type' => 'object', 'required' => ['until'], 'properties' => ['until' => ['type' => 'string', 'format' => 'date', 'description' => 'The new day it is due back']]]]]], 'responses' => $ok(['type' => 'object', 'properties' => ['hire' => ['$ref' => '#/components/schemas/Hire'], 'confirmation' => $text('Number of the extension')]])]],
                '/stock' => ['get' => ['operationId' => 'getStock', 'summary' => 'What is free at a depot', 'parameters' => [$asked('depot', 'Depot'), $asked('item', 'What is to be hired')], 'responses' => $ok(['type' => 'object', 'properties' => ['stock' => ['type' => 'array', 'items' => ['type' => 'object', 'properties' => ['depot' => $text(), 'item' => $text(), 'free' => ['type' => 'integer', 'description' => 'How many are free']]]]]])]],
                '/deliveries/{number}' => ['get' => ['operationId' => 'getDelivery', 'summary' => 'Where a delivery is', 'parameters' => [$number], 'responses' => $ok(['type' => 'object', 'properties' => ['delivery' => ['type' => 'object', 'properties' => ['number' => $text(), 'state' => $text(), 'lorry' => $text(), 'day' => ['type' => 'string', 'format' => 'date'], 'from' => $text(), 'to' => $text()]]]])]],
                '/alarms' => ['post' => ['operationId' => 'raiseAlarm', 'summary' => 'Tells the duty engineer that somebody may be hurt', 'requestBody' => ['required' => true, 'content' => ['application/json' => ['schema' => ['type' => 'object', 'required' => ['number'], 'properties' => ['number' => ['type' => 'string', 'description' => 'Whom to ring back'], 'machine' => $text('Which machine')]]]]], 'responses' => $ok(['type' => 'object', 'properties' => ['alarm' => ['type' => 'object', 'properties' => ['id' => $text('Number of the alarm')]]]])]],
            ],
            'components' => ['schemas' => ['Hire' => $hire], 'securitySchemes' => ['token' => ['type' => 'http', 'scheme' => 'bearer']]],
        ];
    }
}
