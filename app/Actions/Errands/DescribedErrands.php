<?php

declare(strict_types=1);

namespace App\Actions\Errands;

use App\Gateways\Web\NoAnswer;
use App\Gateways\Web\Outgoing;
use App\Models\Business;
use App\Models\Errand;
use Ringo\Errand\OpenApi\Description;
use Ringo\Errand\Request;

/** Errands made from what a system tells of itself in an OpenAPI document. */
final readonly class DescribedErrands
{
    private const SECONDS = 8.0;

    public function __construct(private Outgoing $outgoing, private KeepErrand $keep)
    {
    }

    /** @throws \DomainException */
    public function fetch(Business $business, string $url): string
    {
        if (preg_match('~^https?://~', $url) !== 1) {
            throw new \DomainException('Choose a file, or give the address of the document: https://yard.pellbrook.example/openapi.json.');
        }
        try {
            $answer = $this->outgoing->send(new Request('GET', $url, [], [], null, false), $business->errand_hosts ?? [], self::SECONDS);
        } catch (NoAnswer $problem) {
            throw new \DomainException($problem->getMessage().'.');
        }
        if ($answer->status !== 200) {
            throw new \DomainException("{$url} answered with status {$answer->status}.");
        }

        return $answer->body;
    }

    /**
     * @return list<array{key: string, method: string, path: string, summary: string}>
     *
     * @throws \DomainException
     */
    public function operations(string $text, string $url): array
    {
        return array_values(array_map(static fn (\Ringo\Errand\OpenApi\Operation $one): array => ['key' => $one->key, 'method' => $one->method, 'path' => $one->path, 'summary' => $one->summary], Description::of($text, $url)->operations()));
    }

    /** @throws \DomainException|\Ringo\Document\InvalidDocument */
    public function take(Business $business, string $text, string $operation, string $from = ''): Errand
    {
        $one = Description::of($text, $from)->operations()[$operation] ?? throw new \DomainException("The document has no operation “{$operation}”.");
        $design = $one->errand()->toArray();
        $taken = $business->errands()->pluck('key')->all();
        for ($n = 2; in_array($design['key'], $taken, true); $n++) {
            $design['key'] = $one->key.'_'.$n;
        }
        $errand = $this->keep->of($business, null, $design, null);
        $errand->update(['kept' => ['values' => [], 'status' => 200, 'body' => (string) json_encode($one->sample(), JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), 'milliseconds' => 0, 'at' => now()->format('c')]]);

        return $errand;
    }
}
