<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Capacity\ErlangA;
use Ringo\Capacity\ErlangB;
use Ringo\Capacity\ErlangC;
use Ringo\Capacity\Load;
use Ringo\Capacity\Service;
use Ringo\Capacity\Staffing;

/** `./ringo capacity --calls=120 --seconds=180 …`: lines and people for a load, and what callers meet. */
final class CapacityCommand
{
    public const USAGE = './ringo capacity --calls=120 --seconds=180 with --lines=12, --blocked=0.01, --people=8 [--within=20] or --answered=0.8 --within=20 [--patience=60], or ./ringo capacity --batch=FILE';

    private const FIGURES = ['calls', 'seconds', 'lines', 'blocked', 'people', 'answered', 'within', 'patience'];

    /** Most lines or people one may ask about: nobody has more, and each takes a step of the sum. */
    private const MOST = 1_000_000;

    public function run(Arguments $arguments): int
    {
        $arguments->allow([...self::FIGURES, 'batch', 'id']);
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(fn (array $request): array => (array_key_exists('id', $request) ? ['id' => $request['id']] : []) + $this->answer($request));
        }
        $given = [];
        foreach ($arguments->options as [$name, $value]) {
            $given[$name] = $value;
        }
        if ($arguments->positional !== [] || ! isset($given['calls'], $given['seconds']) || array_intersect_key($given, array_flip(['lines', 'blocked', 'people', 'answered'])) === []) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        Output::json((array_key_exists('id', $given) ? ['id' => $given['id']] : []) + $this->answer($given));

        return 0;
    }

    /**
     * @param array<string, mixed> $request
     *
     * @return array<string, mixed>
     */
    private function answer(array $request): array
    {
        foreach (array_diff(array_keys($request), [...self::FIGURES, 'id']) as $unknown) {
            throw new BadInput("there is no “{$unknown}” here; ".implode(', ', self::FIGURES).' are');
        }
        $figure = fn (string $name): ?float => self::figure($request, $name);
        $asked = array_values(array_filter(['lines', 'blocked', 'people', 'answered'], static fn (string $name): bool => isset($request[$name])));
        if (count($asked) !== 1) {
            throw new BadInput($asked === [] ? 'one of lines, blocked, people, answered is wanted' : implode(' and ', $asked).' cannot be asked together');
        }
        try {
            $load = Load::of($figure('calls') ?? throw new BadInput('“calls” is missing: the calls an hour'), $figure('seconds') ?? throw new BadInput('“seconds” is missing: the mean length of a call'));
            $patience = $figure('patience');
            $queue = $patience === null ? new ErlangC($load) : new ErlangA($load, $patience);
            $within = $figure('within');
            if ($within !== null && $within < 0) {
                throw new BadInput('“within” must be seconds, 0 or more');
            }

            return ['erlangs' => $load->erlangs()] + match ($asked[0]) {
                'lines' => ['blocked' => (new ErlangB($load))->blocked(self::whole($request, 'lines', 0))],
                'blocked' => ['lines' => (new ErlangB($load))->lines((float) $figure('blocked'))],
                'people' => self::service($queue->with(self::whole($request, 'people', 1), $within)),
                'answered' => self::staffed($load, $queue, (float) $figure('answered'), $within ?? throw new BadInput('“within” is missing: the seconds within which they are answered')),
            };
        } catch (\DomainException $problem) {
            throw new BadInput($problem->getMessage());
        }
    }

    /** @return array<string, mixed> */
    private static function staffed(Load $load, ErlangA|ErlangC $queue, float $share, float $within): array
    {
        $people = (new Staffing($load, $queue))->people($share, $within);

        return ['people' => $people] + ($people === 0 ? [] : self::service($queue->with($people, $within)));
    }

    /** @return array<string, mixed> */
    private static function service(Service $service): array
    {
        return ($service->stable ? [] : ['stable' => false])
            + ['waits' => $service->waits, 'mean_wait' => $service->meanWait]
            + ($service->answeredWithin === null ? [] : ['answered_within' => $service->answeredWithin])
            + ['occupancy' => $service->occupancy]
            + ($service->givenUp === null ? [] : ['given_up' => $service->givenUp]);
    }

    /** @param array<string, mixed> $request */
    private static function figure(array $request, string $name): ?float
    {
        $value = $request[$name] ?? null;

        return $value === null ? null : (is_numeric($value) ? (float) $value : throw new BadInput("“{$name}” must be a number"));
    }

    /** @param array<string, mixed> $request */
    private static function whole(array $request, string $name, int $least): int
    {
        $value = self::figure($request, $name);
        if ($value === null || floor($value) !== $value || $value < $least || $value > self::MOST) {
            throw new BadInput("“{$name}” must be a whole number, {$least} or more".($value > self::MOST ? ', and no more than '.number_format(self::MOST) : ''));
        }

        return (int) $value;
    }
}
