<?php

declare(strict_types=1);

namespace App\Models;

use App\Actions\Diary\CalendarFile;
use App\Actions\Diary\DiariesOf;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\Relations\MorphMany;
use Ringo\Brief\Brief;
use Ringo\Delivery\Timing;
use Ringo\Diary\Diaries;
use Ringo\Errand\Errands;
use Ringo\Fit\Caution;
use Ringo\Inspection\Surroundings;

/**
 * A client for whom agents work; it owns all that follows.
 *
 * @property int $id
 * @property string $key
 * @property string $name
 * @property string $country ISO 3166 code
 * @property string $tz
 * @property ?int $keep_days after how many days calls are erased
 * @property int $knowledge_version goes up with every change of what agents answer from
 * @property ?list<string> $knowledge_hosts web hosts pages may be fetched from
 * @property ?array<string, mixed> $diary hours, closures, roads and sharing of its diaries
 * @property string $caution what a wrong transfer and a question cost here: quick, even or careful
 * @property ?array<string, int|float> $rates what its telephone costs
 * @property ?array<string, mixed> $brief what is true of it, in the format of briefs
 * @property ?\Illuminate\Support\Carbon $archived_at
 * @property-read ?Adviser $adviser
 * @property ?list<string> $own_words words for the same thing, a ring a line
 */
final class Business extends Model
{
    protected $table = 'businesses';

    protected $fillable = ['key', 'name', 'country', 'tz', 'keep_days', 'knowledge_version', 'knowledge_hosts', 'own_words', 'caution', 'diary', 'errand_hosts', 'rates', 'brief', 'archived_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['knowledge_hosts' => 'array', 'own_words' => 'array', 'diary' => 'array', 'errand_hosts' => 'array', 'rates' => 'array', 'brief' => 'array', 'archived_at' => 'datetime'];
    }

    /** What is true of the business: who it is, where, and when it is open. */
    public function brief(): Brief
    {
        return $this->brief === null ? Brief::blank() : Brief::fromArray($this->brief);
    }

    /** @return HasMany<Line, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(Line::class)->orderBy('id');
    }

    /** What a wrong transfer and a question cost this business. */
    public function caution(): Caution
    {
        return Caution::tryFrom((string) $this->caution) ?? Caution::Even;
    }

    /** What the inspection of a design knows of the business around it. */
    public function surroundings(): Surroundings
    {
        return new Surroundings(
            $this->fileNames(),
            array_values(self::query()->whereKeyNot($this->id)->pluck('name')->all()),
            [...($this->contacts()->whereNotNull('pin_hash')->exists() ? ['pin'] : []), ...array_values(array_map(strval(...), $this->contactColumns()->pluck('key')->all()))],
            array_values(array_unique(array_map(strval(...), DeliveryRule::query()->where('business_id', $this->id)->where('active', true)->pluck('kind')->all()))),
            null,
            Diaries::fromArray((new DiariesOf)->document($this)),
            $this->reminders(),
            $this->errandDesigns(),
            $this->brief === null ? null : $this->brief(),
        );
    }

    /** @return list<array{name: string, field: string, seconds: int}> what rules send so long before a moment in a field */
    private function reminders(): array
    {
        $units = ['minute' => 60, 'hour' => 3600, 'day' => 86_400];
        $reminders = [];
        foreach (DeliveryRule::query()->where('business_id', $this->id)->where('active', true)->get() as $rule) {
            $timing = Timing::of($rule->timing);
            if ($timing->kind === 'before' && $timing->field !== null) {
                $reminders[] = ['name' => $rule->name, 'field' => $timing->field, 'seconds' => $timing->amount * ($units[$timing->unit] ?? 0)];
            }
        }

        return $reminders;
    }

    /** What agents of the business may look up or have done elsewhere. */
    public function errandDesigns(): Errands
    {
        return Errands::of($this->errands()->get()->map(static fn (Errand $errand): \Ringo\Errand\Errand => $errand->design()));
    }

    /** @return HasOne<Adviser, $this> */
    public function adviser(): HasOne
    {
        return $this->hasOne(Adviser::class);
    }

    /** @return HasMany<CallImport, $this> */
    public function callImports(): HasMany
    {
        return $this->hasMany(CallImport::class);
    }

    /** Somebody who owns it; who was first. */
    public function owner(): ?User
    {
        /** @var ?User $owner */
        $owner = User::query()->whereIn('id', Membership::query()->where('business_id', $this->id)->where('role', Role::Owner->value)->select('user_id'))->orderBy('id')->first();

        return $owner;
    }

