<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactColumn;
use App\Models\ContactNumber;
use App\Models\Membership;
use App\Models\Person;
use App\Models\Role;
use App\Models\Team;
use App\Models\User;
use Ringo\Numbering\NumberingPlan;

/** Who works with the demonstration, who takes its calls, and who rings. */
final readonly class DemoPeople
{
    public function __construct(private DemoFiles $files, private NumberingPlan $plan)
    {
    }

    /** @return list<User> owner, specialist, staff */
    public function users(): array
    {
        $users = [];
        foreach (['owner' => 'Olwen Pell', 'specialist' => 'Sam Tarrant', 'staff' => 'Bea Cresswell'] as $local => $name) {
            $users[] = User::query()->create(['name' => $name, 'email' => $local.'@ringo.example', 'password' => DemoSeeder::PASSWORD]);
        }

        return $users;
    }

    /** @param list<User> $users */
    public function business(string $key, string $name, array $users): Business
    {
        $business = Business::query()->create(['key' => $key, 'name' => $name, 'country' => 'GB', 'tz' => 'Europe/London']);
        foreach ($users as $i => $user) {
            Membership::query()->create(['user_id' => $user->id, 'business_id' => $business->id, 'role' => [Role::Owner, Role::Designer, Role::Staff][$i]]);
        }

        return $business;
    }

    /** @param list<string> $facts columns that are facts of the caller */
    public function contacts(Business $business, array $facts): void
    {
        foreach ($this->files->rows($business, 'contacts.csv') as $row) {
            $contact = Contact::query()->create([
                'business_id' => $business->id,
                'name' => $row['name'],
                'organisation' => $row['organisation'],
                'email' => $row['email'],
                'facts' => array_filter(array_intersect_key($row, array_flip($facts))),
            ]);
            foreach (explode(';', $row['phone']) as $i => $written) {
                $number = $this->plan->parse($written, $business->country) ?? throw new \RuntimeException("contacts.csv: “{$written}” is no number");
                ContactNumber::query()->create(['contact_id' => $contact->id, 'business_id' => $business->id, 'e164' => $number->e164, 'label' => $i === 0 ? 'main' : 'office']);
            }
        }
    }

    /** Teams and people who take transferred calls; the demonstration's member of staff sits at the desk of one of them. */
    public function staff(Business $business): void
    {
        /** @var array{people: list<array{key: string, name: string, number: string, site: string, teams: list<string>}>, teams: list<array<string, mixed>>} $data */
        $data = json_decode($this->files->text($business, 'teams.json'), true, 16, JSON_THROW_ON_ERROR);
        $teams = [];
        foreach ($data['teams'] as $team) {
            $teams[(string) $team['key']] = Team::query()->create($team + ['business_id' => $business->id, 'examples' => []]);
        }
        foreach ($data['people'] as $i => $one) {
            $user = User::query()->where('name', $one['name'])->first();
            $person = Person::query()->create(['business_id' => $business->id, 'key' => $one['key'], 'name' => $one['name'], 'site' => $one['site'], 'number' => $this->plan->parse($one['number'], $business->country)?->e164, 'presence' => $one['key'] === 'vera' ? 'away' : 'available', 'user_id' => $user?->id, 'last_call_at' => now()->subHours($i + 1)]);
            foreach ($one['teams'] as $team) {
                $teams[$team]->people()->attach($person->id, ['position' => $i]);
            }
        }
    }

    /** A site telephone that three people share, a trade account with a PIN, a firm's switchboard, and a number that is blocked. */
    public function specialCallers(Business $business): void
    {
        foreach (['depot' => 'Depot', 'account_number' => 'Account number', 'postcode' => 'Postcode'] as $key => $title) {
            ContactColumn::query()->create(['business_id' => $business->id, 'key' => $key, 'title' => $title, 'type' => 'text']);
        }
        /** @var Contact $contact */
        foreach ($business->contacts()->whereNotNull('facts->account_number')->get() as $i => $contact) {
            $contact->update(['tags' => ['trade account'], 'pin_hash' => password_hash((string) (4100 + 7 * $i), PASSWORD_BCRYPT, ['cost' => 4])]);
        }
        $special = [
            ['Ged Holroyd', 'Larkhill Groundworks', '07700 900271', 'person', false, ['site phone']], ['Mina Sayer', 'Larkhill Groundworks', '07700 900271', 'person', false, ['site phone']], ['Owen Tate', 'Larkhill Groundworks', '07700 900271', 'person', false, ['site phone']],
            ['Larkhill Groundworks', '', '01632 960270', 'organisation', false, ['trade account']], ['Nuisance caller', '', '07700 900666', 'person', true, []],
        ];
        foreach ($special as [$name, $organisation, $number, $kind, $blocked, $tags]) {
            $contact = Contact::query()->create(['business_id' => $business->id, 'name' => $name, 'organisation' => $organisation, 'email' => '', 'facts' => [], 'kind' => $kind, 'blocked' => $blocked, 'tags' => $tags]);
            ContactNumber::query()->create(['contact_id' => $contact->id, 'business_id' => $business->id, 'e164' => $this->plan->parse($number, $business->country)->e164 ?? '', 'label' => 'main']);
        }
    }
}
