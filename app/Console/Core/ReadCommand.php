<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Speech\Display;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** `./ringo read TYPE "words"`: what value the words hold. */
final readonly class ReadCommand
{
    public const USAGE = './ringo read TYPE "words" [--now=2026-03-10T09:14] [--tz=Europe/London] [--country=GB] [--options=JSON], or ./ringo read --batch=FILE';

    private Understanding $understanding;

    private Display $display;

    public function __construct()
    {
        $words = Vocabulary::of();
        $plan = new NumberingPlan;
        $this->understanding = new Understanding($words, $plan);
        $this->display = new Display($words, $plan);
    }

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['now', 'tz', 'country', 'options', 'pattern', 'batch']);
        $defaults = ['now' => $arguments->get('now'), 'tz' => $arguments->zone('Europe/London')->getName(), 'country' => $arguments->get('country') ?? 'GB'];
        $arguments->now($defaults['tz']);
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(fn (array $request): array => $this->answer($request, $defaults));
        }
        if (count($arguments->positional) !== 2) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $options = $arguments->get('options');
        Output::json($this->answer([
            'type' => $arguments->positional[0],
            'text' => $arguments->positional[1],
            'options' => $options === null ? [] : (json_decode($options, true) ?? throw new WrongUsage('--options is not JSON.')),
            'pattern' => $arguments->get('pattern'),
        ], $defaults));

        return 0;
    }

    /**
     * @param array<string, mixed> $request
     * @param array{now: ?string, tz: string, country: string} $defaults
     *
     * @return array<string, mixed>
     */
    private function answer(array $request, array $defaults): array
    {
        try {
            $type = ValueType::named(Batch::text($request, 'type'));
        } catch (\InvalidArgumentException $problem) {
            throw new BadInput($problem->getMessage());
        }
        $tz = Batch::text($request, 'tz', $defaults['tz']);
        try {
            $zone = new \DateTimeZone($tz);
        } catch (\Exception) {
            throw new BadInput("“tz”: {$tz} is no time zone; write one such as Europe/London");
        }
        $now = $request['now'] ?? $defaults['now'];
        $moment = $now === null ? new \DateTimeImmutable('now', $zone) : (is_string($now) ? Arguments::moment($now, $zone) : null);
        if ($moment === null) {
            throw new BadInput('“now” is no moment; write 2026-03-10T09:14');
        }
        $country = strtoupper(Batch::text($request, 'country', $defaults['country']));
        if (preg_match('/^[A-Z]{2}$/', $country) !== 1) {
            throw new BadInput("“country”: {$country} is no country code; write two letters such as GB");
        }
        $options = $this->options($request['options'] ?? []);
        $pattern = isset($request['pattern']) ? Batch::text($request, 'pattern') : null;
        $reading = $this->understanding->read($type, Batch::text($request, 'text'), new Context($moment, $country, $options, true, $pattern));
        $label = null;
        foreach ($options as $option) {
            $label = $option['key'] === $reading->value ? $option['label'] : $label;
        }

        return (array_key_exists('id', $request) ? ['id' => $request['id']] : []) + [
            'value' => $reading->value,
            'display' => $reading->found() ? $this->display->show(new Typed($type, $reading->value, $label)) : '',
            'confidence' => $reading->confidence,
            'said' => $reading->said,
        ] + ($reading->doubt !== null ? ['doubt' => $reading->doubt] : []);
    }

    /** @return list<array{key: string, label: string, phrases: list<string>}> */
    private function options(mixed $given): array
    {
        if (! is_array($given)) {
            throw new BadInput('“options” must be a list');
        }
        $options = [];
        foreach (array_values($given) as $i => $option) {
            if (is_string($option)) {
                $option = ['key' => $option, 'label' => $option];
            }
            if (! is_array($option) || ! is_string($option['key'] ?? null)) {
                throw new BadInput("“options[{$i}]” must have a key");
            }
            $options[] = ['key' => $option['key'], 'label' => is_string($option['label'] ?? null) ? $option['label'] : str_replace('_', ' ', $option['key']), 'phrases' => array_values(array_filter(is_array($option['phrases'] ?? null) ? $option['phrases'] : [], is_string(...)))];
        }

        return $options;
    }
}
