<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;
use Ringo\Speech\Prompt;

/** Who speaks: the agent's name, business, voice and manner. */
final readonly class Agent
{
    /**
     * @param string $direction inbound or outbound
     * @param string $country ISO 3166 code; numeric dates, currency and numbering follow it
     * @param array{engine: string, name: string, pace: float, pitch: float} $voice pace and pitch: 1 is the voice's own
     * @param string $formality plain, formal or chatty
     * @param string $acknowledges how much it acknowledges: little, some or much
     * @param array{known: ?Prompt, unknown: ?Prompt, withheld: ?Prompt, shared: ?Prompt, organisation: ?Prompt, recent: ?Prompt, blocked: ?Prompt} $greeting said before the first step, by who is calling; unknown stands in for withheld, shared and organisation
     * @param string $spelling how it spells: plain (S for sugar), phonetic (S for sierra) or letters
     */
    public function __construct(
        public string $name,
        public string $business,
        public string $direction,
        public string $language,
        public string $country,
        public string $tz,
        public array $voice,
        public string $formality,
        public string $acknowledges,
        public string $spelling,
        public bool $speaksFirst,
        public array $greeting = ['known' => null, 'unknown' => null, 'withheld' => null, 'shared' => null, 'organisation' => null, 'recent' => null, 'blocked' => null],
    ) {
    }

    public static function read(Node $node): self
    {
        $voice = $node->child('voice');
        $manner = $node->child('manner');
        $tz = $node->string('tz', 'Europe/London');
        if (! in_array($tz, \DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC), true)) {
            $node->problem('tz', "“{$tz}” is no time zone; write one such as Europe/London");
            $tz = 'UTC';
        }
        $country = $node->string('country', 'GB');
        if (preg_match('/^[A-Z]{2}$/', $country) !== 1) {
            $node->problem('country', "“{$country}” is no country code; write two capital letters such as GB");
        }
        $language = $node->string('language', 'en');
        if ($language !== 'en') {
            $node->problem('language', "“{$language}” is not spoken yet; English (en) is");
        }
        $words = $node->child('greeting');
        $said = static function (string $who) use ($words): ?Prompt {
            $prompt = $words->has($who) ? Prompt::of($words->text($who)) : null;

            return $prompt === null || $prompt->isEmpty() ? null : $prompt;
        };
        $greeting = ['known' => $said('known'), 'unknown' => $said('unknown'), 'withheld' => $said('withheld'), 'shared' => $said('shared'), 'organisation' => $said('organisation'), 'recent' => $said('recent'), 'blocked' => $said('blocked')];
        $agent = new self(
            name: $node->string('name'),
            business: $node->string('business'),
            direction: $node->oneOf('direction', ['inbound', 'outbound'], 'inbound'),
            language: $language,
            country: $country,
            tz: $tz,
            voice: [
                'engine' => $voice->oneOf('engine', ['flite', 'espeak-ng'], 'flite'),
                'name' => $voice->string('name', 'slt'),
                'pace' => $voice->number('pace', 1.0, 0.5, 2.0),
                'pitch' => $voice->number('pitch', 1.0, 0.5, 2.0),
            ],
            formality: $manner->oneOf('formality', ['plain', 'formal', 'chatty'], 'plain'),
            acknowledges: $manner->oneOf('acknowledges', ['little', 'some', 'much'], 'some'),
            spelling: $manner->oneOf('spelling', ['plain', 'phonetic', 'letters'], 'plain'),
            speaksFirst: $node->oneOf('speaks_first', ['agent', 'caller'], 'agent') === 'agent',
            greeting: $greeting,
        );
        foreach ([$voice, $manner, $words, $node] as $part) {
            $part->noMore();
        }

        return $agent;
    }
}
