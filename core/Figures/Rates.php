<?php

declare(strict_types=1);

namespace Ringo\Figures;

/** What a business pays for its telephone, in its own currency. */
final readonly class Rates
{
    private const DAYS_OF_A_MONTH = 365.25 / 12;

    /**
     * @param float $inbound a minute of a call that came in
     * @param float $outbound a minute of a call that went out
     * @param float $text a text message
     * @param float $email an e-mail
     * @param float $month what is paid each month whatever happens
     */
    public function __construct(public float $inbound = 0, public float $outbound = 0, public float $text = 0, public float $email = 0, public float $month = 0)
    {
    }

    /**
     * @param array<array-key, mixed> $data
     */
    public static function fromArray(array $data): self
    {
        $rate = static fn (string $key): float => is_numeric($data[$key] ?? null) ? max(0.0, (float) $data[$key]) : 0.0;

        return new self($rate('inbound'), $rate('outbound'), $rate('text'), $rate('email'), $rate('month'));
    }

    public function none(): bool
    {
        return $this->inbound + $this->outbound + $this->text + $this->email + $this->month <= 0.0;
    }

    /**
     * What the calls of so many days cost: minutes are paid by the second, the month by the day.
     *
     * @return array{all: float, call: ?float, task: ?float, month: float} task: per call that ended as it should; month: what a month like these days costs
     */
    public function of(Tally $tally, int $days): array
    {
        $used = $this->inbound * $tally->total('call', 'inbound') / 60 + $this->outbound * $tally->total('call', 'outbound') / 60;
        foreach ($tally->by('delivery') as $key => $n) {
            [$kind, $state] = [...explode('/', $key, 2), ''];
            $used += $state === 'sent' ? $n * match ($kind) {
                'text' => $this->text, 'email' => $this->email, default => 0.0,
            } : 0.0;
        }
        $all = $used + $this->month * $days / self::DAYS_OF_A_MONTH;
        $calls = $tally->n('call');
        $tasks = $tally->n('handled', Handled::Agent->value) + $tally->n('handled', Handled::Staff->value);

        return ['all' => $all, 'call' => $calls === 0 ? null : $all / $calls, 'task' => $tasks === 0 ? null : $all / $tasks, 'month' => $this->month + $used / max(1, $days) * self::DAYS_OF_A_MONTH];
    }
}
