<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Dialogue\Trace;
use Ringo\Document\InvalidDocument;
use Ringo\Errand\CallerFound;
use Ringo\Errand\ErrandFile;
use Ringo\Errand\Errands;
use Ringo\Extraction\OwnCall;
use Ringo\Knowledge\CallKnowledge;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Recognition\CallerFacts;
use Ringo\Recognition\ContactBook;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;
use Ringo\Speech\Display;
use Ringo\Transcript\Turn;
use Ringo\Transfer\StaffFile;
use Ringo\Transfer\Switchboard;

/** `./ringo call SCRIPT --say="…" --key=1 --silence …`: runs a whole call and prints what it left. */
final class CallCommand
{
    public const USAGE = './ringo call SCRIPT [--say="words"] [--key=1] [--silence[=6]] [--interrupt=2] [--hang-up] [--lines=FILE] [--from=NUMBER] [--to=NUMBER] [--contacts=CSV] [--teams=FILE] [--knowledge=FOLDER] [--diaries=FILE] [--errands=FILE] [--answered[=person]] [--busy] [--no-answer] [--declined[=why]] [--staff="words"] [--now=…] [--tz=…] [--country=…] [--seed=…] [--trace] [--save=FILE] [--resume=FILE], or ./ringo call [SCRIPT] --batch=FILE';

    /** @var array<string, Engine> */
    private array $engines = [];

    /** @var array<string, Switchboard> */
    private array $boards = [];

    /** @var array<string, ErrandFile> */
    private array $errands = [];

