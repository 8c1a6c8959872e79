<?php

declare(strict_types=1);

namespace Ringo\Format;

use Ringo\Document\InvalidDocument;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

/**
 * Reads transcripts of others: our own JSON, or a vCon container (IETF draft-ietf-vcon-vcon-core).
 *
 * Tolerant in what does not matter, strict in what does: turns must be there, with text and who said it.
 */
final readonly class TranscriptFile
{
    /** Longest transcript taken, in turns. */
    private const MOST_TURNS = 2000;

    /** Nobody kept transcripts before. */
    private const FIRST_YEAR = 1900;

    public function __construct(private string $country = 'GB', private string $tz = 'Europe/London')
    {
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws InvalidDocument naming every place that is wrong
     */
    public function read(array $data, \DateTimeImmutable $now): Transcript
    {
        if (isset($data['vcon']) || isset($data['dialog'], $data['parties'])) {
            return $this->vcon($data, $now);
        }
        $problems = [];
        $turns = $data['turns'] ?? null;
        if (! is_array($turns) || ! array_is_list($turns)) {
            throw new InvalidDocument([['path' => 'turns', 'message' => 'must be a list of turns, each with “by” and “text”']]);
        }
        if (count($turns) > self::MOST_TURNS) {
            throw new InvalidDocument([['path' => 'turns', 'message' => 'has more than '.self::MOST_TURNS.' turns; cut the call into parts']]);
        }
        $read = [];
        $at = 0.0;
        foreach ($turns as $i => $turn) {
            $by = is_array($turn) ? $this->speaker($turn['by'] ?? $turn['speaker'] ?? null) : null;
            $text = is_array($turn) ? ($turn['text'] ?? null) : null;
            if ($by === null) {
                $problems[] = ['path' => "turns[{$i}].by", 'message' => 'must be agent, caller or staff'];
            }
            if (! is_string($text)) {
                $problems[] = ['path' => "turns[{$i}].text", 'message' => 'must be the words that were said'];
            }
            if ($by === null || ! is_array($turn) || ! is_string($text)) {
                continue;
            }
            $at = is_numeric($turn['at'] ?? null) ? (float) $turn['at'] : $at;
            $seconds = is_numeric($turn['seconds'] ?? null) ? (float) $turn['seconds'] : max(1.0, str_word_count($text) / 2.6);
            $read[] = new Turn($by, $this->utf8($text), $at, $seconds, ($turn['keys'] ?? false) === true);
            $at += $seconds;
        }
        [$tz, $started] = $this->when($data['tz'] ?? null, $data['started_at'] ?? null, $now, $problems);
        if ($problems !== []) {
            throw new InvalidDocument($problems);
        }

        return new Transcript(
            is_scalar($data['id'] ?? null) ? (string) $data['id'] : 'call',
            $started,
            $tz,
            is_string($data['country'] ?? null) && preg_match('/^[A-Z]{2}$/', strtoupper($data['country'])) === 1 ? strtoupper($data['country']) : $this->country,
            ($data['direction'] ?? 'inbound') === 'outbound' ? 'outbound' : 'inbound',
            is_string($data['from'] ?? null) && $data['from'] !== '' ? $data['from'] : null,
            is_string($data['to'] ?? null) && $data['to'] !== '' ? $data['to'] : null,
            $read,
        );
    }

    /**
     * Every transcript of a file: one JSON object, a list of them, or one a line.
     *
     * @return iterable<int, array<array-key, mixed>|string> by line or place; text is what could not be read
     */
    public function pieces(string $text): iterable
    {
        $text = ltrim($text, "\u{FEFF} \t\r\n");
        $whole = json_decode($text, true);
        if (is_array($whole)) {
            foreach (array_is_list($whole) ? $whole : [$whole] as $i => $one) {
                yield $i + 1 => is_array($one) ? $one : 'is no JSON object';
            }

            return;
        }
        foreach (explode("\n", $text) as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            $one = json_decode($line, true);
            yield $i + 1 => is_array($one) ? $one : 'is no JSON object ('.json_last_error_msg().')';
        }
    }

    /** @param array<array-key, mixed> $data */
    private function vcon(array $data, \DateTimeImmutable $now): Transcript
    {
        $parties = is_array($data['parties'] ?? null) ? array_values($data['parties']) : [];
        $problems = [];
        $roles = [];
        foreach ($parties as $i => $party) {
            $roles[$i] = is_array($party) ? $this->speaker($party['role'] ?? null) : null;
        }
        if (! in_array('caller', $roles, true)) {
            // Without roles the one who is not at our end calls: the second party, as writers put themselves first.
            foreach ($roles as $i => $role) {
                $roles[$i] = $role ?? ($i === min(1, count($roles) - 1) ? 'caller' : 'agent');
            }
        }
        $turns = [];
        $first = null;
        $dialogs = is_array($data['dialog'] ?? null) ? array_values($data['dialog']) : [];
        foreach ($dialogs as $i => $dialog) {
            if (! is_array($dialog) || ($dialog['type'] ?? '') !== 'text') {
                continue;
            }
            if (! is_string($dialog['body'] ?? null)) {
                $problems[] = ['path' => "dialog[{$i}].body", 'message' => 'must be the words that were said'];

                continue;
            }
            $body = $dialog['body'];
            if (($dialog['encoding'] ?? 'none') === 'base64url') {
                $body = (string) base64_decode(strtr($body, '-_', '+/'), true);
            }
            $party = is_array($dialog['parties'] ?? null) ? ($dialog['parties'][0] ?? 0) : ($dialog['parties'] ?? $dialog['originator'] ?? 0);
            $party = is_array($party) ? ($party[0] ?? 0) : $party;
            $start = is_string($dialog['start'] ?? null) ? strtotime($dialog['start']) : false;
            $first ??= $start === false ? null : $start;
            $turns[] = new Turn($roles[is_int($party) ? $party : 0] ?? 'caller', $this->utf8($body), $start === false || $first === null ? 0.0 : (float) ($start - $first), is_numeric($dialog['duration'] ?? null) ? (float) $dialog['duration'] : 2.0);
        }
        if ($turns === []) {
            $problems[] = ['path' => 'dialog', 'message' => 'holds no text; only written dialogs can be read, not recordings'];
        }
        $started = null;
        foreach ($dialogs as $dialog) {
            if (is_array($dialog) && is_string($dialog['start'] ?? null)) {
                $started = $dialog['start'];

                break;
            }
        }
        [$tz, $at] = $this->when($data['tz'] ?? null, $started ?? $data['created_at'] ?? null, $now, $problems);
        if ($problems !== []) {
            throw new InvalidDocument($problems);
        }
        $tel = static function (string $role) use ($roles, $parties): ?string {
            foreach ($roles as $i => $one) {
                if ($one === $role && is_array($parties[$i]) && is_string($parties[$i]['tel'] ?? null)) {
                    return (string) preg_replace('/^tel:/', '', $parties[$i]['tel']);
                }
            }

            return null;
        };

        return new Transcript(is_scalar($data['uuid'] ?? null) ? (string) $data['uuid'] : 'call', $at, $tz, $this->country, 'inbound', $tel('caller'), $tel('agent'), $turns);
    }

    private function speaker(mixed $by): ?string
    {
        return match (is_string($by) ? strtolower(trim($by)) : null) {
            'agent', 'bot', 'assistant', 'system' => 'agent',
            'caller', 'customer', 'client', 'user', 'contact' => 'caller',
            'staff', 'clerk', 'human', 'person', 'colleague', 'operator', 'receptionist' => 'staff',
            default => null,
        };
    }

    /**
     * @param list<array{path: string, message: string}> $problems
     *
     * @return array{string, string} time zone and start
     */
    private function when(mixed $tz, mixed $started, \DateTimeImmutable $now, array &$problems): array
    {
        $zone = is_string($tz) && $tz !== '' ? str_replace("\0", '', $tz) : $this->tz;
        try {
            $real = new \DateTimeZone($zone);
        } catch (\Exception) {
            $problems[] = ['path' => 'tz', 'message' => "“{$zone}” is no time zone; write one such as Europe/London"];

            return [$this->tz, $now->format('c')];
        }
        if ($started === null || $started === '') {
            return [$zone, $now->setTimezone($real)->format('c')];
        }
        try {
            if (! is_string($started) || preg_match('/^(\d{4})-(\d\d)-(\d\d)/', $started, $day) !== 1 || ! checkdate((int) $day[2], (int) $day[3], (int) $day[1]) || (int) $day[1] < self::FIRST_YEAR) {
                throw new \InvalidArgumentException;
            }

            return [$zone, (new \DateTimeImmutable($started, $real))->setTimezone($real)->format('c')];
        } catch (\Exception) {
            $problems[] = ['path' => 'started_at', 'message' => 'is no moment; write 2026-03-10T09:14'];

            return [$zone, $now->format('c')];
        }
    }

    private function utf8(string $text): string
    {
        return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'ISO-8859-1');
    }
}
