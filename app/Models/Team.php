<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * A team that can take transfers, described in plain words.
 *
 * @property int $id
 * @property int $business_id
 * @property string $key
 * @property string $name
 * @property string $description
 * @property list<string> $examples
 * @property string $ring all, turn or idle
 * @property int $seconds
 * @property int $waiting_most
 * @property array<string, mixed> $hours as in a script
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Person> $people
 */
final class Team extends Model
{
    use SoftDeletes;

    protected $table = 'teams';

    protected $fillable = ['business_id', 'key', 'name', 'description', 'examples', 'ring', 'seconds', 'waiting_most', 'hours'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['examples' => 'array', 'hours' => 'array', 'seconds' => 'integer', 'waiting_most' => 'integer'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsToMany<Person, $this> */
    public function people(): BelongsToMany
    {
        return $this->belongsToMany(Person::class)->withPivot('position')->orderByPivot('position');
    }
}
