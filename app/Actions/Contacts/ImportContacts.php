<?php

declare(strict_types=1);

namespace App\Actions\Contacts;

use App\Jobs\RunImport;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactColumn;
use App\Models\ContactImport;
use App\Models\ContactNumber;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Storage;
use Ringo\Format\CsvTable;
use Ringo\Numbering\NumberingPlan;
use Sabre\VObject\Component\VCard;
use Sabre\VObject\Splitter\VCard as Splitter;

/**
 * Brings a file of contacts in: looked at first, then row after row in the queue. Somebody who is there by number or e-mail is added
 * to, never written over. A whole import can be undone.
 */
final readonly class ImportContacts
{
    /** What a card always gives. */
    private const CARD = ['name', 'organisation', 'telephone', 'e-mail', 'categories', 'note', 'language', 'uid', 'consent', 'do not call'];

    /** Rows that are kept in one go: few enough that calls that ring are not held up. */
    private const CHUNK = 250;

    private const REPORTED = 2000;

    private const NOTHING = ['made' => 0, 'added_to' => 0, 'same' => 0, 'refused' => 0];

    /** Seconds without a handful after which a worker counts as gone. */
    private const GONE_SECONDS = 30;

    public function __construct(private NumberingPlan $plan)
    {
    }

    /** @throws \DomainException in words fit to show */
    public function look(Business $business, User $user, string $name, string $path): ContactImport
    {
        $full = Storage::disk('local')->path($path);
        $head = (string) file_get_contents($full, false, null, 0, 200);
        if (preg_match('/^\s*\xEF?\xBB?\xBF?BEGIN:VCARD/i', $head) === 1) {
            $header = self::CARD;
            $shape = ['kind' => 'vcard', 'header' => $header, 'sample' => []];
            $total = 0;
            foreach ($this->cards($full) as $row) {
                $header = array_values(array_unique([...$header, ...array_keys($row)]));
                if ($total++ < 5) {
                    $shape['sample'][] = $row;
                }
            }
            if ($total === 0) {
                throw new \DomainException('There is no card in the file.');
            }
            $shape['header'] = $header;
            // Facts that another Ringo wrote go into the columns of their names.
            $mapping = ContactRow::guess($header, $this->columns($business));
            $mapping = array_combine(self::CARD, ['name', 'organisation', 'phone', 'email', 'tags', 'notes', 'language', 'uid', 'consent_on', 'do_not_call']) + $mapping;
        } else {
            $table = CsvTable::of($full);
            $sample = [];
            $total = 0;
            foreach ($table->rows() as $row) {
                if ($total++ < 5) {
                    $sample[] = $row;
                }
            }
            $shape = ['kind' => 'csv', 'encoding' => $table->encoding, 'delimiter' => $table->delimiter, 'header' => $table->header, 'sample' => $sample];
            $mapping = ContactRow::guess($table->header, $this->columns($business));
        }

        return ContactImport::query()->create(['business_id' => $business->id, 'user_id' => $user->id, 'name' => $name, 'path' => $path, 'status' => 'looked_at', 'shape' => $shape, 'mapping' => $mapping, 'total' => $total]);
    }

    /**
     * What the first rows would become, before anything is made.
     *
     * @return list<array{row: array<string, string>, numbers: list<string>, name: string, problems: list<string>, refused: ?string, there: bool}>
     */
    public function preview(ContactImport $import, Business $business): array
    {
        $reader = $this->reader($import, $business);
        $out = [];
        foreach ($import->shape['sample'] as $row) {
            $read = $reader->read($row);
            $out[] = ['row' => $row, 'numbers' => $read['numbers'], 'name' => $read['contact']['name'], 'problems' => $read['problems'], 'refused' => $read['refused'], 'there' => $this->existing($business, $read['numbers'], (string) $read['contact']['email']) !== null];
        }

        return $out;
    }

    /** Brings the rows in, from where it was left: each handful is kept with its counts in one go, by whoever comes first. */
    public function run(ContactImport $import): void
    {
        $business = Business::query()->findOrFail($import->business_id);
        if (ContactImport::query()->whereKey($import->id)->where('status', '!=', 'stopped')->update(['status' => 'running', 'updated_at' => now()]) === 0) {
            return;
        }
        $import->refresh();
        $reader = $this->reader($import, $business);
        $full = Storage::disk('local')->path($import->path);
        $rows = $import->shape['kind'] === 'vcard' ? $this->cards($full) : CsvTable::of($full)->rows();
        $chunk = [];
        $seen = 0;
        $going = true;
        foreach ($rows as $n => $row) {
            if (++$seen <= $import->done) {
                continue;
            }
            $chunk[$n] = $row;
            if (count($chunk) >= self::CHUNK) {
                if (! ($going = $this->handful($business, $import, $reader, $chunk))) {
                    break;
                }
                $chunk = [];
            }
        }
        if ($going && $chunk !== []) {
            $going = $this->handful($business, $import, $reader, $chunk);
        }
        // Who finishes it says so; another who was at it as well finds it done.
        if ($going && ContactImport::query()->whereKey($import->id)->where('status', 'running')->update(['status' => 'done']) === 1) {
            $counts = $import->refresh()->counts ?? self::NOTHING;
            AuditEntry::note($business->id, User::query()->find($import->user_id), 'contacts brought in', "{$import->name}: {$counts['made']} made, {$counts['added_to']} added to, {$counts['refused']} refused");
        }
    }

    /** Imports whose worker has gone are taken up by another. */
    public function takeUp(): void
    {
        foreach (ContactImport::query()->where('status', 'running')->where('updated_at', '<', now()->subSeconds(self::GONE_SECONDS))->pluck('id') as $id) {
            // Only one who looks on takes it up.
            if (ContactImport::query()->whereKey($id)->where('status', 'running')->where('updated_at', '<', now()->subSeconds(self::GONE_SECONDS))->update(['updated_at' => now()]) === 1) {
                RunImport::dispatch((int) $id);
            }
        }
    }

    /**
     * @param array<int, array<string, string>> $rows by number
     *
     * @return bool whether it goes on
     */
    private function handful(Business $business, ContactImport $import, ContactRow $reader, array $rows): bool
    {
        $read = array_map($reader->read(...), $rows);

        return DB::transaction(function () use ($business, $import, $read): bool {
            // The first statement writes, and only where nobody has brought these rows in since.
            if (ContactImport::query()->whereKey($import->id)->where('status', 'running')->where('done', $import->done)->update(['done' => $import->done + count($read), 'updated_at' => now()]) === 0) {
                return false;
            }
            $counts = $import->counts ?? self::NOTHING;
            $report = $import->report ?? [];
            // What is there already is looked up once for the whole handful; what the handful itself makes is added as it goes.
            $there = $this->there($business, array_merge(...array_column($read, 'numbers')), array_column(array_column($read, 'contact'), 'email'));
            $new = [];
            $people = [];
            foreach ($read as $n => $one) {
                [$what, $words] = $this->row($business, $import, $one, $there, $new, $people);
                $counts[$what]++;
                if ($words !== '' && count($report) < self::REPORTED) {
                    $report[] = ['row' => (int) $n, 'what' => $what, 'words' => $words];
                }
            }
            $ids = $this->written($import, $people);
            $new = array_map(static fn (array $number): array => ['contact_id' => $ids[$number['contact_id']] ?? $number['contact_id']] + $number, $new);
            foreach (array_chunk($new, 200) as $numbers) {
                DB::table('contact_numbers')->insert($numbers);
            }
            $import->refresh()->update(['counts' => $counts, 'report' => $report]);

            return true;
        });
    }

    /** Takes back what an import made and added; what was done to its contacts since goes with them. */
    public function undo(ContactImport $import, User $user): int
    {
        $taken = 0;
        do {
            $ids = Contact::query()->where('business_id', $import->business_id)->where('import_id', $import->id)->limit(self::CHUNK)->pluck('id')->all();
            DB::transaction(static function () use ($ids): void {
                ContactNumber::query()->whereIn('contact_id', $ids)->delete();
                DB::table('contacts')->whereIn('id', $ids)->delete();
            });
            $taken += count($ids);
        } while (count($ids) === self::CHUNK);
        ContactNumber::query()->where('business_id', $import->business_id)->where('label', 'import '.$import->id)->delete();
        // Only now: whoever is interrupted before undoes the rest.
        $import->update(['status' => 'undone']);
        AuditEntry::note($import->business_id, $user, 'import undone', "{$import->name}: {$taken} contacts taken back");

        return $taken;
    }

    /**
     * @param array{contact: array<string, mixed>, numbers: list<string>, problems: list<string>, refused: ?string} $read
     * @param array{numbers: array<string, int>, emails: array<string, int>, names: array<int, string>} $there whose they are
     * @param list<array{contact_id: int, business_id: int, e164: string, label: string}> $new numbers to write
     * @param array<int, array<string, mixed>> $people contacts to write, by numbers below zero that stand for their ids until then
     *
     * @return array{'made'|'added_to'|'same'|'refused', string}
     */
    private function row(Business $business, ContactImport $import, array $read, array &$there, array &$new, array &$people): array
    {
        if ($read['refused'] !== null) {
            return ['refused', $read['refused']];
        }
        $words = implode('; ', $read['problems']);
        $email = (string) $read['contact']['email'];
        $who = null;
        foreach ($read['numbers'] as $number) {
            $who ??= $there['numbers'][$number] ?? null;
        }
        $who ??= $email === '' ? null : ($there['emails'][$email] ?? null);
        $second = $who !== null && $this->somebodyElse($there['names'][$who] ?? ($people[$who]['name'] ?? ''), (string) $read['contact']['name']);
        if ($second) {
            // Another person on the same telephone: the number is shared, and callers from it are asked who they are.
            $words = trim("a second person on this number, which is shared now: callers from it are asked who they are; {$words}", '; ');
            $who = null;
        }
        $now = now()->toDateTimeString();
        if ($who !== null) {
            $known = [...($who < 0 ? [] : DB::table('contact_numbers')->where('contact_id', $who)->pluck('e164')->all()), ...array_keys($there['numbers'], $who, true)];
            $added = array_values(array_diff($read['numbers'], array_map(strval(...), $known)));
            foreach ($added as $number) {
                $new[] = ['contact_id' => $who, 'business_id' => $business->id, 'e164' => $number, 'label' => 'import '.$import->id];
                $there['numbers'][$number] ??= $who;
            }

            return [$added === [] ? 'same' : 'added_to', trim(($added === [] ? 'is there already' : 'is there already; a number was added').($words === '' ? '' : '; '.$words))];
        }
        $contact = $read['contact'];
        $id = -1 - count($people);
        $people[$id] = [
            'business_id' => $business->id, 'name' => mb_substr((string) $contact['name'], 0, 250), 'organisation' => mb_substr((string) $contact['organisation'], 0, 250), 'email' => $contact['email'], 'kind' => $contact['kind'],
            'facts' => json_encode((object) $contact['facts'], JSON_UNESCAPED_UNICODE), 'tags' => json_encode($contact['tags'], JSON_UNESCAPED_UNICODE), 'notes' => $contact['notes'], 'language' => $contact['language'],
            'consent_on' => $contact['consent_on'], 'do_not_call' => $contact['do_not_call'], 'pin_hash' => $contact['pin'] === null ? null : Hash::make((string) $contact['pin'], ['rounds' => 4]), 'uid' => $contact['uid'] ?? null, 'import_id' => $import->id, 'created_at' => $now, 'updated_at' => $now,
        ];
        foreach ($read['numbers'] as $i => $number) {
            $new[] = ['contact_id' => $id, 'business_id' => $business->id, 'e164' => $number, 'label' => $i === 0 ? 'main' : 'other'];
            $there['numbers'][$number] ??= $id;
        }
        if ($email !== '') {
            $there['emails'][$email] ??= $id;
        }

        return ['made', $words];
    }

    /** Whether two names are surely of two people: both whole, and no word of them the same. */
    private function somebodyElse(string $there, string $given): bool
    {
        $words = static fn (string $name): array => array_filter(preg_split('/[^\p{L}]+/u', mb_strtolower($name)) ?: [], static fn (string $word): bool => mb_strlen($word) > 1);
        [$a, $b] = [$words($there), $words($given)];

        return $a !== [] && $b !== [] && $a !== $b && (array_intersect($a, $b) === [] || reset($a) !== reset($b) && count($a) > 1 && count($b) > 1);
    }

    /**
     * Writes the contacts of a chunk.
     *
     * @param array<int, array<string, mixed>> $people
     *
     * @return array<int, int> their ids by what stood for them
     */
    private function written(ContactImport $import, array $people): array
    {
        $last = (int) DB::table('contacts')->max('id');
        foreach (array_chunk($people, 100) as $some) {
            DB::table('contacts')->insert($some);
        }

        // One import is written by one worker, so what it just wrote comes back in the order it was written.
        return $people === [] ? [] : array_combine(array_keys($people), DB::table('contacts')->where('import_id', $import->id)->where('id', '>', $last)->orderBy('id')->pluck('id')->map(intval(...))->all());
    }

    /**
     * @param list<string> $numbers
     * @param list<mixed> $emails
     *
     * @return array{numbers: array<string, int>, emails: array<string, int>, names: array<int, string>} whose they are
     */
    private function there(Business $business, array $numbers, array $emails): array
    {
        $there = ['numbers' => [], 'emails' => [], 'names' => []];
        foreach (array_chunk(array_unique($numbers), 500) as $some) {
            foreach (DB::table('contact_numbers')->where('business_id', $business->id)->whereIn('e164', $some)->orderByDesc('id')->pluck('contact_id', 'e164') as $number => $id) {
                $there['numbers'][(string) $number] = (int) $id;
            }
        }
        foreach (array_chunk(array_unique(array_filter($emails)), 500) as $some) {
            foreach (DB::table('contacts')->where('business_id', $business->id)->whereIn('email', $some)->whereNull('deleted_at')->orderByDesc('id')->pluck('id', 'email') as $email => $id) {
                $there['emails'][(string) $email] = (int) $id;
            }
        }
        foreach (array_chunk(array_unique([...array_values($there['numbers']), ...array_values($there['emails'])]), 500) as $some) {
            $there['names'] += array_map(strval(...), DB::table('contacts')->whereIn('id', $some)->pluck('name', 'id')->all());
        }

        return $there;
    }

    /** @param list<string> $numbers */
    private function existing(Business $business, array $numbers, string $email): ?int
    {
        $there = $this->there($business, $numbers, [$email]);

        return reset($there['numbers']) ?: (reset($there['emails']) ?: null);
    }

    private function reader(ContactImport $import, Business $business): ContactRow
    {
        return new ContactRow($import->mapping ?? [], $this->columns($business), $this->plan, $business->country);
    }

    /** @return array<string, ContactColumn> */
    private function columns(Business $business): array
    {
        return $business->contactColumns()->get()->keyBy('key')->all();
    }

    /** @return array<string, string> facts a card carries, by their names */
    private function facts(VCard $card): array
    {
        $facts = [];
        foreach ($card->select('X-RINGO-FACT') as $property) {
            $facts[(string) ($property['NAME'] ?? 'fact')] = (string) $property;
        }

        return $facts;
    }

    /** @return \Generator<int, array<string, string>> */
    private function cards(string $path): \Generator
    {
        $stream = fopen($path, 'rb') ?: throw new \DomainException('The file cannot be read.');
        $splitter = new Splitter($stream, \Sabre\VObject\Parser\Parser::OPTION_FORGIVING);
        for ($n = 1; ; $n++) {
            try {
                $card = $splitter->getNext();
            } catch (\Sabre\VObject\ParseException $problem) {
                throw new \DomainException("Card {$n} cannot be read: {$problem->getMessage()}");
            }
            if (! $card instanceof VCard) {
                return;
            }
            $all = static function (string $name) use ($card): string {
                $values = [];
                foreach ($card->select($name) as $property) {
                    $values[] = preg_replace('/^tel:/i', '', (string) $property);
                }

                return implode('; ', $values);
            };
            $name = (string) ($card->FN ?? '');
            yield $n => array_map(self::utf8(...), ['name' => $name, 'organisation' => trim(str_replace(';', ' ', (string) ($card->ORG ?? ''))), 'telephone' => $all('TEL'), 'e-mail' => (string) ($card->EMAIL ?? ''), 'categories' => str_replace('\,', ',', (string) ($card->CATEGORIES ?? '')), 'note' => (string) ($card->NOTE ?? ''), 'language' => (string) ($card->LANG ?? ''),
                'uid' => (string) ($card->UID ?? ''), 'consent' => (string) ($card->{'X-RINGO-CONSENT-ON'} ?? ''), 'do not call' => (string) ($card->{'X-RINGO-DO-NOT-CALL'} ?? '')] + $this->facts($card));
        }
    }

    /** A card is UTF-8 (RFC 6350); what is not was written on an old machine. */
    private static function utf8(string $text): string
    {
        return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }
}
