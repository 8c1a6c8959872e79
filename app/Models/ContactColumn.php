<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A column of the business's own on its contacts.
 *
 * @property int $business_id
 * @property string $key
 * @property string $title
 * @property string $type text, number, date, yes_no or choice
 */
final class ContactColumn extends Model
{
    public const TYPES = ['text' => 'words', 'number' => 'a number', 'date' => 'a date', 'yes_no' => 'yes or no'];

    public $timestamps = false;

    protected $table = 'contact_columns';

    protected $fillable = ['business_id', 'key', 'title', 'type'];

    /** A value for people to read: keys as words, dates written out. */
    public function shown(mixed $value): string
    {
        $value = is_scalar($value) ? (string) $value : '';

        return match (true) {
            $this->type === 'date' && preg_match('/^\d{4}-\d\d-\d\d$/', $value) === 1 => (new \DateTimeImmutable($value))->format('j M Y'),
            preg_match('/^[a-z]+(_[a-z]+)*$/', $value) === 1 && $this->type === 'text' => ucwords(str_replace('_', ' ', $value)),
            default => $value,
        };
    }
}
