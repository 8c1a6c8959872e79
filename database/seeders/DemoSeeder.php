<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Calls\KeepFinishedCall;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactNumber;
use App\Models\Draft;
use App\Models\Membership;
use App\Models\Release;
use App\Models\Role;
use App\Models\ScriptText;
use App\Models\User;
use Illuminate\Database\Seeder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Numbering\NumberingPlan;
use Ringo\Recognition\CallerFacts;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;

/** Builds the demonstration from the readable files in database/demo: every call is really run by the engine. */
final class DemoSeeder extends Seeder
{
    public const PASSWORD = 'ringo-demo';

    public function __construct(private readonly NumberingPlan $plan, private readonly KeepFinishedCall $keep)
    {
    }

    public function run(): void
    {
        DB::transaction(function (): void {
            $business = Business::query()->create(['key' => 'pellbrook', 'name' => 'Pellbrook Hire', 'country' => 'GB', 'tz' => 'Europe/London']);
            $this->people($business);
            $document = $this->file('maren.json');
            $agent = Agent::query()->create(['business_id' => $business->id, 'key' => 'maren', 'name' => 'Maren', 'direction' => 'inbound']);
            $text = ScriptText::of($agent, $document);
            Draft::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'version' => 1]);
            $release = Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'number' => 1, 'note' => 'First release: reservations, extensions, breakdowns, off-hire, messages']);
            $this->contacts($business);
            $this->calls($business, $agent, $release);
        });
    }

    private function people(Business $business): void
    {
        foreach (['owner' => ['Olwen Pell', Role::Owner], 'specialist' => ['Sam Tarrant', Role::Designer], 'staff' => ['Bea Cresswell', Role::Staff]] as $local => [$name, $role]) {
            $user = User::query()->create(['name' => $name, 'email' => $local.'@ringo.example', 'password' => self::PASSWORD]);
            Membership::query()->create(['user_id' => $user->id, 'business_id' => $business->id, 'role' => $role]);
        }
    }

    private function contacts(Business $business): void
    {
        foreach ($this->rows('contacts.csv') as $row) {
            $contact = Contact::query()->create([
                'business_id' => $business->id,
                'name' => $row['name'],
                'organisation' => $row['organisation'],
                'email' => $row['email'],
                'facts' => array_filter(['depot' => $row['depot'], 'account_number' => $row['account_number']]),
            ]);
            foreach (explode(';', $row['phone']) as $i => $written) {
                $number = $this->plan->parse($written, $business->country) ?? throw new \RuntimeException("contacts.csv: “{$written}” is no number");
                ContactNumber::query()->create(['contact_id' => $contact->id, 'business_id' => $business->id, 'e164' => $number->e164, 'label' => $i === 0 ? 'main' : 'office']);
            }
        }
    }

    private function calls(Business $business, Agent $agent, Release $release): void
    {
        $script = $release->scriptText->script();
        $engine = Engine::for($script);
        $opening = new Opening($script);
        $rehearsal = new Rehearsal($engine);
        $today = Carbon::now($business->tz)->startOfDay();
        foreach ($this->rows('calls.csv') as $i => $row) {
            $placed = $today->copy()->subDays((int) $row['days_ago'])->setTimeFromTimeString($row['time']);
            if ($placed->isFuture() || ! $script->hours->openAt($placed->toDateTimeImmutable())) {
                $placed = $placed->copy()->subDay()->setTime(10, $i % 60);
            }
            $number = $row['from'] === '' ? null : $this->plan->parse($row['from'], $business->country);
            $contact = $number === null ? null : Contact::query()->whereHas('numbers', static fn ($numbers) => $numbers->where('e164', $number->e164))->first();
            $facts = CallerFacts::of($contact === null ? [] : [$contact->callerFacts()]);
            $state = $opening->state((string) Str::ulid($placed), $placed->toDateTimeImmutable(), $row['seed'], $number?->e164, null, $facts);
            $lines = strtr($this->file("calls/{$row['lines']}.txt"), [
                '{name}' => $contact === null ? 'my name is '.self::NAMES[$i % count(self::NAMES)] : '; the name is known',
                '{phone}' => $number === null ? 'oh seven seven double oh nine double oh five '.($i % 2 === 0 ? 'two one' : 'six eight') : ['yes', "yes that's right", 'yes it is', 'yeah'][$i % 4],
                '{depot}' => ($facts['depot'] ?? '') !== '' ? ['yes', 'yes please', 'yeah that one'][$i % 3] : ['Oldmere', 'Stanwick Cross', 'the one at Tarn Bridge'][$i % 3],
                '{n}' => sprintf('%03d', (int) $row['seed'] % 1000),
            ]);
            $this->keep->live($agent, $release, $rehearsal->run($state, Input::fromLines($lines)), $contact);
        }
    }

    /** Callers that are in nobody's list. */
    private const NAMES = ['Corin Blake', 'Petra Sandys', 'Alun Rees', 'Mirela Stan', 'Gethin Lowe', 'Sunita Rao', 'Bertie Crane', 'Nadia Halim', 'Euan Pike', 'Lotte Maes'];

    private function file(string $name): string
    {
        return (string) file_get_contents(database_path('demo/pellbrook/'.$name));
    }

    /** @return list<array<string, string>> */
    private function rows(string $name): array
    {
        $lines = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''), preg_split('/\R/', trim($this->file($name))) ?: []);
        $header = array_map(strval(...), array_shift($lines) ?? []);

        return array_map(static fn (array $cells): array => array_combine($header, array_map(strval(...), $cells)), $lines);
    }
}
