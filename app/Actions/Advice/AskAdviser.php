<?php

declare(strict_types=1);

namespace App\Actions\Advice;

use App\Gateways\Web\NoAnswer;
use App\Gateways\Web\Outgoing;
use App\Models\Advice;
use App\Models\Adviser;
use App\Models\Call;
use Ringo\Advice\Checker;
use Ringo\Advice\Doubt;
use Ringo\Advice\Letter;
use Ringo\Advice\Opinion;
use Ringo\Errand\Request;

/**
 * Asks a business's language model server for a second opinion: one request, a short time, a strict reading of what comes back.
 *
 * What was sent and what came of it is kept, word for word, whether it was of any use or not.
 */
final readonly class AskAdviser
{
    /** Seconds after which a call goes on without it. */
    public const SECONDS = 0.9;

    /** After so many failures running it is left alone for a while, so that callers do not wait for nothing. */
    private const FAILURES = 3;

    private const RESTS_SECONDS = 60;

    /** Bytes of an answer that are kept to be looked at. */
    private const KEPT = 4_000;

    public function __construct(private Outgoing $outgoing, private Letter $letter = new Letter, private Checker $checker = new Checker)
    {
    }

    /**
     * @param array{ident?: string, field?: string, at?: float} $where in the call it is about
     */
    public function ask(Adviser $adviser, Doubt $doubt, ?Call $call = null, array $where = []): Advice
    {
        $body = $this->letter->of($doubt, $adviser->model);
        $rests = $call !== null && $this->rests($adviser);
        $start = hrtime(true);
        [$opinion, $answer] = $rests ? [Opinion::failed('left alone for a minute after '.self::FAILURES.' failures running'), ''] : $this->sent($adviser, $doubt, $body);
        $milliseconds = (int) round((hrtime(true) - $start) / 1e6);

        return Advice::query()->create([
            'business_id' => $adviser->business_id, 'call_id' => $call?->id, 'purpose' => $doubt->purpose->value, 'doubt' => $doubt->key(), 'request' => $rests ? null : $body,
            'answer' => mb_scrub(mb_strcut($answer, 0, self::KEPT)), 'status' => $opinion->status, 'value' => $opinion->value, 'why' => mb_substr($opinion->why, 0, 200),
            'milliseconds' => $milliseconds, 'tokens_in' => $opinion->tokensIn, 'tokens_out' => $opinion->tokensOut, 'millionths' => $adviser->cost($opinion->tokensIn, $opinion->tokensOut),
        ] + $where);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array{Opinion, string}
     */
    private function sent(Adviser $adviser, Doubt $doubt, array $body): array
    {
        $request = new Request('POST', $adviser->address, [], [], $body, false);
        try {
            $answer = $this->outgoing->send($request, [$request->host()], self::SECONDS, $adviser->secret === null || $adviser->secret === '' ? [] : ['Authorization' => 'Bearer '.$adviser->secret]);
        } catch (NoAnswer $problem) {
            return [$problem->slow ? Opinion::slow(self::SECONDS) : Opinion::failed($problem->getMessage()), ''];
        }

        return [$this->checker->read($doubt, $answer->status, $answer->body), $answer->body];
    }

    private function rests(Adviser $adviser): bool
    {
        $last = Advice::query()->where('business_id', $adviser->business_id)->where('request', '!=', null)->where('call_id', '!=', null)->latest('id')->limit(self::FAILURES)->get();
        $failed = 0;
        foreach ($last as $one) {
            $failed += $one instanceof Advice && in_array($one->status, [Opinion::SLOW, Opinion::FAILED], true) && $one->created_at->gt(now()->subSeconds(self::RESTS_SECONDS)) ? 1 : 0;
        }

        return $failed === self::FAILURES;
    }
}
