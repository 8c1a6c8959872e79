<?php

declare(strict_types=1);

namespace App\Actions\Deliveries\Kinds;

use App\Actions\Deliveries\RecordValues;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\Membership;
use Illuminate\Database\Eloquent\Builder;
use Ringo\Delivery\Means;
use Ringo\Speech\Prompt;
use Ringo\Value\Redaction;

/** What is particular to one means of delivery: what its rule says, what is made of a call, how it travels, and what is taken out of it. */
abstract readonly class DeliveryKind
{
    abstract public function means(): Means;

    /** @return list<string> parts of a rule's form that it has: to, subject, words, file, columns */
    abstract public function parts(): array;

    /**
     * What is wrong with a rule, by part of its form.
     *
     * @param array<string, string> $columns column => value
     *
     * @return array<string, string>
     */
    abstract public function problems(string $to, string $words, array $columns): array;

    abstract public function body(DeliveryRule $rule, RecordValues $values): string;

    /** One line of what is sent. */
    abstract public function inShort(Delivery $delivery): string;

    /** Whether it goes through a gateway; what does not is done when it is made. */
    public function travels(): bool
    {
        return true;
    }

    /** Whether its requests are signed. */
    public function isSigned(): bool
    {
        return false;
    }

    public function has(string $part): bool
    {
        return in_array($part, $this->parts(), true);
    }

    /**
     * Where everybody with a role is reached; who is not reached by these means gets nothing.
     *
     * @param Builder<Membership> $members
     *
     * @return list<string>
     */
    public function reached(Builder $members): array
    {
        return array_values(array_map(strval(...), $members->join('users', 'users.id', '=', 'memberships.user_id')->pluck('users.email')->all()));
    }

    /** @return array<string, string> */
    public function headers(string $key, string $body, ?string $secret): array
    {
        return [];
    }

    /** As people read it. */
    public function shown(string $body): string
    {
        return $body;
    }

    /**
     * The body without what some people do not see.
     *
     * @param array<string, string> $keys fields kept back
     */
    public function without(Delivery $delivery, array $keys, string $instead): string
    {
        return $delivery->body;
    }

    /** The body without one field whose time is over; what was kept beside it goes too. */
    public function erased(Delivery $delivery, string $field, Redaction $redaction): string
    {
        return $redaction->summary($delivery->body);
    }

    public function subject(DeliveryRule $rule, RecordValues $values): string
    {
        return $this->has('subject') ? $this->filled($rule->subject, $values) : '';
    }

    protected function filled(string $template, RecordValues $values): string
    {
        return trim($template) === '' ? '' : Prompt::of($template)->filled(0, $values->written(...));
    }
}
