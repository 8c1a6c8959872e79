<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Language\Vocabulary;
use Ringo\Script\Script;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Value\ValueType;

/** A crowd of stand-in callers made for a script. The same seed gives the same crowd. */
final readonly class Crowd
{
    private Phrases $phrases;

    private Facts $facts;

    /** @var list<array{key: string, label: string, description: string, phrases: list<string>}> */
    private array $topics;

    public function __construct(private Script $script, private \DateTimeImmutable $now, private string $seed)
    {
        $this->phrases = new Phrases(Vocabulary::of($script->agent->language));
        $this->facts = new Facts($this->phrases);
        $this->topics = $this->topics();
    }

    public function caller(int $n): StandIn
    {
        $dice = new Dice("{$this->seed}|{$n}");
        $temper = $dice->one(Temper::cases());
        $topic = $this->topics === [] || $temper === Temper::WantsPerson ? null : $dice->one($this->topics);

        $openings = $topic === null ? [] : $this->openings($topic, $dice);
        $truth = $this->facts->of($this->script, $this->now, $dice);

        return new StandIn(
            $n,
            $topic['key'] ?? null,
            $openings,
            $this->named($openings[0] ?? '') + $truth,
            $temper,
            "{$this->seed}|{$n}|talk",
            $this->script->agent->country === 'US' ? sprintf('+1415555%04d', 100 + $n % 100) : sprintf('+441632960%03d', $n % 1000),
            Line::of(new Dice("{$this->seed}|{$n}|line")),
        );
    }

    /**
     * What an opening tells already is true: whoever rings about wasps has wasps.
     *
     * @return array<string, string|list<string>> the one option of a field that is named
     */
    private function named(string $opening): array
    {
        $named = [];
        foreach ($this->script->sheet->fields as $field) {
            $of = [];
            foreach (in_array($field->type, [ValueType::Choice, ValueType::Several], true) ? $field->options : [] as $option) {
                foreach ([$option['label'], ...$option['phrases']] as $words) {
                    $words = (string) preg_replace('/^(?:an?|the|some) /i', '', trim($words));
                    if ($words !== '' && preg_match('/\b'.preg_quote($words, '/').'\b/i', $opening) === 1) {
                        $of[$option['key']] = true;
                    }
                }
            }
            if (count($of) === 1) {
                $key = (string) array_key_first($of);
                $named[$field->key] = $field->type === ValueType::Several ? [$key] : $key;
            }
        }

        return $named;
    }

    /**
     * What the first open question of the script can be about.
     *
     * @return list<array{key: string, label: string, description: string, phrases: list<string>}>
     */
    private function topics(): array
    {
        foreach ($this->script->steps as $step) {
            if ($step instanceof ListenStep) {
                return array_map(static fn (array $topic): array => ['key' => $topic['key'], 'label' => $topic['label'], 'description' => $topic['description'], 'phrases' => $topic['phrases']], $step->topics);
            }
        }

        return [];
    }

    /**
     * @param array{key: string, label: string, description: string, phrases: list<string>} $topic
     *
     * @return list<string> first one of a caller who has words for it, then plainer ones
     */
    private function openings(array $topic, Dice $dice): array
    {
        $own = array_values(array_filter(array_map(trim(...), explode(',', $topic['description'])), static fn (string $part): bool => $part !== ''));
        $plain = $topic['label'] === '' ? $topic['key'] : $topic['label'];
        $words = [...$own, ...$topic['phrases']];
        $first = $words === [] ? $plain : $dice->one($words);

        return [
            $this->phrases->one($dice, in_array($first, $topic['phrases'], true) ? 'open' : 'open_plain', ['it' => $first]),
            $this->phrases->one($dice, 'open_plain', ['it' => $plain]),
            $plain,
        ];
    }
}
