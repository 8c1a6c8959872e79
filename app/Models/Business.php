<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A client for whom agents work; it owns all that follows.
 *
 * @property int $id
 * @property string $key
 * @property string $name
 * @property string $country ISO 3166 code
 * @property string $tz
 */
final class Business extends Model
{
    protected $fillable = ['key', 'name', 'country', 'tz'];

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return HasMany<Agent, $this> */
    public function agents(): HasMany
    {
        return $this->hasMany(Agent::class)->orderBy('name');
    }

    /** @return HasMany<Contact, $this> */
    public function contacts(): HasMany
    {
        return $this->hasMany(Contact::class);
    }

    /** @return HasMany<Call, $this> */
    public function calls(): HasMany
    {
        return $this->hasMany(Call::class);
    }

    /** @return HasMany<ContactImport, $this> */
    public function imports(): HasMany
    {
        return $this->hasMany(ContactImport::class);
    }

    /** @return HasMany<Offer, $this> */
    public function offers(): HasMany
    {
        return $this->hasMany(Offer::class);
    }

    /** @return HasMany<PromisedCallBack, $this> */
    public function callBacks(): HasMany
    {
        return $this->hasMany(PromisedCallBack::class);
    }

    /** @return HasMany<Team, $this> */
    public function teams(): HasMany
    {
        return $this->hasMany(Team::class)->orderBy('name');
    }

    /** @return HasMany<Person, $this> */
    public function people(): HasMany
    {
        return $this->hasMany(Person::class)->orderBy('name');
    }

    /** @return HasMany<ContactColumn, $this> */
    public function contactColumns(): HasMany
    {
        return $this->hasMany(ContactColumn::class)->orderBy('id');
    }

    /** @return HasMany<CallRecord, $this> */
    public function records(): HasMany
    {
        return $this->hasMany(CallRecord::class);
    }
}
