<?php

declare(strict_types=1);

namespace App\Support;

use App\Actions\Errands\RunErrand;
use App\Models\Business;
use App\Models\Errand;
use App\Models\ErrandRun;
use Ringo\Errand\Reply;
use Ringo\Errand\Values;
use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Speech\Locale;
use Ringo\Speech\Speakable;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** What the pages of errands show beside their design: who uses them, how they do, what a kept answer gives. */
final readonly class ErrandPage
{
    /** Runs that the figures are taken from. */
    private const LATEST = 500;

    public function __construct(private Speakable $speakable)
    {
    }

    /** @return array<string, list<array{agent: string, name: string, step: string}>> steps of drafts by errand */
    public function uses(Business $business): array
    {
        $uses = [];
        foreach ($business->agents()->with('draft.scriptText')->get() as $agent) {
            foreach ($agent->draft->scriptText->script()->steps as $key => $step) {
                if ($step instanceof LookUpStep) {
                    $uses[$step->errand][] = ['agent' => $agent->key, 'name' => $agent->name, 'step' => (string) $key];
                }
            }
        }

        return $uses;
    }

    /** @return array<string, array{runs: int, failed: int, p50: int, p95: int}> by errand, of those that were really run */
    public function figures(Business $business): array
    {
        $by = [];
        foreach (ErrandRun::query()->where('business_id', $business->id)->where('state', ErrandRun::BACK)->whereIn('how', ['', 'really'])->latest('id')->limit(self::LATEST)->get(['errand', 'milliseconds', 'reply']) as $run) {
            $by[$run->errand][] = [$run->milliseconds, in_array($run->reply['status'] ?? '', [Reply::FAILED, Reply::SLOW], true)];
        }

        return array_map(static function (array $runs): array {
            $took = array_column($runs, 0);
            sort($took);
            $at = static fn (float $share): int => $took[(int) floor($share * (count($took) - 1))];

            return ['runs' => count($runs), 'failed' => count(array_filter(array_column($runs, 1))), 'p50' => $at(0.5), 'p95' => $at(0.95)];
        }, $by);
    }

    /** @return array{read: ?Reply, spoken: array<string, string>} what the errand reads from its kept answer, and how it is said */
    public function kept(Errand $errand): array
    {
        if ($errand->kept === null) {
            return ['read' => null, 'spoken' => []];
        }
        $design = $errand->design();
        $reply = RunErrand::reader($errand->business)->http($design, $errand->kept['status'], $errand->kept['body']);
        $locale = new Locale(now($errand->business->tz)->toDateTimeImmutable(), $errand->business->country);
        $spoken = [];
        foreach ($design->values as $value) {
            $is = $reply->rows[0][$value->key] ?? null;
            $spoken[$value->key] = $is === null ? '' : $this->speakable->say(new Typed($value->type, $is), $locale);
        }

        return ['read' => $reply, 'spoken' => $spoken];
    }

    /**
     * Values typed for a try.
     *
     * @param array<array-key, mixed> $given by parameter
     *
     * @return array{array<string, mixed>, list<string>} values, and what is wrong
     */
    public function typed(Errand $errand, array $given): array
    {
        $types = new Values(new \DateTimeZone($errand->business->tz), $errand->business->country);
        $values = $problems = [];
        foreach ($errand->design()->parameters as $parameter) {
            $raw = $parameter->value ?? $given[$parameter->key] ?? '';
            if ($raw === '') {
                $problems = $parameter->required ? [...$problems, ucfirst($parameter->label).' is missing.'] : $problems;

                continue;
            }
            $value = $parameter->value !== null || $parameter->type === ValueType::Choice ? $raw : $types->of($parameter->type, $raw);
            $value === null ? $problems[] = ucfirst($parameter->label).': “'.(is_scalar($raw) ? $raw : '').'” is no '.str_replace('_', ' ', $parameter->type->value).'.' : $values[$parameter->key] = $value;
        }

        return [$values, $problems];
    }
}
