<?php

declare(strict_types=1);

namespace App\Support;

use App\Support\Book\ConditionForm;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Document\InvalidDocument;
use Ringo\Script\Script;

/** What the page of an agent holds, put into its script document: who speaks, manner, greeting, standing rules, hours, limits, facts. */
final readonly class AgentForm
{
    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /** Kinds of objections of which it is known how people say them. */
    public const OBJECTIONS = ['price' => 'the price', 'has_supplier' => 'they have somebody already', 'no_time' => 'no time for it', 'not_mine' => 'somebody else decides', 'distrust' => 'they do not trust such calls', 'no_need' => 'they do not need it', 'thinking' => 'they want to think it over', 'bad_experience' => 'it went badly before'];

    public const STANDING_WORDS = ['who' => 'who are you?', 'machine' => 'are you a machine?', 'off_topic' => 'something off the topic', 'no_answer' => 'a question nothing answers', 'goodbye' => 'goodbye', 'recording' => 'is this recorded?', 'voicemail' => 'left on a voicemail', 'whence' => 'who gave you my number?'];

    public function __construct(private ScriptDocument $document)
    {
    }

    /**
     * @param array<string, mixed> $form
     *
     * @throws InvalidDocument
     */
    public function changed(array $form): ScriptDocument
    {
        $data = $this->document->toArray();
        $agent = $data['agent'];
        foreach (['name', 'business', 'direction', 'tz', 'country', 'speaks_first'] as $key) {
            if (isset($form[$key])) {
                $agent[$key] = trim((string) $form[$key]);
            }
        }
        $voice = explode('/', (string) ($form['voice'] ?? ''), 2);
        $agent['voice'] = ['engine' => isset($voice[1]) ? $voice[0] : ($agent['voice']['engine'] ?? 'flite'), 'name' => $voice[1] ?? ($agent['voice']['name'] ?? 'slt'), 'pace' => (float) ($form['pace'] ?? 1), 'pitch' => (float) ($form['pitch'] ?? 1)];
        $agent['manner'] = ['formality' => (string) ($form['formality'] ?? 'plain'), 'acknowledges' => (string) ($form['acknowledges'] ?? 'some'), 'spelling' => (string) ($form['spelling'] ?? 'plain')];
        $greeting = array_filter(array_map(fn (string $who): string => trim((string) ($form['greeting'][$who] ?? '')), ['known' => 'known', 'unknown' => 'unknown', 'withheld' => 'withheld']), static fn (string $words): bool => $words !== '');
        // Greetings that are written on the page of recognition are not shown here, and stay.
        $written = is_array($agent['greeting'] ?? null) ? $agent['greeting'] : [];
        $greeting = self::withVariants($greeting, $written) + array_diff_key($written, ['known' => 1, 'unknown' => 1, 'withheld' => 1]);
        unset($agent['greeting']);
        if ($greeting !== []) {
            $agent['greeting'] = $greeting;
        }
        $changed = [...$data, 'agent' => $agent, 'limits' => ['turns' => (int) ($form['limits']['turns'] ?? 80), 'minutes' => (int) ($form['limits']['minutes'] ?? 20), 'repeats' => (int) ($form['limits']['repeats'] ?? 6)], 'standing' => $this->standing($form, $data['standing'] ?? [])];
        $hours = $this->hours($form);
        $facts = $this->facts($form);
        $errands = isset($form['_own_errands']) || isset($form['own_errands']) ? $this->ownErrands($form) : $data['errands'] ?? [];
        foreach (['hours' => $hours, 'facts' => $facts, 'errands' => $errands] as $part => $value) {
            unset($changed[$part]);
            if ($value !== []) {
                $changed[$part] = $value;
            }
        }

        return ScriptDocument::fromArray($changed);
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return list<array<string, mixed>>
     */
    private function ownErrands(array $form): array
    {
        $conditions = new ConditionForm($this->document->script);
        $errands = [];
        foreach ((new Form($form))->rows('own_errands') as $row) {
            $errand = $row->trimmed('errand');
            if ($errand === '') {
                continue;
            }
            $key = $row->trimmed('key');
            for ($base = $key === '' ? $errand : $key, $key = $base, $n = 2; in_array($key, array_column($errands, 'key'), true); $n++) {
                $key = $base.'_'.$n;
            }
            $when = $conditions->condition($row);
            $errands[] = ['key' => $key, 'errand' => $errand, 'moment' => $row->text('moment', 'at_once')] + ($when === null ? [] : ['when' => $when]);
        }

        return $errands;
    }

    /**
     * A page shows the first variant of a line; where that stays as it was, the others stay too.
     *
     * @param array<string, string> $shown
     * @param array<string, mixed> $written
     *
     * @return array<string, mixed>
     */
    public static function withVariants(array $shown, array $written): array
    {
        foreach ($shown as $who => $words) {
            $all = $written[$who] ?? null;
            $shown[$who] = is_array($all) && ($all[0] ?? '') === $words ? $all : $words;
        }

        return $shown;
    }

    /** What a caller hears first. */
    public static function greeting(Script $script): string
    {
        $state = (new Opening($script))->state('greeting', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone($script->agent->tz)), '1', null, null, ['known' => false]);
        $spoken = Engine::for($script)->step($state, Event::started())->spoken();

        return $spoken === '' ? "{$script->agent->business}, {$script->agent->name} speaking." : mb_substr($spoken, 0, 300);
    }

    /**
     * @param array<string, mixed> $form
     * @param array<string, mixed> $old
     *
     * @return array<string, mixed>
     */
    private function standing(array $form, array $old): array
    {
        $replies = [];
        foreach (is_array($form['replies'] ?? null) ? $form['replies'] : [] as $row) {
            $say = trim((string) ($row['say'] ?? ''));
            if (! is_array($row) || $say === '') {
                continue;
            }
            $key = trim((string) ($row['key'] ?? '')) ?: Book\FieldType::key((string) ($row['when'] ?? 'reply'));
            for ($base = $key === '' ? 'reply' : substr($key, 0, 30), $key = $base, $n = 2; in_array($key, array_column($replies, 'key'), true); $n++) {
                $key = $base.'_'.$n;
            }
            $replies[] = array_filter(['key' => $key, 'when' => $this->lines((string) ($row['when'] ?? '')), 'say' => $this->same($old, $key, $say), 'means' => trim((string) ($row['means'] ?? '')), 'about' => trim((string) ($row['about'] ?? '')), 'otherwise' => trim((string) ($row['otherwise'] ?? '')), 'to' => trim((string) ($row['to'] ?? ''))], static fn (mixed $value): bool => $value !== '' && $value !== []);
        }
        $objections = [];
        foreach (is_array($form['objections'] ?? null) ? $form['objections'] : [] as $row) {
            $say = is_array($row) ? array_values(array_filter([trim((string) ($row['say'] ?? '')), trim((string) ($row['again'] ?? ''))], static fn (string $one): bool => $one !== '')) : [];
            if ($say === []) {
                continue;
            }
            $key = trim((string) ($row['key'] ?? '')) ?: Book\FieldType::key((string) (($row['means'] ?? '') ?: ($row['when'] ?? '')));
            for ($base = $key === '' ? 'objection' : substr($key, 0, 30), $key = $base, $n = 2; in_array($key, array_column($objections, 'key'), true); $n++) {
                $key = $base.'_'.$n;
            }
            $objections[] = array_filter(['key' => $key, 'means' => trim((string) ($row['means'] ?? '')), 'like' => trim((string) ($row['like'] ?? '')), 'when' => $this->lines((string) ($row['when'] ?? '')), 'say' => count($say) === 1 ? $say[0] : $say], static fn (mixed $value): bool => $value !== '' && $value !== []);
        }
        $words = array_filter(array_map(static fn (mixed $text): string => trim((string) $text), array_intersect_key(is_array($form['words'] ?? null) ? $form['words'] : [], self::STANDING_WORDS)), static fn (string $text): bool => $text !== '');

        return array_filter([
            'replies' => $replies,
            'objections' => $objections,
            'let_go' => trim((string) ($form['let_go'] ?? '')),
            'person' => trim((string) ($form['person'] ?? '')),
            'person_key' => trim((string) ($form['person_key'] ?? '')),
            'never_say' => $this->lines((string) ($form['never_say'] ?? '')),
            'must_say' => array_values(array_filter((array) ($form['must_say'] ?? []), is_string(...))),
            'patience' => max(1, min(20, (int) ($form['patience'] ?? 3))),
            'words' => $words,
            'new_speaker' => trim((string) ($form['new_speaker'] ?? $old['new_speaker'] ?? '')),
        ], static fn (mixed $value): bool => $value !== '' && $value !== []);
    }

    /**
     * A reply with several variants, of which the form shows the first, keeps the others while the first is the same.
     *
     * @param array<string, mixed> $old
     *
     * @return string|list<string>
     */
    private function same(array $old, string $key, string $say): string|array
    {
        foreach ($old['replies'] ?? [] as $reply) {
            if (($reply['key'] ?? '') === $key && is_array($reply['say'] ?? null) && ($reply['say'][0] ?? '') === $say) {
                return array_values(array_filter($reply['say'], is_string(...)));
            }
        }

        return $say;
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return array<string, mixed>
     */
    private function hours(array $form): array
    {
        $hours = [];
        foreach (self::DAYS as $day) {
            $ranges = array_map(static fn (string $range): string => (string) preg_replace(['/\s+/', '/[–—]/u', '/^(\d):/', '/-(\d):/'], ['', '-', '0$1:', '-0$1:'], $range), $this->lines((string) ($form['hours'][$day] ?? '')));
            if ($ranges !== []) {
                $hours[$day] = $ranges;
            }
        }
        $closures = [];
        foreach ($this->lines((string) ($form['closures'] ?? ''), '/\R/') as $line) {
            $parts = preg_split('/\s+/', $line, 2) ?: [$line];
            $closures[] = ['date' => $parts[0]] + (isset($parts[1]) ? ['why' => $parts[1]] : []);
        }

        return $hours + ($closures === [] ? [] : ['closures' => $closures]);
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return array<string, string>
     *
     * @throws InvalidDocument where a line says no fact
     */
    private function facts(array $form): array
    {
        $facts = [];
        $problems = [];
        foreach ($this->lines((string) ($form['facts'] ?? ''), '/\R/') as $line) {
            [$name, $words] = array_map(trim(...), explode('=', $line, 2) + [1 => '']);
            $key = Book\FieldType::key($name);
            if ($key === '' || $words === '') {
                $problems[] = ['path' => 'facts', 'message' => "“{$line}” says no fact; write name = words, such as deposit = fifty pounds"];

                continue;
            }
            $facts[$key] = $words;
        }
        if ($problems !== []) {
            throw new InvalidDocument($problems);
        }

        return $facts;
    }

    /** @return list<string> */
    private function lines(string $text, string $at = '/[,\n\r]+/'): array
    {
        return array_values(array_filter(array_map(trim(...), preg_split($at, $text) ?: []), static fn (string $line): bool => $line !== ''));
    }
}
