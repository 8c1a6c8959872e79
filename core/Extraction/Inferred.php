<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Lexicon;
use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Value\ValueType;

/**
 * Works out what a call is about where the caller named no option: 'we're getting married' is a wedding.
 *
 * Only for fields that sort calls by kind, only with a clear lead, and always marked as to be looked at.
 */
final readonly class Inferred
{
    private const CLEAR = 0.62;

    private const LEAD = 0.2;

    private const KINDS = '/\b(severity|urgency|priority|type|kind|reason|issue|matter|service|category|topic|problem|event|enquiry|inquiry|request|purpose|treatment|work|job|subject|department|complaint|fault|claim)\b/';

    private Stemmer $stemmer;

    private Tokenizer $tokenizer;

    public function __construct(private Vocabulary $words, private Lexicon $lexicon, private Options $options)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
    }

    /** @param list<Exchange> $exchanges */
    public function fill(Hearing $hearing, array $exchanges): void
    {
        foreach ($hearing->fields as $field) {
            if ($field->type !== ValueType::Choice || $hearing->ledger->of($field->key()) !== null || in_array($field->key(), $hearing->ledger->declined(), true)
                || preg_match(self::KINDS, strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()).' '.$field->field->description)) !== 1) {
                continue;
            }
            foreach (preg_match('/\b(?:urgen\w*|priorit\w*|severity)\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()))) === 1 ? $exchanges : [] as $exchange) {
                // How much it presses is told in passing.
                $said = preg_match('/\b(?:no (?:rush|hurry)|not urgent|urgent(?:ly)?|asap|as soon as|straight ?away|emergency|right away|whenever|can wait|can\'t wait)\b/i', $exchange->heard->cleaned()) === 1 ? $this->options->said($field, $exchange->heard) : null;
                if ($said?->found() === true) {
                    $hearing->take($field, $said, $exchange, Claim::VOLUNTEERED);

                    continue 2;
                }
            }
            foreach (array_slice($exchanges, 0, 3) as $exchange) {
                $said = $this->options->said($field, $exchange->heard, true);
                if ($said?->found() === true) {
                    $hearing->take($field, $said, $exchange, Claim::VOLUNTEERED);

                    continue 2;
                }
            }
            foreach (array_slice($exchanges, 0, 6) as $exchange) {
                $key = $this->option($field, $exchange->heard->cleaned());
                if ($key !== null) {
                    $hearing->claim($field, $key, 0.66, $exchange, '', Claim::VOLUNTEERED);
                    $hearing->ledger->replace($field->key(), ($hearing->ledger->of($field->key()) ?? throw new \LogicException('just taken'))->doubted('worked out from what was said; no option was named'));

                    break;
                }
            }
        }
    }

    private function option(FieldProfile $field, string $said): ?string
    {
        $small = array_fill_keys($this->words->section('routing', 'small'), true);
        $stems = [];
        foreach ($this->tokenizer->words($said) as $word) {
            if (strlen($word) > 3 && ! isset($small[$word]) && ! isset($this->words->set('given_names')[$word])) {
                $stems[] = $this->stemmer->stem($word);
            }
        }
        if ($stems === []) {
            return null;
        }
        $ideas = $this->lexicon->ideas($said);
        $scores = [];
        foreach ($field->field->options as $option) {
            if (in_array($option['key'], ['other', 'none', 'unknown'], true)) {
                continue;
            }
            if (preg_match("/\\b(?:not|no|isn't|never)\\b(?: \\w+){0,2} ".preg_quote(str_replace('_', ' ', strtolower($option['key'])), '/').'\b/i', $said) === 1) {
                continue;
            }
            $text = implode(' ', [$option['label'], str_replace('_', ' ', $option['key']), ...$option['phrases']]);
            $score = 0.0;
            foreach ($this->tokenizer->words($text) as $word) {
                $term = $this->stemmer->stem($word);
                if (strlen($word) < 4 || isset($small[$word])) {
                    continue;
                }
                foreach ($stems as $stem) {
                    $score = max($score, $this->lexicon->likeness($term, $stem));
                }
            }
            $shared = array_intersect_key($ideas, $this->lexicon->ideas($text));
            $scores[$option['key']] = 0.75 * $score + ($shared === [] ? 0.0 : 0.35 + 0.05 * min(3, count($shared)));
        }
        arsort($scores);
        $keys = array_keys($scores);
        if ($keys === [] || $scores[$keys[0]] < self::CLEAR - 0.1 || isset($keys[1]) && $scores[$keys[0]] - $scores[$keys[1]] < self::LEAD) {
            return null;
        }

        return (string) $keys[0];
    }
}
