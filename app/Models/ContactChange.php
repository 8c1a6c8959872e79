<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A fact of a contact that changed, or that a call proposes to change.
 *
 * @property int $id
 * @property int $contact_id
 * @property ?int $call_id
 * @property string $field
 * @property ?string $from
 * @property ?string $to
 * @property string $state written, proposed, accepted or refused
 * @property ?\Illuminate\Support\Carbon $created_at
 */
final class ContactChange extends Model
{
    protected $table = 'contact_changes';

    protected $fillable = ['contact_id', 'call_id', 'user_id', 'field', 'from', 'to', 'state'];
}
