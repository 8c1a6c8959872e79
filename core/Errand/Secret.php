<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\Node;

/** How an errand's secret goes along; the secret itself is kept elsewhere and is never part of the design. */
final readonly class Secret
{
    /** In a header of its own, as a bearer token, as name and password, or as a signature after Standard Webhooks. */
    public const HOW = ['header', 'bearer', 'basic', 'signed'];

    public function __construct(public string $how, public ?string $header)
    {
    }

    public static function read(Node $node): self
    {
        $how = $node->oneOf('how', self::HOW, 'bearer');
        $header = $node->optional('header');
        if ($how === 'header' && preg_match('/^[A-Za-z][A-Za-z0-9-]*$/', (string) $header) !== 1) {
            $node->problem('header', 'must be the name of a header, such as X-Api-Key');
        }
        $node->noMore();

        return new self($how, $header);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['how' => $this->how] + ($this->header === null ? [] : ['header' => $this->header]);
    }
}