    /** @return MorphMany<ApiToken, $this> */
    public function apiTokens(): MorphMany
    {
        return $this->morphMany(ApiToken::class, 'tokenable');
    }

    /** @return HasMany<Survey, $this> */
    public function surveys(): HasMany
    {
        return $this->hasMany(Survey::class);
    }

    /** @return HasMany<Campaign, $this> */
    public function campaigns(): HasMany
    {
        return $this->hasMany(Campaign::class)->orderByDesc('id');
    }

    /** @return HasMany<LineRush, $this> */
    public function lineRushes(): HasMany
    {
        return $this->hasMany(LineRush::class);
    }

    /** @return HasMany<Invitation, $this> */
    public function invitations(): HasMany
    {
        return $this->hasMany(Invitation::class);
    }

    /** @return HasMany<Errand, $this> */
    public function errands(): HasMany
    {
        return $this->hasMany(Errand::class)->orderBy('key');
    }

    /** @return HasMany<ErrandTable, $this> */
    public function errandTables(): HasMany
    {
        return $this->hasMany(ErrandTable::class)->orderBy('name');
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return HasMany<Agent, $this> */
    public function agents(): HasMany
    {
        return $this->hasMany(Agent::class)->orderBy('name');
    }

    /** @return HasMany<Diary, $this> */
    public function diaries(): HasMany
    {
        return $this->hasMany(Diary::class)->orderBy('id');
    }

    /** @return HasMany<BookableService, $this> */
    public function bookableServices(): HasMany
    {
        return $this->hasMany(BookableService::class)->orderBy('id');
    }

    /** @return HasMany<Waiting, $this> */
    public function waitings(): HasMany
    {
        return $this->hasMany(Waiting::class);
    }

    /** @return HasMany<Booking, $this> */
    public function bookings(): HasMany
    {
        return $this->hasMany(Booking::class);
    }

    /** @return HasMany<OwnTrade, $this> */
    public function ownTrades(): HasMany
    {
        return $this->hasMany(OwnTrade::class);
    }

    /** @return HasMany<TeamExample, $this> */
    public function teamExamples(): HasMany
    {
        return $this->hasMany(TeamExample::class);
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

    /** @return HasMany<RecordSheet, $this> */
    public function recordSheets(): HasMany
    {
        return $this->hasMany(RecordSheet::class)->orderBy('name');
    }

    /** @return HasMany<DeliveryRule, $this> */
    public function rules(): HasMany
    {
        return $this->hasMany(DeliveryRule::class);
    }

    /** @return HasMany<DeliveryRule, $this> */
    public function deliveryRules(): HasMany
    {
        return $this->hasMany(DeliveryRule::class)->orderBy('id');
    }

    /** @return HasMany<Enclosure, $this> */
    public function enclosures(): HasMany
    {
        return $this->hasMany(Enclosure::class)->orderBy('name');
    }

    /** @return list<string> names of the files that e-mails may carry */
    public function fileNames(): array
    {
        return [...array_values(array_map(strval(...), $this->enclosures()->pluck('name')->all())), ...(Diary::query()->where('business_id', $this->id)->exists() ? [CalendarFile::INVITATION] : [])];
    }

    /** @return HasMany<Delivery, $this> */
    public function deliveries(): HasMany
    {
        return $this->hasMany(Delivery::class);
    }

    /** @return HasMany<ReadingAgain, $this> */
    public function readingsAgain(): HasMany
    {
        return $this->hasMany(ReadingAgain::class);
    }

    /** @return HasMany<SavedFilter, $this> */
    public function savedFilters(): HasMany
    {
        return $this->hasMany(SavedFilter::class)->orderBy('name');
    }

    /** @return HasMany<KnowledgeSource, $this> */
    public function knowledgeSources(): HasMany
    {
        return $this->hasMany(KnowledgeSource::class)->orderBy('name');
    }

    /** @return HasMany<KnowledgeCheck, $this> */
    public function knowledgeChecks(): HasMany
    {
        return $this->hasMany(KnowledgeCheck::class)->orderBy('id');
    }

    /** @return HasMany<KnowledgeQuestion, $this> */
    public function knowledgeQuestions(): HasMany
    {
        return $this->hasMany(KnowledgeQuestion::class);
    }
}
