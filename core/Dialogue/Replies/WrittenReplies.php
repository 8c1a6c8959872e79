<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Replies;

use Ringo\Dialogue\Acts\Questions;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Fit\Topics;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Script\Standing;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * The replies a script has written itself: found by their phrases, by what they mean, or because they follow the last one.
 *
 * @phpstan-import-type Reply from Standing as Written
 */
final readonly class WrittenReplies
{
    private Stemmer $stemmer;

    public function __construct(private Understanding $understanding, private Collector $collector, private Questions $questions, private Topics $topics)
    {
        $this->stemmer = new Stemmer;
    }

    public function answer(Turn $turn, Heard $heard): ?Reply
    {
        $said = array_map(fn (Token $token): string => $this->stemmer->stem($token->text), $heard->tokens);
        $best = null;
        $most = 0;
        foreach ($turn->script->standing->replies as $reply) {
            foreach ($reply['when'] as $when) {
                $stems = $this->stemmer->stems($when);
                if ($stems === [] || array_diff($stems, $said) !== [] || count($stems) <= $most || ! $this->inOrder($stems, $said)) {
                    continue;
                }
                if ($reply['about'] !== null && $reply['otherwise'] === null && $this->about($turn, $reply['about'], $heard) === null) {
                    continue;
                }
                [$best, $most] = [$reply, count($stems)];
            }
        }
        $best ??= $this->meant($turn, $heard) ?? $this->follows($turn, $heard);
        if ($best === null) {
            return null;
        }
        $turn->state->lastReply = $best['key'];
        $scope = $turn->scope();
        $option = $best['about'] === null ? null : $this->about($turn, $best['about'], $heard);
        if ($best['about'] !== null && $option === null) {
            return new Reply((string) $best['otherwise'], "standing reply {$best['key']}: which {$best['about']} is not known", $best['to']);
        }
        $prompt = Prompt::of($best['say']);
        $text = $prompt->filled($turn->variant('reply.'.$best['key'], count($prompt->variants)), static function (string $path) use ($scope, $best, $option): ?string {
            if ($best['about'] !== null && ($path === $best['about'] || str_starts_with($path, $best['about'].'.'))) {
                return $scope->fact($best['about'], (string) $option, $path === $best['about'] ? 'label' : substr($path, strlen($best['about']) + 1));
            }

            return $scope->words($path);
        });

        return $text === '' ? null : new Reply($text, "standing reply {$best['key']}", $best['to']);
    }

    /**
     * A reply whose meaning, told in plain words, the question fits, though it holds none of its phrases.
     *
     * @return Written|null
     */
    private function meant(Turn $turn, Heard $heard): ?array
    {
        $topics = [];
        foreach ($turn->script->standing->replies as $reply) {
            if ($reply['means'] !== null) {
                $topics[] = ['key' => $reply['key'], 'label' => '', 'description' => $reply['means'], 'phrases' => []];
            }
        }
        $ranked = $topics === [] || $this->questions->clause($heard) === null ? [] : $this->topics->rank($topics, $heard);
        $best = array_key_first($ranked);
        if ($best === null || $ranked[$best] < Topics::NAMED || $ranked[$best] - (array_values($ranked)[1] ?? 0.0) < Topics::LEAD) {
            return null;
        }
        foreach ($turn->script->standing->replies as $reply) {
            if ($reply['key'] === $best) {
                return $reply;
            }
        }

        return null;
    }

    /**
     * 'And for the generator?': the reply given last, about another option.
     *
     * @return Written|null
     */
    private function follows(Turn $turn, Heard $heard): ?array
    {
        if (count($heard->tokens) > 7 || ! in_array($heard->tokens[0]->text ?? '', ['and', 'what', 'how', 'or', 'for', 'then'], true)) {
            return null;
        }
        foreach ($turn->script->standing->replies as $reply) {
            $field = $reply['key'] === $turn->state->lastReply && $reply['about'] !== null ? $turn->script->sheet->field($reply['about']) : null;
            if ($field !== null && $this->understanding->read(ValueType::Choice, $heard, $this->collector->context($turn, $field, false))->found()) {
                return $reply;
            }
        }

        return null;
    }

    /** Which option the question speaks of: named in it, or already known in the call. */
    private function about(Turn $turn, string $key, Heard $heard): ?string
    {
        $field = $turn->script->sheet->field($key);
        if ($field === null) {
            return null;
        }
        $named = $this->understanding->read(ValueType::Choice, $heard, $this->collector->context($turn, $field, false));
        $known = $turn->state->values[$key]->value ?? null;

        return $named->found() ? (string) $named->value : (is_string($known) ? $known : null);
    }

    /**
     * @param list<string> $stems
     * @param list<string> $said whether the stems stand in this order with at most three words between
     */
    private function inOrder(array $stems, array $said): bool
    {
        $last = -1;
        foreach ($stems as $stem) {
            $found = null;
            foreach ($said as $i => $word) {
                if ($i > $last && $word === $stem && ($last === -1 || $i - $last <= 4)) {
                    $found = $i;

                    break;
                }
            }
            if ($found === null) {
                return false;
            }
            $last = $found;
        }

        return true;
    }
}