    /** @var array<string, ContactBook> */
    private array $books = [];

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['say', 'key', 'silence', 'interrupt', 'hang-up', 'lines', 'from', 'to', 'contacts', 'teams', 'knowledge', 'diaries', 'errands', 'answered', 'busy', 'no-answer', 'declined', 'staff', 'now', 'tz', 'country', 'seed', 'trace', 'batch', 'id', 'save', 'resume']);
        $defaults = ['script' => $arguments->positional[0] ?? null, 'from' => $arguments->get('from'), 'to' => $arguments->get('to'), 'contacts' => $arguments->get('contacts'), 'teams' => $arguments->get('teams'), 'knowledge' => $arguments->get('knowledge'), 'diaries' => $arguments->get('diaries'), 'errands' => $arguments->get('errands'), 'now' => $arguments->get('now'), 'tz' => $arguments->get('tz'), 'country' => $arguments->get('country'), 'seed' => $arguments->get('seed') ?? '1', 'trace' => $arguments->has('trace'), 'save' => $arguments->get('save'), 'resume' => $arguments->get('resume')];
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(fn (array $request): array => $this->call([...$defaults, ...$request], $this->requested($request)));
        }
        if (count($arguments->positional) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        Output::json($this->call([...$defaults, 'id' => $arguments->get('id') ?? 'call'], $this->given($arguments)), true);

        return 0;
    }

    /** @return list<Input> */
    private function given(Arguments $arguments): array
    {
        $inputs = [];
        foreach ($arguments->options as [$name, $value]) {
            array_push($inputs, ...match ($name) {
                'say' => [new Input('say', (string) $value)],
                'key' => [new Input('key', (string) $value)],
                'silence' => [new Input('silence', '', $value === null ? 6.0 : (float) $value)],
                'interrupt' => [new Input('interrupt', '', (float) ($value ?? 1))],
                'hang-up' => [new Input('hang_up')],
                'answered', 'busy', 'no-answer', 'declined', 'staff' => [new Input(str_replace('-', '_', $name), (string) $value)],
                'lines' => Input::fromLines($this->file((string) $value)),
                default => [],
            });
        }

        return $inputs;
    }

    /**
     * @param array<string, mixed> $request
     *
     * @return list<Input>
     */
    private function requested(array $request): array
    {
        $inputs = [];
        $lines = $request['inputs'] ?? $request['say'] ?? $request['lines'] ?? [];
        if (is_string($lines)) {
            return Input::fromLines($lines);
        }
        if (! is_array($lines)) {
            throw new BadInput('“inputs” must be a list of what the caller does');
        }
        foreach (array_values($lines) as $i => $line) {
            $inputs[] = match (true) {
                is_string($line) => new Input('say', $line),
                is_array($line) && is_string($line['say'] ?? null) => new Input('say', $line['say']),
                is_array($line) && is_scalar($line['key'] ?? null) => new Input('key', (string) $line['key']),
                is_array($line) && isset($line['silence']) => new Input('silence', '', is_numeric($line['silence']) ? (float) $line['silence'] : 6.0),
                is_array($line) && isset($line['interrupt']) => new Input('interrupt', '', is_numeric($line['interrupt']) ? (float) $line['interrupt'] : 1.0),
                is_array($line) && isset($line['hang_up']) => new Input('hang_up'),
                is_array($line) && in_array(array_key_first($line), Input::STAFF, true) => new Input((string) array_key_first($line), is_string(reset($line)) ? (string) reset($line) : ''),
                default => throw new BadInput("“inputs[{$i}]” must be words, or an object with say, key, silence, interrupt, hang_up, answered, busy, no_answer, declined or staff"),
            };
        }

        return $inputs;
    }

    /**
     * @param array<string, mixed> $request
     * @param list<Input> $inputs
     *
     * @return array<string, mixed>
     */
    private function call(array $request, array $inputs): array
    {
        if (! is_string($request['script'] ?? null)) {
            throw new BadInput('“script” is missing: name the file of the script');
        }
        $errands = is_string($request['errands'] ?? null) ? ($this->errands[$request['errands']] ??= ErrandInput::file($request['errands'])) : null;
        $engine = $this->engine($request['script'], is_string($request['teams'] ?? null) ? $request['teams'] : null, is_string($request['knowledge'] ?? null) ? $request['knowledge'] : null, is_string($request['diaries'] ?? null) ? $request['diaries'] : null, $errands);
        $script = $engine->script;
        $plan = new NumberingPlan;
        $country = is_string($request['country'] ?? null) ? $request['country'] : $script->agent->country;
        $tz = is_string($request['tz'] ?? null) ? $request['tz'] : $script->agent->tz;
        try {
            $zone = new \DateTimeZone($tz);
        } catch (\Exception) {
            throw new BadInput("“tz”: {$tz} is no time zone");
        }
        $now = is_string($request['now'] ?? null) ? Arguments::moment($request['now'], $zone) : new \DateTimeImmutable('now', $zone);
        if ($now === null) {
            throw new BadInput('“now” is no moment; write 2026-03-10T09:14');
        }
        $from = $this->number($plan, $request['from'] ?? null, $country, 'from');
        $to = $this->number($plan, $request['to'] ?? null, $country, 'to');
        $contacts = is_string($request['contacts'] ?? null) ? $this->book($request['contacts'], $plan, $country) : null;
        $caller = CallerFacts::of($contacts?->at($from) ?? []);
        $asked = $script->recognition->errand === null ? null : $errands?->errands->get($script->recognition->errand);
        $needs = $asked === null ? null : CallerFound::needs($asked, $caller, $from);
        if ($errands !== null && $asked !== null && $needs !== null) {
            $caller = CallerFound::with($caller, $errands->reply($asked, $needs)->within($asked->seconds)->reply);
        }
        $state = (new Opening($script))->state((string) (is_scalar($request['id'] ?? null) ? $request['id'] : 'call'), $now, (string) (is_scalar($request['seed'] ?? null) ? $request['seed'] : '1'), $from, $to, $caller);
        $watch = $request['trace'] === true ? $this->told(...) : null;
        $turns = [];
        if (is_string($request['resume'] ?? null)) {
            [$state, $turns] = $this->resumed($request['resume'], $request['script']);
        }
        $save = is_string($request['save'] ?? null) ? $request['save'] : null;
        $call = (new Rehearsal($engine, $errands))->run($state, $inputs, $watch, $turns, $save === null);
        if ($save !== null) {
            $kept = ['script' => hash('sha256', $this->file($request['script'])), 'state' => $call->state->toArray(), 'turns' => array_map(static fn (Turn $turn): array => $turn->toArray(), $call->transcript->turns)];
            if (@file_put_contents($save, json_encode($kept, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)) === false) {
                throw new BadInput("{$save}: cannot be written.");
            }
        }
        $words = Vocabulary::of($script->agent->language);
        $record = (new OwnCall($script, new Display($words, $plan)))->record($call->state, $call->transcript);
        $answer = ['id' => $state->id] + array_slice($call->transcript->toArray(), 1);

        return $answer + [
            'values' => $record->values(),
            'record' => array_map(static fn (array $cell): array => ['value' => $cell['value'], 'display' => $cell['display'], 'confidence' => $cell['confidence'], 'origin' => $cell['origin'], 'turn' => $cell['turn'], 'said' => $cell['said']], $record->cells),
            'missing' => $record->missing,
            'declined' => $record->declined,
            'outcome' => $record->outcome,
            'summary' => $record->summary,
            'deliveries' => $call->state->sent,
            'connected' => $call->state->connected,
            'unused_lines' => $call->unused,
        ] + ($request['trace'] === true ? ['trace' => array_map(static fn (Trace $trace): array => $trace->toArray(), $call->traces)] : []);
    }

    /**
     * A call saved by --save, taken up with the script it was held on.
     *
     * @return array{CallState, list<Turn>}
     */
    private function resumed(string $path, string $script): array
    {
        $kept = json_decode($this->file($path), true);
        if (! is_array($kept) || ! is_array($kept['state'] ?? null) || ! is_array($kept['turns'] ?? null) || ! isset($kept['script'], $kept['state']['id'], $kept['state']['startedAt'], $kept['state']['seed'])) {
            throw new BadInput("{$path}: this is not a call saved with --save.");
        }
        if ($kept['script'] !== hash('sha256', $this->file($script))) {
            throw new BadInput("{$path}: that call was held on another text of the script; take it up with the same one.");
        }

        return [CallState::fromArray($kept['state']), array_map(Turn::fromArray(...), array_values($kept['turns']))];
    }

    /** The trace for people, on standard error. */
    private function told(Event $event, Outcome $outcome, int $nanoseconds): void
    {
        $trace = $outcome->trace;
        $lines = [];
        if ($trace->heard !== '') {
            $lines[] = '  heard       “'.$trace->heard.'”'.($trace->cleaned !== $trace->heard ? '  → '.$trace->cleaned : '');
        }
        foreach ($trace->readings as $reading) {
            $lines[] = sprintf('  %s %-12s %s %.2f  “%s”  %s', $reading['taken'] ? 'took ' : 'read ', $reading['field'], $reading['display'] === '' ? '–' : $reading['display'], $reading['confidence'], $reading['said'], $reading['why']);
        }
        foreach ($trace->rules as $rule) {
            $lines[] = '  rule        '.$rule;
        }
        foreach ($trace->changes as $change) {
            $lines[] = sprintf('  value       %s: %s → %s (%s)', $change['field'], $change['from'] === null ? 'empty' : json_encode($change['from']), $change['to'] === null ? 'empty' : $change['display'], $change['origin']);
        }
        $lines[] = '  step        '.($trace->fromStep ?? 'start').' → '.($trace->toStep ?? 'end');
        if ($outcome->spoken() !== '') {
            $lines[] = '  says        '.$outcome->spoken();
        }
        fwrite(STDERR, sprintf("%6.1f s  %s  (%d µs)\n%s\n", $event->at, $event->kind->value, intdiv($nanoseconds, 1000), implode("\n", $lines)));
    }

    private function engine(string $path, ?string $teams, ?string $knowledge, ?string $diaries, ?ErrandFile $errands): Engine
    {
        $key = $path.'|'.$teams.'|'.$knowledge.'|'.$diaries.'|'.($errands === null ? '' : spl_object_id($errands));
        // A diary is booked in: each call begins with a fresh one.
        if ($diaries !== null || ! isset($this->engines[$key])) {
            $script = $this->script($path);
            $this->engines[$key] = Engine::for($script, $teams === null ? null : $this->board($teams, $script->agent->country), $knowledge === null ? null : new CallKnowledge(AnswerCommand::answerer($knowledge), Vocabulary::of($script->agent->language), static fn (string $file): string => ''), appointments: $diaries === null ? null : new SketchBook(FreeCommand::diaries($diaries)), errands: $errands->errands ?? new Errands);
        }

        return $this->engines[$key];
    }

    private function board(string $path, string $country): Switchboard
    {
        try {
            return $this->boards[$path] ??= (new StaffFile(new NumberingPlan, $country))->read($this->file($path));
        } catch (\InvalidArgumentException $problem) {
            throw new BadInput("{$path}: {$problem->getMessage()}.");
        }
    }

    private function script(string $path): Script
    {
        try {
            return (new ScriptReader)->fromJson($this->file($path));
        } catch (InvalidDocument $problem) {
            throw new BadInput(implode("\n", array_map(static fn (array $one): string => $path.($one['path'] === '' ? '' : ': '.$one['path']).': '.$one['message'], $problem->problems)));
        }
    }

    private function book(string $path, NumberingPlan $plan, string $country): ContactBook
    {
        try {
            return $this->books[$path.'|'.$country] ??= ContactBook::fromCsv($this->file($path), $plan, $country);
        } catch (\InvalidArgumentException $problem) {
            throw new BadInput($path.', '.$problem->getMessage());
        }
    }

    private function number(NumberingPlan $plan, mixed $given, string $country, string $field): ?string
    {
        if ($given === null || $given === '' || $given === 'withheld') {
            return null;
        }
        $number = is_scalar($given) ? $plan->parse((string) $given, $country) : null;

        return $number->e164 ?? throw new BadInput("“{$field}”: ".json_encode($given).' is no telephone number');
    }

    private function file(string $path): string
    {
        $text = is_file($path) ? file_get_contents($path) : false;

        return $text === false ? throw new BadInput("{$path}: there is no such file.") : $text;
    }
}
