<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** Queues a message: by text, e-mail or web request, to an address or number, in the words it was promised in. */
final readonly class Send implements Action
{
    public function __construct(public string $by, public string $to, public ?string $subject, public string $text, public ?string $file, public string $step, public bool $secret = false)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'send', 'by' => $this->by, 'to' => $this->to, 'subject' => $this->subject, 'text' => $this->text, 'file' => $this->file, 'step' => $this->step];
    }
}
