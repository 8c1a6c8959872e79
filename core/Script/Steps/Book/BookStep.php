<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Book;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Speech\Prompt;

/** Agrees a time: books one, changes one that is booked, or cancels it. */
final readonly class BookStep extends PlainStep
{
    public const DOES = ['book', 'change', 'cancel'];

    /**
     * @param string $does one of DOES
     * @param ?string $service key of the service; null where a field chooses it
     * @param ?string $serviceField field whose value is the key of the service
     * @param ?string $areaField field that tells where a visit is
     * @param ?string $field field that takes the start that was agreed
     * @param Prompt $prompt asks when it would suit
     * @param int $notice hours before its start within which a booking is not changed or cancelled; 0: always
     * @param string $next where it goes on once agreed
     * @param string $none where it goes if nothing is agreed
     * @param ?string $missing where it goes if the caller has no booking; null: the same
     */
    public function __construct(string $key, public string $does, public ?string $service, public ?string $serviceField, public ?string $areaField, public ?string $field, public Prompt $prompt, public int $tries, public int $notice, public string $next, public string $none, public ?string $missing)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return BookKind::NAME;
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function lines(): array
    {
        return Words::of(Words::PROMPT, $this->prompt);
    }

    public function waits(): bool
    {
        return true;
    }

    public function sets(): array
    {
        return $this->field === null ? [] : [$this->field];
    }

    public function exits(): array
    {
        $agreed = ['book' => 'booked', 'change' => 'moved', 'cancel' => 'cancelled'][$this->does];

        return [Way::on($this->next, $agreed), Way::out($this->none, 'nothing agreed'), ...($this->missing === null ? [] : [Way::out($this->missing, 'no booking of the caller')])];
    }
}
