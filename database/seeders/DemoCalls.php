<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Calls\KeepFinishedCall;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Contact;
use App\Models\Release;
use App\Support\Stopwatch;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Numbering\NumberingPlan;
use Ringo\Recognition\CallerFacts;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;

/** Past calls of the demonstration, each really run by the engine. */
final readonly class DemoCalls
{
    /** Callers that are in nobody's list. */
    private const NAMES = ['Corin Blake', 'Petra Sandys', 'Alun Rees', 'Mirela Stan', 'Gethin Lowe', 'Sunita Rao', 'Bertie Crane', 'Nadia Halim', 'Euan Pike', 'Lotte Maes'];

    public function __construct(private DemoFiles $files, private NumberingPlan $plan, private KeepFinishedCall $keep)
    {
    }

    public function calls(Business $business, Agent $agent, Release $release): void
    {
        $script = $release->scriptText->script();
        $engine = Engine::for($script);
        $opening = new Opening($script);
        $rehearsal = new Rehearsal($engine);
        $today = Carbon::now($business->tz)->startOfDay();
        foreach ($this->files->rows($business, 'calls.csv') as $i => $row) {
            $placed = $today->copy()->subDays((int) $row['days_ago'])->setTimeFromTimeString($row['time']);
            if ($placed->isFuture() || ! $script->hours->openAt($placed->toDateTimeImmutable())) {
                $placed = $placed->copy()->subDay()->setTime(10, $i % 60);
            }
            $number = $row['from'] === '' ? null : $this->plan->parse($row['from'], $business->country);
            $contact = $number === null ? null : Contact::query()->whereHas('numbers', static fn ($numbers) => $numbers->where('e164', $number->e164))->first();
            $facts = CallerFacts::of($contact === null ? [] : [$contact->callerFacts()]);
            $state = $opening->state((string) Str::ulid($placed), $placed->toDateTimeImmutable(), $row['seed'], $number?->e164, null, $facts);
            $lines = strtr($this->files->text($business, "calls/{$row['lines']}.txt"), [
                '{name}' => $contact === null ? 'my name is '.self::NAMES[$i % count(self::NAMES)] : '; the name is known',
                '{phone}' => $number === null ? 'oh seven seven double oh nine double oh five '.($i % 2 === 0 ? 'two one' : 'six eight') : ['yes', "yes that's right", 'yes it is', 'yeah'][$i % 4],
                '{depot}' => ($facts['depot'] ?? '') !== '' ? ['yes', 'yes please', 'yeah that one'][$i % 3] : ['Oldmere', 'Stanwick Cross', 'the one at Tarn Bridge'][$i % 3],
                '{n}' => sprintf('%03d', (int) $row['seed'] % 1000),
            ]);
            $watch = new Stopwatch;
            $this->keep->live($agent, $release, $rehearsal->run($state, Input::fromLines($lines), $watch), $contact, $watch);
        }
    }

    /** Calls that an outbound agent made on working days: each row names its contact. */
    public function outbound(Business $business, Agent $agent, Release $release): void
    {
        $script = $release->scriptText->script();
        $rehearsal = new Rehearsal(Engine::for($script));
        $contacts = $business->contacts()->with('numbers')->orderBy('id')->get()->values();
        $today = Carbon::now($business->tz)->startOfDay();
        foreach ($this->files->rows($business, 'calls.csv') as $row) {
            $placed = $today->copy()->subDays((int) $row['days_ago'])->setTimeFromTimeString($row['time']);
            if ($placed->isWeekend()) {
                continue;
            }
            /** @var Contact $contact */
            $contact = $contacts[(int) $row['contact'] - 1];
            $state = (new Opening($script))->state((string) Str::ulid($placed), $placed->toDateTimeImmutable(), $row['seed'], $contact->numbers->first()?->e164, null, CallerFacts::of([$contact->callerFacts()]));
            $watch = new Stopwatch;
            $this->keep->live($agent, $release, $rehearsal->run($state, Input::fromLines($this->files->text($business, "calls/{$row['lines']}.txt")), $watch), $contact, $watch);
        }
    }

    /** Calls that a person at the desk took; what the desk does stands after “> ” in their lines. */
    public function handed(Business $business, Agent $agent, Release $release): void
    {
        $script = $release->scriptText->script();
        $rehearsal = new Rehearsal(Engine::for($script, app(SwitchboardOf::class)->business($business->refresh(), true)));
        $today = Carbon::now($business->tz)->startOfDay();
        foreach ($this->files->rows($business, 'handed.csv') as $row) {
            $placed = $today->copy()->subDays((int) $row['days_ago'])->setTimeFromTimeString($row['time']);
            while (! $script->hours->openAt($placed->toDateTimeImmutable())) {
                $placed = $placed->copy()->subDay()->setTime(10, 20);
            }
            $inputs = [];
            foreach (explode("\n", trim($this->files->text($business, "calls/{$row['lines']}.txt"))) as $line) {
                array_push($inputs, ...preg_match('/^> (\w+) ?(.*)$/', $line, $m) === 1 ? [new Input($m[1], $m[2])] : Input::fromLines($line));
            }
            $number = $this->plan->parse($row['from'], $business->country)?->e164;
            $state = (new Opening($script))->state((string) Str::ulid($placed), $placed->toDateTimeImmutable(), $row['seed'], $number, null, CallerFacts::of([]));
            $watch = new Stopwatch;
            $this->keep->live($agent, $release, $rehearsal->run($state, $inputs, $watch), null, $watch);
        }
    }
}
