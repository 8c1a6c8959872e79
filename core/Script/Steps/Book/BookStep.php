<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Book;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Prompt;

/** Agrees a time: books one, changes one that is booked, or cancels it. */
final readonly class BookStep extends PlainStep
{
    public const DOES = ['book', 'change', 'cancel'];

    /** By what a caller's booking can be found. */
    public const FIND = ['number', 'reference', 'name'];

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
     * @param list<string> $find by what the caller's booking is found, of FIND; 'name' needs the day as well
     * @param int $series appointments of a series at most; 0: none are made
     * @param ?string $waiting where it goes once the caller is on the waiting list; null: there is none
     * @param ?string $referenceField field that takes the reference of the booking, so that the caller can be told it
     */
    public function __construct(string $key, public string $does, public ?string $service, public ?string $serviceField, public ?string $areaField, public ?string $field, public Prompt $prompt, public int $tries, public int $notice, public string $next, public string $none, public ?string $missing, public array $find = ['number'], public int $series = 0, public ?string $waiting = null, public ?string $referenceField = null)
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

    /** @return list<string> keys of the services it may book */
    public function services(RecordSheet $sheet): array
    {
        $field = $this->serviceField === null ? null : $sheet->field($this->serviceField);

        return array_values(array_unique([...($this->service === null || $field !== null && $field->options !== [] ? [] : [$this->service]), ...array_map(strval(...), array_column($field->options ?? [], 'key'))]));
    }

    public function waits(): bool
    {
        return true;
    }

    public function sets(): array
    {
        return array_values(array_filter([$this->field, $this->referenceField], is_string(...)));
    }

    public function exits(): array
    {
        $agreed = ['book' => 'booked', 'change' => 'moved', 'cancel' => 'cancelled'][$this->does];

        return [Way::on($this->next, $agreed), Way::out($this->none, 'nothing agreed'), ...($this->missing === null ? [] : [Way::out($this->missing, 'no booking of the caller')]), ...($this->waiting === null ? [] : [Way::on($this->waiting, 'on the waiting list')])];
    }
}
