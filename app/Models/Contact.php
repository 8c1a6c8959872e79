<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Somebody who may call.
 *
 * @property int $id
 * @property int $business_id
 * @property string $name
 * @property string $organisation
 * @property string $email
 * @property array<string, string> $facts
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ContactNumber> $numbers
 */
final class Contact extends Model
{
    protected $fillable = ['business_id', 'name', 'organisation', 'email', 'facts'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['facts' => 'array'];
    }

    /** @return HasMany<ContactNumber, $this> */
    public function numbers(): HasMany
    {
        return $this->hasMany(ContactNumber::class)->orderBy('id');
    }

    /** @return array<string, string> what an agent may know of the caller */
    public function callerFacts(): array
    {
        return [...$this->facts, 'name' => $this->name, 'organisation' => $this->organisation, 'email' => $this->email];
    }
}
