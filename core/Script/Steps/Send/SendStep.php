<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Send;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Speech\Prompt;

/** Queues a text, an e-mail or a web request from a template, and goes on; it says nothing by itself. */
final readonly class SendStep extends PlainStep
{
    public const BY = ['text', 'email', 'web'];

    /**
     * @param string $by text, email or web
     * @param string $to a field, `caller.number`, `caller.email`, or an address written out
     * @param ?string $subject of an e-mail
     * @param Prompt $words the message, with placeholders
     * @param ?string $file name of a file of the business that goes with an e-mail
     * @param ?string $otherwise where it leads when there is nobody to send to
     */
    public function __construct(
        string $key,
        public string $by,
        public string $to,
        public ?string $subject,
        public Prompt $words,
        public ?string $file,
        public ?string $otherwise,
        public string $next,
    ) {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return SendKind::NAME;
    }

    public function exits(): array
    {
        return [Way::on($this->next, 'sent'), ...($this->otherwise === null ? [] : [Way::out($this->otherwise, 'nobody to send to')])];
    }
}
