<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Names;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/**
 * Stretches between pauses that are nothing but a name: 'it's for my daughter, Imogen Sayle', 'me dad, Ted Braithwaite, but I do the talking'.
 */
final readonly class NameApart
{
    /** Words a name has at most. */
    private const LONGEST = 4;

    /** Words that may open the stretch. */
    private const OPENERS = ['oh', 'well', 'er', 'erm', 'um', 'put', 'me', 'so', 'just', 'say', 'yes', 'right', "it's", "i'm", "he's", "she's"];

    /** @var list<string> */
    private array $titles;

    public function __construct(private Vocabulary $words)
    {
        $this->titles = array_values(array_filter($words->section('names', 'titles'), is_string(...)));
    }

    /**
     * @param list<Token> $tokens
     *
     * @return list<list<Token>> those of a whole name first, then those that begin with a known one
     */
    public function in(array $tokens): array
    {
        $stretches = [];
        foreach ($tokens as $token) {
            if ($stretches === [] || $token->afterBreak()) {
                $stretches[] = [];
            }
            $stretches[count($stretches) - 1][] = $token;
        }
        $names = [];
        foreach (count($stretches) < 2 ? [] : $stretches as $stretch) {
            while ($stretch !== [] && in_array($stretch[0]->text, self::OPENERS, true)) {
                array_shift($stretch);
            }
            if ($this->isName($stretch)) {
                $names[] = $stretch;
            }
        }
        $given = $this->words->set('given_names');
        usort(
            $names,
            static fn (array $a, array $b): int => [min(2, count($b)), isset($given[$b[0]->text])] <=> [min(2, count($a)), isset($given[$a[0]->text])],
        );

        return $names;
    }

    /**
     * Whether all of it is written like a name and holds no word of everyday.
     *
     * @param list<Token> $stretch
     */
    private function written(array $stretch): bool
    {
        $everyday = $this->words->set('everyday_words');

        return count($stretch) > 1
            && array_filter($stretch, static fn (Token $token): bool => preg_match('/^\p{Lu}/u', $token->original) !== 1 || isset($everyday[$token->text]) || isset($everyday[rtrim($token->text, 's')])) === [];
    }

    private function isWritten(Token $token): bool
    {
        return preg_match('/^\p{Lu}\p{Ll}/u', $token->original) === 1;
    }

    /** @param list<Token> $stretch */
    private function isName(array $stretch): bool
    {
        if ($stretch === [] || count($stretch) > self::LONGEST) {
            return false;
        }
        $titled = in_array($stretch[0]->text, $this->titles, true) && count($stretch) > 1;
        $given = $this->words->set('given_names');
        if (! $titled && ! isset($given[$stretch[0]->text]) && ! $this->written($stretch)) {
            return false;
        }
        // 'My dad, Albert Pope'
        $begun = isset($given[$stretch[0]->text]) && $this->isWritten($stretch[0]);
        foreach (array_slice($stretch, $titled ? 1 : 0) as $token) {
            $known = isset($given[$token->text]) || isset($this->words->set('surnames')[$token->text]) || $begun && $this->isWritten($token);
            if (isset($this->words->set('everyday_words')[$token->text]) && ! $known || isset($this->words->set('function_words')[$token->text])) {
                return false;
            }
        }

        return true;
    }
}
