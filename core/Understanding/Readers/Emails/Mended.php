<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Emails;

use Ringo\Language\Token;
use Ringo\Understanding\Spelling;

/** An address of which a part is put right. */
final readonly class Mended
{
    private const SIGNS = ['dot' => '.', 'point' => '.', 'underscore' => '_', 'hyphen' => '-', 'dash' => '-'];

    public function __construct(private Spelling $spelling, private Domain $domain, private LocalPart $local)
    {
    }

    /**
     * 'There's a dot between helen and marsh'; null where the words say nothing of the kind.
     *
     * @param list<Token> $t
     */
    public function between(string $address, array $t): ?string
    {
        $texts = array_map(static fn (Token $token): string => $token->text, $t);
        $at = array_search('between', $texts, true);
        $and = $at === false ? false : array_search('and', array_slice($texts, $at + 1), true);
        $sign = $at === false ? null : self::SIGNS[$texts[$at - 1] ?? ''] ?? null;
        if ($at === false || $and === false || $sign === null) {
            return null;
        }
        [$local, $domain] = explode('@', $address, 2);
        $left = implode('', array_slice($texts, $at + 1, $and));
        $right = implode('', array_slice($texts, $at + 2 + $and));
        $apart = preg_replace('/('.preg_quote($left, '/').')[._-]?('.preg_quote($right, '/').')/', '$1'.$sign.'$2', $local, 1, $count);

        return $left === '' || $right === '' || $count !== 1 ? null : $apart.'@'.$domain;
    }

    /**
     * A correction that names only a part: 'dot co dot uk', 'example dot org', 'underscore not dot', a respelled name.
     *
     * @param list<Token> $t
     */
    public function of(string $address, array $t): ?string
    {
        [$local, $domain] = explode('@', $address, 2);
        if ($t === []) {
            return null;
        }
        $word = $t[0]->text;
        if ($word === 'at') {
            $new = $this->domain->from($t, 1);

            return $new === null ? null : $local.'@'.$new[0];
        }
        if ($word === 'dot') {
            $labels = array_filter(array_map(static fn (Token $token): string => $token->text, $t), static fn (string $label): bool => $label !== 'dot');
            $old = explode('.', $domain);

            return count($labels) <= 2 && $labels !== [] ? $local.'@'.$old[0].'.'.implode('.', $labels) : null;
        }
        $sign = ['underscore' => '_', 'dash' => '-', 'hyphen' => '-'][$word] ?? null;
        if ($sign !== null) {
            return strtr($local, ['.' => $sign, '-' => $sign, '_' => $sign]).'@'.$domain;
        }
        $new = $this->domain->from($t, 0);
        if ($new !== null) {
            return $local.'@'.$new[0];
        }
        $skip = 0;
        while (in_array($t[$skip]->text ?? '', ["it's", "that's", 'spelled', 'spelt', 'its'], true)) {
            $skip++;
        }
        // The part before the at, said anew: 'e underscore aydin'.
        $rest = array_values(array_slice($t, $skip));
        if (count($rest) > 2 && array_filter($rest, static fn (Token $token): bool => in_array($token->text, ['dot', 'underscore', 'dash', 'hyphen', 'plus'], true)) !== []) {
            [$anew] = $this->local->before($rest, count($rest));

            return $anew === '' ? null : $anew.'@'.$domain;
        }
        $run = $this->spelling->run($t, $skip);
        $name = $run[0] ?? (count($t) - $skip === 1 ? $t[$skip]->text : null);
        if ($name === null || $name === '') {
            return null;
        }
        $parts = preg_split('/([._+-])/', $local, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [$local];
        $nearest = 0;
        foreach ($parts as $i => $part) {
            if (strlen($part) > 1 && levenshtein($part, $name) < levenshtein($parts[$nearest], $name)) {
                $nearest = $i;
            }
        }
        $parts[$nearest] = $name;

        return implode('', $parts).'@'.$domain;
    }
}
