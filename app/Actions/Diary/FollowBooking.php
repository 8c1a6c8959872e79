<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Actions\Deliveries\QueueDeliveries;
use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\Delivery;
use Ringo\Delivery\Timing;
use Ringo\Speech\Display;

/**
 * What hangs on a booking follows it: the record that names its start, reminders timed by it, invitations sent for it, and a text to
 * the caller where a colleague moved or cancelled it by hand. In a call the caller is told by the call itself.
 */
final readonly class FollowBooking
{
    /** A text about a change by hand waits so long: until then undo takes it back unsent. */
    private const UNDO_SECONDS = 60;

    private const GONE = 'the booking was cancelled';

    private const MOMENT = 'Y-m-d\TH:i';

    public function __construct(private QueueDeliveries $queue, private Display $display)
    {
    }

    /** @param int $was where it was before, seconds since 1970 */
    public function moved(Booking $booking, int $was, ?Call $by): void
    {
        if ($booking->starts_at !== $was) {
            $this->retime($booking, $was);
        }
        $knows = $this->recall($booking) ?? $was;
        if ($knows !== $booking->starts_at) {
            $this->tell($booking, $knows, $by === null);
        }
    }

    public function cancelled(Booking $booking, bool $byHand): void
    {
        foreach ($this->timed($booking, $booking->starts_at) as $delivery) {
            $this->log($delivery, 'cancelled with the booking', ['state' => 'cancelled', 'problem' => self::GONE]);
        }
        $this->tell($booking, $this->recall($booking) ?? $booking->starts_at, $byHand);
    }

    public function restored(Booking $booking): void
    {
        foreach ($this->timed($booking, $booking->starts_at, 'cancelled') as $delivery) {
            if ($delivery->problem === self::GONE && $delivery->due_at->isFuture()) {
                $this->log($delivery, 'waiting again with the booking', ['state' => 'waiting', 'problem' => '']);
            }
        }
        $knows = $this->recall($booking);
        if ($knows !== $booking->starts_at) {
            $this->tell($booking, $knows ?? 0, true);
        }
    }

    /** Somebody who waited has got a time: told by text, after the minute in which it can be taken back. */
    public function cameFree(Booking $booking): void
    {
        [$business, $when] = $this->said($booking, $booking->starts_at);
        if ($booking->number !== null) {
            $this->put($booking, "{$this->key($booking)}{$booking->starts_at}-free", ['name' => 'a time came free', 'kind' => 'text', 'to' => $booking->number, 'subject' => '', 'body' => "A time has come free at {$business->name}: your {$this->what($booking)} is booked for {$when}, reference {$booking->reference}. If that does not suit you, please ring us.", 'file' => null]);
        }
    }

    /** What the caller is told of a move. */
    public function words(Booking $booking, int $at): string
    {
        [$business, $when] = $this->said($booking, $at);

        return "Your {$this->what($booking)} with {$business->name} is now on {$when}. If that does not suit you, please ring us.";
    }

    private function cancelWords(Booking $booking): string
    {
        [$business, $when] = $this->said($booking, $booking->starts_at);

        return "Your {$this->what($booking)} with {$business->name} on {$when} does not take place. Please ring us for another time.";
    }

    /** @return array{Business, string} */
    private function said(Booking $booking, int $at): array
    {
        $business = Business::query()->findOrFail($booking->business_id);

        return [$business, (new \DateTimeImmutable('@'.$at))->setTimezone(new \DateTimeZone($business->tz))->format('l j F \a\t H:i')];
    }

    private function what(Booking $booking): string
    {
        return preg_replace('/^(?:an?|the) /i', '', $booking->label) ?? $booking->label;
    }

    /** The start in the record of the call becomes the new one, and what waits for it is timed and worded anew. */
    private function retime(Booking $booking, int $was): void
    {
        $record = $this->record($booking);
        if ($record === null) {
            return;
        }
        $timed = $this->timed($booking, $was);
        $sheet = $record->call->scriptText->script()->sheet;
        $cells = $record->cells;
        $new = $this->local($booking, $booking->starts_at);
        foreach ($this->fields($booking, $was) as $key) {
            $field = $sheet->field($key);
            $cells[$key] = ['value' => $new, 'display' => $field === null ? $new : $this->display->show($field->typed($new)), 'origin' => 'moved with the booking'] + $cells[$key];
        }
        $record->update(['cells' => $cells]);
        $call = $record->call->setRelation('record', $record);
        $ended = $call->placedAt()->toDateTimeImmutable()->modify('+'.(int) $call->seconds.' seconds');
        foreach ($timed as $delivery) {
            $rule = $delivery->rule ?? throw new \LogicException('What is timed by a field has a rule.');
            $due = Timing::of($rule->timing)->due($ended, $new);
            if ($due === null) {
                $this->log($delivery, 'cancelled: the booking moved, and its moment has passed', ['state' => 'cancelled', 'problem' => 'its moment has passed']);

                continue;
            }
            $made = $this->queue->sample($call, $rule);
            $this->log($delivery, 'moved with the booking', ['due_at' => $due->setTimezone(new \DateTimeZone('UTC')), 'subject' => $made->subject, 'body' => $made->body]);
        }
    }

    /**
     * Deliveries of the call that are timed by a field that holds the start.
     *
     * @return list<Delivery>
     */
    private function timed(Booking $booking, int $start, string $state = 'waiting'): array
    {
        $fields = $this->fields($booking, $start);
        /** @var list<Delivery> $found */
        $found = $fields === [] ? [] : Delivery::query()->with('rule')->where('call_id', $booking->call_id)->where('state', $state)->whereNotNull('delivery_rule_id')->get()->all();

        return array_values(array_filter($found, static fn (Delivery $one): bool => in_array($one->rule->timing['field'] ?? null, $fields, true)));
    }

    /** @return list<string> keys of the fields of the call's record that hold this start */
    private function fields(Booking $booking, int $start): array
    {
        $value = $this->local($booking, $start);

        return array_map(strval(...), array_keys(array_filter($this->record($booking)->cells ?? [], static fn (array $cell): bool => $cell['value'] === $value)));
    }

    private function record(Booking $booking): ?CallRecord
    {
        return $booking->call_id === null ? null : CallRecord::query()->with('call.scriptText', 'call.business', 'call.agent', 'call.contact')->where('call_id', $booking->call_id)->first();
    }

    private function local(Booking $booking, int $at): string
    {
        return (new \DateTimeImmutable('@'.$at))->setTimezone(new \DateTimeZone(Business::query()->findOrFail($booking->business_id)->tz))->format(self::MOMENT);
    }

    /**
     * Tells what became of a booking: a text to the caller, and to whoever got the invitation a new one or its cancellation (RFC 5546).
     *
     * @param int $knows the start the caller knows of
     * @param bool $byHand whether a colleague changed it; in a call the caller has just heard it
     */
    private function tell(Booking $booking, int $knows, bool $byHand): void
    {
        $gone = $booking->state === 'cancelled';
        $words = $gone ? $this->cancelWords($booking) : $this->words($booking, $booking->starts_at);
        $key = "{$this->key($booking)}{$knows}-{$booking->sequence}";
        if ($byHand && $booking->number !== null && ! $booking->rehearsal) {
            $this->put($booking, $key, ['name' => $gone ? 'appointment cancelled' : 'appointment moved', 'kind' => 'text', 'to' => $booking->number, 'subject' => '', 'body' => $words, 'file' => null]);
        }
        $invited = $booking->call_id === null ? [] : Delivery::query()->where('call_id', $booking->call_id)->where('file', CalendarFile::INVITATION)->whereIn('state', ['sent', 'sending', 'failed'])->orderBy('id')->get()->unique('to');
        foreach ($invited as $one) {
            $this->put($booking, $key.'-'.substr(hash('sha256', $one->to), 0, 12), ['name' => $one->name, 'kind' => 'email', 'to' => $one->to, 'subject' => $one->subject, 'body' => $words, 'file' => CalendarFile::INVITATION]);
        }
    }

    /** Takes back what has not gone yet; gives the start the caller still knows, null where nothing waited. */
    private function recall(Booking $booking): ?int
    {
        $knows = null;
        /** @var Delivery $waiting */
        foreach (Delivery::query()->where('key', 'like', $this->key($booking).'%')->where('state', 'waiting')->orderBy('id')->get() as $waiting) {
            $this->log($waiting, 'taken back: changed again before it went', ['state' => 'cancelled', 'problem' => 'changed again before it went']);
            $knows ??= (int) explode('-', substr($waiting->key, strlen($this->key($booking))))[0];
        }

        return $knows;
    }

    private function key(Booking $booking): string
    {
        return "{$booking->reference}-{$booking->business_id}-told-";
    }

    /** @param array<string, mixed> $data */
    private function put(Booking $booking, string $key, array $data): void
    {
        Delivery::query()->firstOrCreate(['key' => $key], $data + ['business_id' => $booking->business_id, 'call_id' => $booking->call_id, 'state' => 'waiting', 'attempts' => 0, 'problem' => '', 'log' => [], 'due_at' => now()->addSeconds(self::UNDO_SECONDS)]);
    }

    /** @param array<string, mixed> $data */
    private function log(Delivery $delivery, string $what, array $data): void
    {
        $delivery->update($data + ['log' => [...$delivery->log, ['at' => now()->toIso8601String(), 'what' => $what]]]);
    }
}
