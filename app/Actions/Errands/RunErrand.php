<?php

declare(strict_types=1);

namespace App\Actions\Errands;

use App\Gateways\Web\NoAnswer;
use App\Gateways\Web\Outgoing;
use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactNumber;
use App\Models\Errand;
use App\Models\ErrandTable;
use Ringo\Delivery\Signature;
use Ringo\Errand\AnswerReader;
use Ringo\Errand\Errand as Design;
use Ringo\Errand\Reach;
use Ringo\Errand\Reply;
use Ringo\Errand\Request;
use Ringo\Errand\Table;
use Ringo\Errand\TableLookup;
use Ringo\Errand\Values;
use Ringo\Language\Vocabulary;

/** Runs an errand for real: asks the other system, the table kept here, or the callers. */
final readonly class RunErrand
{
    /** Callers that a look-up goes through at most. */
    private const MOST_CALLERS = 20_000;

    public function __construct(private Outgoing $outgoing)
    {
    }

    /**
     * @param array<string, mixed> $values of its parameters
     * @param string $once key under which the other side does it once
     */
    public function run(Errand $errand, array $values, string $once): Came
    {
        $design = $errand->design();
        $reader = self::reader($errand->business);
        $start = hrtime(true);
        if ($design->request === null) {
            $reply = $this->table($errand->business, $design)->find($design, $design->table ?? new TableLookup('', []), $values, $reader);

            return new Came($reply, (int) round((hrtime(true) - $start) / 1e6));
        }
        $request = $design->request->filled($values);
        $headers = $this->headers($design, $errand->secret, $request, $once);
        $came = $this->sent($errand, $design, $request, $headers, $design->seconds, $start);
        $left = $design->seconds - (hrtime(true) - $start) / 1e9;
        // What may pass is tried once more while there is time; what changes something goes under the same key.
        if (self::mayPass($came) && $left > $design->seconds / 2) {
            $came = $this->sent($errand, $design, $request, $headers, $left, $start);
        }

        return $came;
    }

    private static function mayPass(Came $came): bool
    {
        return $came->reply->status === Reply::FAILED && ($came->status === 0 || $came->status >= 500);
    }

    /** @param array<string, string> $headers */
    private function sent(Errand $errand, Design $design, Request $request, array $headers, float $seconds, int $start): Came
    {
        try {
            $answer = $this->outgoing->send($request, $errand->business->errand_hosts ?? [], $seconds, $headers);
        } catch (NoAnswer $problem) {
            return new Came($problem->slow ? Reply::slow($design->seconds) : Reply::failed($problem->getMessage()), (int) round((hrtime(true) - $start) / 1e6));
        }

        return new Came(self::reader($errand->business)->http($design, $answer->status, $answer->body), (int) round((hrtime(true) - $start) / 1e6), $answer->status, $answer->body);
    }

    public static function reader(Business $business): AnswerReader
    {
        $currency = Vocabulary::of()->section('units', 'country_currency')[$business->country] ?? 'GBP';

        return new AnswerReader(new Values(new \DateTimeZone($business->tz), $business->country, (string) $currency));
    }

    private function table(Business $business, Design $design): Table
    {
        if ($design->reach === Reach::Callers) {
            $rows = [];
            foreach ($business->contacts()->with('numbers')->whereNull('erased_at')->limit(self::MOST_CALLERS)->get() as $contact) {
                /** @var Contact $contact */
                $facts = array_map(static fn (mixed $fact): string => is_scalar($fact) ? (string) $fact : '', $contact->recognitionFacts());
                foreach ($contact->numbers as $number) {
                    /** @var ContactNumber $number */
                    $rows[] = ['number' => $number->e164] + $facts;
                }
            }

            return new Table($rows);
        }

        return new Table(ErrandTable::query()->where('business_id', $business->id)->where('name', $design->table->name ?? '')->first()->rows ?? []);
    }

    /** @return array<string, string> */
    private function headers(Design $design, ?string $secret, Request $request, string $once): array
    {
        $headers = $design->changes ? ['Idempotency-Key' => $once] : [];
        if ($secret === null || $secret === '' || $design->secret === null) {
            return $headers;
        }
        $body = $request->body === null ? '' : ($request->form ? http_build_query($request->body) : (string) json_encode($request->body));

        return $headers + match ($design->secret->how) {
            'header' => [(string) $design->secret->header => $secret],
            'basic' => ['Authorization' => 'Basic '.base64_encode($secret)],
            'signed' => (new Signature($secret))->headers($once, now()->getTimestamp(), $body),
            default => ['Authorization' => 'Bearer '.$secret],
        };
    }
}
