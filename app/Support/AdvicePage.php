<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Advice;
use App\Models\Business;
use App\Models\StandIn;
use Ringo\Advice\Opinion;

/** What the page of an adviser shows beside its settings. */
final readonly class AdvicePage
{
    /** How the stand-in can be told to behave. */
    public const STAND_IN = ['works' => 'answers from its table', 'slow' => 'is slow', 'fails' => 'fails now and then', 'nonsense' => 'answers nonsense', 'shapeless' => 'answers in another shape', 'invents' => 'chooses and quotes what is not there'];

    private const DAYS = 30;

    /** @return array{asked: int, calls: int, milliseconds: int, money: float, came: array<string, int>} of the last thirty days */
    public function month(Business $business): array
    {
        $rows = Advice::query()->where('business_id', $business->id)->where('request', '!=', null)->where('created_at', '>=', now()->subDays(self::DAYS));
        $came = [];
        foreach ((clone $rows)->toBase()->selectRaw('status, count(*) as n')->groupBy('status')->get() as $row) {
            $came[(string) $row->status] = (int) $row->n;
        }
        $asked = array_sum($came);

        return ['asked' => $asked, 'calls' => (clone $rows)->distinct()->count('call_id'), 'milliseconds' => (int) round((float) (clone $rows)->avg('milliseconds')), 'money' => ((int) (clone $rows)->sum('millionths')) / 1e6, 'came' => array_replace(array_fill_keys([Opinion::TAKEN, Opinion::NONE, Opinion::THROWN_AWAY, Opinion::SLOW, Opinion::FAILED], 0), $came)];
    }

    public static function behaves(StandIn $state): string
    {
        $behaves = $state->data['behaves'] ?? '';

        return is_string($behaves) && isset(self::STAND_IN[$behaves]) ? $behaves : (string) ($state->mode ?? 'works');
    }

    /** The request as it was sent, to be read. */
    public static function written(Advice $one): string
    {
        return (string) json_encode($one->request, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** What was asked, in a line. */
    public static function inShort(Advice $one): string
    {
        $content = $one->request['messages'][1]['content'] ?? '';
        $content = is_string($content) ? $content : '';
        if (preg_match('/The caller said:\n"(.*?)"\n/s', $content, $said) === 1) {
            return '“'.$said[1].'”';
        }

        return preg_match('/^To be found: (.*)$/m', $content, $found) === 1 ? $found[1] : '';
    }
}
