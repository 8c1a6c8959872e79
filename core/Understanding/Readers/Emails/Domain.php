<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Emails;

use Ringo\Language\Token;
use Ringo\Understanding\Spelling;

/** The part of a spoken address behind the at: 'example dot co dot uk', 'hill dash top dot example'. */
final readonly class Domain
{
    public function __construct(private Spelling $spelling)
    {
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int}|null the domain and its last token
     */
    public function from(array $t, int $i): ?array
    {
        $labels = [];
        $label = '';
        $last = $i;
        $words = 0;
        for ($n = count($t); $i < $n;) {
            $word = $t[$i]->text;
            $dot = in_array($word, ['dot', 'point'], true) || ($t[$i]->gap === '.' && $label !== '');
            if ($dot && $label !== '') {
                $labels[] = $label;
                $label = '';
                $words = 0;
                if (in_array($word, ['dot', 'point'], true)) {
                    $i++;

                    continue;
                }
            }
            if (in_array($word, ['full', 'at', '@'], true)) {
                break;
            }
            if (in_array($word, ['dash', 'hyphen'], true) || $t[$i]->gap === '-') {
                $label .= '-';
                if (in_array($word, ['dash', 'hyphen'], true)) {
                    $i++;

                    continue;
                }
            }
            $run = $this->spelling->run($t, $i);
            $piece = $run !== null && ($words === 0 || $labels === []) ? [$run[0], $run[1]] : ($this->spelling->digits($t, $i, false) ?? [preg_replace('/[^a-z0-9]/', '', $word) ?? '', 1]);
            // After the first dot a label is one word; what follows belongs to the sentence.
            if ($labels !== [] && $words > 0) {
                break;
            }
            if ($piece[0] === '' || $labels === [] && $words >= 5) {
                break;
            }
            $label .= $piece[0];
            $words++;
            $i += $piece[1];
            $last = $i - 1;
            // 'co uk' with the dot swallowed
            if ($label === 'co' && in_array($t[$i]->text ?? '', ['uk', 'nz', 'za'], true) && $labels !== []) {
                $labels[] = $label;
                $label = $t[$i]->text;
                $last = $i;

                break;
            }
        }
        if ($label !== '') {
            $labels[] = $label;
        }
        $end = end($labels) ?: '';

        return count($labels) >= 2 && preg_match('/^[a-z]{2,}$/', $end) === 1 ? [implode('.', $labels), $last] : null;
    }

    /** @param list<Token> $t words of a sign to pass over: 'at sign', 'at symbol' */
    public function sign(array $t, int $i): int
    {
        return in_array($t[$i + 1]->text ?? '', ['sign', 'symbol'], true) ? 1 : 0;
    }
}
