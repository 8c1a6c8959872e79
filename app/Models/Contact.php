<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * Somebody who may call.
 *
 * @property int $id
 * @property int $business_id
 * @property ?string $uid the identifier of the card it came from
 * @property string $name
 * @property string $organisation
 * @property string $email
 * @property array<string, string> $facts
 * @property string $kind person or organisation
 * @property ?list<string> $tags
 * @property ?array<string, string> $fact_days day each fact was last confirmed
 * @property ?string $notes
 * @property string $language
 * @property ?\Illuminate\Support\Carbon $consent_on
 * @property bool $do_not_call
 * @property bool $blocked
 * @property ?string $pin_hash
 * @property int $verify_failures
 * @property ?\Illuminate\Support\Carbon $locked_until
 * @property ?int $import_id
 * @property ?\Illuminate\Support\Carbon $erased_at
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ContactNumber> $numbers
 */
final class Contact extends Model
{
    use SoftDeletes;

    protected $table = 'contacts';

    protected $fillable = ['business_id', 'uid', 'name', 'organisation', 'email', 'facts', 'kind', 'tags', 'fact_days', 'notes', 'language', 'consent_on', 'do_not_call', 'blocked', 'pin_hash', 'verify_failures', 'locked_until', 'import_id', 'erased_at'];

    protected $hidden = ['pin_hash'];

    /** The card's own identifier (vCard UID, RFC 6350): as it came, else one of the contact's own that never changes. */
    public function uid(): string
    {
        $uid = $this->getAttribute('uid');

        return is_string($uid) && $uid !== '' ? $uid : 'urn:ringo:contact:'.substr(hash('sha256', $this->business_id.'|'.$this->id), 0, 32);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['facts' => 'array', 'tags' => 'array', 'fact_days' => 'array', 'consent_on' => 'date', 'do_not_call' => 'boolean', 'blocked' => 'boolean', 'locked_until' => 'datetime', 'erased_at' => 'datetime'];
    }

    /** @return HasMany<ContactNumber, $this> */
    public function numbers(): HasMany
    {
        return $this->hasMany(ContactNumber::class)->orderBy('id');
    }

    /** @return HasMany<ContactChange, $this> */
    public function changes(): HasMany
    {
        return $this->hasMany(ContactChange::class)->orderByDesc('id');
    }

    /** @return array<string, string> what an agent may know of the caller */
    public function callerFacts(): array
    {
        $days = [];
        foreach ($this->fact_days ?? [] as $fact => $day) {
            $days[$fact.'_at'] = $day;
        }

        return [...$this->facts, ...$days, 'name' => $this->name, 'organisation' => $this->organisation, 'email' => $this->email];
    }

    /** @return array<string, scalar|null> the same, with what only recognition uses */
    public function recognitionFacts(): array
    {
        return [...$this->callerFacts(), 'contact_kind' => $this->kind, 'blocked' => $this->blocked, 'pin_hash' => (string) $this->pin_hash, 'contact_id' => (string) $this->id, 'locked' => $this->locked_until !== null && $this->locked_until->isFuture()];
    }
}
