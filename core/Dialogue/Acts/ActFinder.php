<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

use Ringo\Dialogue\Phrasebook;
use Ringo\Language\Token;
use Ringo\Understanding\Acts\ActModel;
use Ringo\Understanding\Heard;

/** Finds what a caller does with words: from sayings that are acts of their own and the share of the words they take, and from what was learned of utterances. */
final readonly class ActFinder
{
    /** Kinds found by sayings of these tables and sections. */
    private const SAYINGS = [
        'stop calling' => [['talk', 'stop_calling']],
        'leaving' => [['talk', 'goodbyes']],
        'hold' => [['acts', 'kept_waiting'], ['talk', 'holding']],
        'presence' => [['acts', 'presence']],
        'repeat' => [['talk', 'repeat']],
        'slower' => [['talk', 'slower']],
        'start again' => [['talk', 'start_again']],
        'back' => [['talk', 'go_back'], ['acts', 'go_back']],
        'why' => [['talk', 'why']],
        'meaning' => [['acts', 'meaning']],
        'handover' => [['acts', 'handover']],
        'already told' => [['talk', 'told_you']],
        'does not know' => [['acts', 'dont_know'], ['talk', 'doubt']],
        'does not mind' => [['acts', 'dont_mind'], ['acts', 'soonest']],
        'refuses' => [['acts', 'refusals'], ['talk', 'refusals']],
        'nothing more' => [['talk', 'nothing_more'], ['talk', 'nothing_to_add']],
        'thanks' => [['acts', 'thanks']],
        'complaint' => [['acts', 'complaint']],
        'frustration' => [['talk', 'frustration']],
        'strong words' => [['talk', 'profanity']],
        'off topic' => [['talk', 'off_topic']],
    ];

    /** Acts that are also found by what was learned, where no saying tells them. */
    private const LEARNED = ['leaving' => ActKind::Leaving, 'stop_calling' => ActKind::StopCalling, 'hold' => ActKind::Hold, 'repeat' => ActKind::Repeat, 'back' => ActKind::Back, 'person' => ActKind::Person, 'already_told' => ActKind::AlreadyTold, 'refuse' => ActKind::Refuse, 'dont_know' => ActKind::DontKnow, 'dont_mind' => ActKind::DontMind];

    /** Acts that compete with them: what is likelier one of these is not taken for a request. */
    private const ANSWERS = ['answer', 'side_question', 'disagree_with_value'];

    /** Real callers mostly answer: an act must be so much likelier than where it was right nine times in ten among all acts. */
    private const CAUTION = 1.5;

    /** How sure an act is that is said alone, with little else, or beside more. */
    private const ALONE = 0.95;

    private const BESIDE = 0.6;

    /** Words before a goodbye by which it is none. */
    private const DENIES = ["don't", 'dont', 'not', 'never', "won't"];

    /** Words of substance that may stand beside an act that is still said alone. */
    private const LITTLE = 1;

    /** Words of a saying that is one even within a question: 'can I leave it to you'. */
    private const SAYS_IT_ALONE = 3;

    /** Going back may say why: 'I gave you the wrong evening'. */
    private const LITTLE_TO_GO_BACK = 3;

    /** A moment asked for may say what for: 'just finding my glasses'. */
    private const LITTLE_TO_HOLD = 5;

    private const IN_VAIN = ["can't", 'cannot', "couldn't"];

    public function __construct(private Phrasebook $phrases, private Questions $questions, private PersonAsked $person, private ActModel $model)
    {
    }

    public function in(Heard $heard, Asked $asked = new Asked): Hearing
    {
        $acts = [];
        foreach (self::SAYINGS as $kind => $tables) {
            $act = $this->saying(ActKind::from($kind), $tables, $heard);
            if ($act !== null) {
                $acts[] = $act;
            }
        }
        $person = $this->person->in($heard);
        if ($person !== null) {
            $acts[] = $person;
        }
        [$questions, $statement] = $this->questions->in($heard);
        array_push($acts, ...$this->learned($heard, $asked, $acts));
        if ($questions !== [] && $statement->isEmpty()) {
            // 'Do you know any good recipes' leaves nothing open, and says nothing that was said before.
            $acts = array_values(array_filter($acts, static fn (Act $act): bool => ! in_array($act->kind, [ActKind::DontMind, ActKind::AlreadyTold], true) || $act->words !== $heard && count($act->words->tokens) >= self::SAYS_IT_ALONE));
        }
        foreach ($questions as $question) {
            $acts[] = new Act(ActKind::Question, $question, $statement, self::ALONE, $statement->isEmpty());
        }

        return new Hearing($heard, $acts, $questions, $statement);
    }

    /**
     * @param list<Act> $found
     *
     * @return list<Act> acts no saying tells
     */
    private function learned(Heard $heard, Asked $asked, array $found): array
    {
        $alone = array_map(static fn (Act $act): ActKind => $act->kind, array_filter($found, static fn (Act $act): bool => $act->alone));
        if ($alone !== [] || $this->tells($heard->tokens)) {
            return [];
        }
        $of = $this->model->of($heard->original, $asked->question, $asked->type);
        $rival = max(array_map(static fn (string $act): float => $of[$act] ?? 0.0, self::ANSWERS));
        $acts = [];
        foreach (self::LEARNED as $name => $kind) {
            // 'I can't find it' asks nobody to wait.
            if ($kind === ActKind::Hold && array_filter($heard->tokens, static fn (Token $token): bool => in_array($token->text, self::IN_VAIN, true)) !== []) {
                continue;
            }
            $sure = $this->model->sureFrom($name);
            // At an open question 'the box office, please' is a wish like any other.
            if ($kind === ActKind::Person && $asked->type === Asked::OPEN) {
                continue;
            }
            if ($sure !== null && $of[$name] >= max($rival, self::CAUTION * $sure)) {
                $acts[] = new Act($kind, $heard, $heard->only([]), round($of[$name], 2), true);
            }
        }
        usort($acts, static fn (Act $a, Act $b): int => $b->confidence <=> $a->confidence);

        return array_slice($acts, 0, 1);
    }

    /** @param list<array{string, string}> $tables */
    private function saying(ActKind $kind, array $tables, Heard $heard): ?Act
    {
        $best = null;
        foreach ([$heard->tokens, $heard->all] as $tokens) {
            foreach ($tables as [$table, $section]) {
                $phrases = $this->phrases->table($table, $section);
                // 'Don't hang up' takes no leave.
                $hits = array_values(array_filter($phrases->all($tokens), fn (array $hit): bool => $kind !== ActKind::Leaving || ! in_array($tokens[$hit[1] - 1]->text ?? '', self::DENIES, true)));
                if ($hits === []) {
                    continue;
                }
                $said = [];
                foreach ($hits as [, $place, $length]) {
                    array_push($said, ...array_slice($tokens, $place, $length));
                }
                $rest = $phrases->without($tokens);
                $alone = $this->alone($kind, $rest, count($tokens), max(array_column($hits, 2)));
                if ($best === null || $alone && ! $best->alone || $alone === $best->alone && count($said) > count($best->words->tokens)) {
                    $best = new Act($kind, $heard->only($said), $heard->only(array_values($rest)), $alone ? self::ALONE : self::BESIDE, $alone);
                }
            }
        }

        return $best;
    }

    /** @param list<Token> $rest */
    private function alone(ActKind $kind, array $rest, int $of, int $longest): bool
    {
        $content = $this->phrases->content($rest);

        return match ($kind) {
            ActKind::Repeat => $content === 0 && count($rest) <= 4,
            ActKind::Hold => $content <= self::LITTLE_TO_HOLD && ! $this->tells($rest),
            // A bare 'back' is a word like any other.
            ActKind::Back => $content <= ($longest > 1 ? self::LITTLE_TO_GO_BACK : 0),
            // One word refuses alone: 'pass' does, 'pass on a message' does not.
            ActKind::Refuse => $content <= ($longest > 1 ? self::LITTLE : 0) && $content * 3 <= $of,
            // 'What have you got on the tenth' asks for a time, and not what is meant.
            ActKind::Meaning => $content === 0,
            ActKind::Handover => $content <= self::LITTLE_TO_HOLD,
            default => $content <= self::LITTLE && $content * 3 <= $of,
        };
    }

    /** @param list<Token> $rest whether the words beside give or mend something: then nobody is to wait */
    private function tells(array $rest): bool
    {
        // 'It's in the other room' tells where something is.
        $rest = $this->phrases->table('acts', 'where_it_is')->without($rest);

        return $this->phrases->table('acts', 'mending')->in($rest) || array_filter($rest, static fn (Token $token): bool => preg_match('/\d/', $token->text) === 1 || in_array($token->text, self::IN_VAIN, true)) !== [];
    }
}
