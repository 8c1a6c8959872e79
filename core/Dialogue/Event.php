<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Advice\Opinion;
use Ringo\Errand\Reply;

/** Something that happened in a call, at so many seconds after its start. */
final readonly class Event
{
    private function __construct(public EventKind $kind, public float $at, public string $text = '', public float $seconds = 0.0)
    {
    }

    public static function started(float $at = 0.0): self
    {
        return new self(EventKind::Started, $at);
    }

    public static function said(string $text, float $at): self
    {
        return new self(EventKind::Said, $at, $text);
    }

    /** @param string $digits keys in order: 0 to 9, * and # */
    public static function keys(string $digits, float $at): self
    {
        return new self(EventKind::Keys, $at, (string) preg_replace('/[^0-9*#]/', '', $digits));
    }

    public static function silence(float $seconds, float $at): self
    {
        return new self(EventKind::Silence, $at, '', $seconds);
    }

    /** @param float $seconds how much of the prompt had been heard */
    public static function interrupted(float $seconds, float $at): self
    {
        return new self(EventKind::Interrupted, $at, '', $seconds);
    }

    public static function hungUp(float $at): self
    {
        return new self(EventKind::HungUp, $at);
    }

    public static function staffSaid(string $text, float $at): self
    {
        return new self(EventKind::StaffSaid, $at, $text);
    }

    /** @param string $person key of whoever took the call */
    public static function answered(string $person, float $at): self
    {
        return new self(EventKind::Answered, $at, $person);
    }

    /** @param string $how transfer_busy, transfer_no_answer or transfer_declined */
    public static function notAnswered(string $how, string $reason, float $at): self
    {
        return new self(EventKind::from($how), $at, $reason);
    }

    /**
     * An errand has come back, failed, or taken too long.
     *
     * @param string $id of the errand in this call
     * @param float $seconds it took
     */
    public static function errandReturned(string $id, Reply $reply, float $seconds, float $at): self
    {
        return new self(EventKind::ErrandReturned, $at, json_encode(['id' => $id, 'seconds' => $seconds] + $reply->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    /** An errand is still on its way. */
    public static function errandWaits(float $at): self
    {
        return new self(EventKind::ErrandWaits, $at);
    }

    /**
     * A second opinion is there, or will not come.
     *
     * @param string $id of the opinion in this call
     */
    public static function advised(string $id, Opinion $opinion, float $seconds, float $at): self
    {
        return new self(EventKind::Advised, $at, json_encode(['id' => $id] + $opinion->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE), $seconds);
    }

    /** The same, without the words. */
    public function masked(): self
    {
        return new self($this->kind, $this->at, $this->text === '' ? '' : '••••', $this->seconds);
    }

    /** @return array{kind: string, at: float, text: string, seconds: float} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'at' => $this->at, 'text' => $this->text, 'seconds' => $this->seconds];
    }

    /** @param array{kind: string, at: float|int, text?: string, seconds?: float|int} $data */
    public static function fromArray(array $data): self
    {
        return new self(EventKind::from($data['kind']), (float) $data['at'], $data['text'] ?? '', (float) ($data['seconds'] ?? 0));
    }
}
