<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A number a contact calls from.
 *
 * @property int $contact_id
 * @property string $e164
 * @property string $label
 */
final class ContactNumber extends Model
{
    public $timestamps = false;

    protected $table = 'contact_numbers';

    protected $fillable = ['contact_id', 'business_id', 'e164', 'label'];
}
