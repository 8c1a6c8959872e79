<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Replies;

use Ringo\Advice\Purpose;
use Ringo\Dialogue\Acts\Questions;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Dialogue\Ports\Known;
use Ringo\Dialogue\Scope;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Fit\Topics;
use Ringo\Language\SayingModel;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Script\Standing;
use Ringo\Speech\Prompt;
use Ringo\Speech\Spoken;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/**
 * Answers side questions from the script's standing replies, from hours and calendar, and from knowledge. Nothing is invented: no reply, no answer.
 *
 * @phpstan-import-type Reply from Standing as Written
 */
final readonly class Replies
{
    /** Words of substance that may stand beside a question about the agent or the time. */
    private const BESIDE = 1;

    /** From this likelihood on somebody asks where the number is from: 'can you change my number' is near, and is not it. */
    private const WHENCE = 0.75;

    /** How sure an answer is that an adviser chose. */
    private const ADVISED = 0.8;

    private Stemmer $stemmer;

    public function __construct(private Understanding $understanding, private Phrasebook $phrases, private Collector $collector, private Questions $questions, private Topics $topics, private ?Knowledge $knowledge = null)
    {
        $this->stemmer = new Stemmer;
    }

    /** What answers: the script's own replies first, then what every agent knows of itself and the hours, then the business's knowledge. */
    public function answer(Turn $turn, Heard $question): ?Reply
    {
        return $this->written($turn, $question) ?? $this->builtIn($turn, $question) ?? $this->known($turn, $question);
    }

    /**
     * Answers what is asked, each question once, and speaks the answers; null where nothing answers any of them.
     *
     * @param list<Heard> $questions
     * @param bool $mayAsk whether it may ask back which of several is meant; beside an answer the likeliest is said, with what it is about
     */
    public function serve(Turn $turn, array $questions, bool $mayAsk = true): ?Reply
    {
        $last = null;
        $said = [];
        foreach ($questions as $question) {
            $reply = $this->answer($turn, $question);
            if ($reply === null || isset($said[$reply->text])) {
                continue;
            }
            $reply = $reply->asksBack() && ! $mayAsk ? $this->likeliest($turn, $reply) : $reply;
            $said[$reply->text] = true;
            $turn->trace->rule($reply->rule);
            $this->told($turn, $reply);
            $turn->speak($reply->text, $turn->state->step);
            $last = $last === null || $reply->to !== null || $reply->asksBack() ? $reply : $last;
            if ($reply->asksBack()) {
                break;
            }
        }

        return $last;
    }

    /**
     * Which of the readings that were offered in the last turn the caller means: by its place, by its words, or by a yes where there is
     * one. Null where the words are about something else.
     */
    public function chosen(Turn $turn, Heard $heard): ?Reply
    {
        $last = $turn->state->known;
        $offers = $last['offers'] ?? [];
        if ($last === null || $offers === [] || $turn->state->heard !== ($last['turn'] ?? -1) + 1) {
            return null;
        }
        $n = (new OfferedReadings($this->understanding))->meant($turn, $heard, $offers);
        if ($n === null) {
            return null;
        }
        $one = $offers[$n];

        return new Reply($one['text'], "means {$one['label']}: {$one['source']}", null, new Known($one['text'], $one['source'], $one['label'], 1.0, null, $one['more'], null, true));
    }

    /** Notes and speaks what was chosen. */
    public function say(Turn $turn, Reply $reply): void
    {
        $turn->trace->rule($reply->rule);
        $this->told($turn, $reply);
        $turn->speak($reply->text, $turn->state->step);
    }

    /** The first of several readings, said with what it is about. */
    private function likeliest(Turn $turn, Reply $reply): Reply
    {
        $one = $reply->known->offers[0] ?? throw new \LogicException('It offers nothing.');

        return new Reply($turn->phrase('on_this', ['name' => $one['label'], 'it' => $one['text']]), $reply->rule, null, new Known($one['text'], $one['source'], $one['label'], $reply->known->confidence, null, $one['more'], null, true));
    }

    /** Notes where an answer came from, once it is spoken. */
    private function told(Turn $turn, Reply $reply): void
    {
        $known = $reply->known;
        if (! $known instanceof Known || $known->text === null) {
            return;
        }
        if ($known->source !== '' && $known->offers === []) {
            $turn->trace->sources[] = $known->source;
        }
        $turn->trace->sureness = $known->refusal === null ? round($known->confidence, 3) : null;
        if ($known->refusal !== null && $known->offers === []) {
            $turn->trace->unanswered[] = ['question' => $turn->trace->heard, 'why' => $known->refusal];
        }
        $turn->state->known = ['text' => $known->text, 'source' => $known->source, 'name' => $known->name, 'more' => $known->more, 'offers' => $known->offers, 'turn' => $turn->state->heard];
    }

    /** 'Are you sure?' and 'tell me more', about what was answered last. */
    private function onTheLast(Turn $turn, Knowledge $knowledge, Heard $heard): ?Reply
    {
        $last = $turn->state->known;
        $follows = $last === null ? null : $knowledge->follows($heard->original);
        if ($last === null || $follows === null) {
            return null;
        }
        if ($follows === 'sure') {
            return new Reply($turn->phrase('sure', ['name' => $last['name'] === '' ? 'what I have here' : $last['name'], 'it' => $last['text']]), 'challenged: gives the source, '.$last['source'], null);
        }
        if ($follows !== 'more') {
            return null;
        }
        if ($last['more'] === []) {
            return new Reply($turn->phrase('no_more'), 'nothing more is written about it', null);
        }
        [$text, $rest] = (new Spoken)->cut($last['more'], 0, 2);

        return new Reply($text, 'more from '.$last['source'], null, new Known($text, $last['source'], $last['name'], 1.0, null, $rest, null, true));
    }

    /** What the call has told so far that an answer may depend on. */
    private function toldSoFar(Turn $turn, Scope $scope): string
    {
        $told = [];
        foreach (array_keys($turn->state->values) as $key) {
            $type = $turn->script->sheet->field((string) $key)?->type;
            if (in_array($type, [ValueType::Choice, ValueType::Number, ValueType::Duration], true)) {
                $told[] = $scope->words((string) $key) ?? '';
            }
        }

        return implode(', ', array_filter($told));
    }

    /** From what the business has written; 'tell me more' and 'are you sure?' follow up the last answer. */
    private function known(Turn $turn, Heard $heard): ?Reply
    {
        if ($this->knowledge === null) {
            return null;
        }
        $again = $this->onTheLast($turn, $this->knowledge, $heard);
        if ($again !== null) {
            return $again;
        }
        if ($this->questions->clause($heard) === null) {
            return null;
        }
        $scope = $turn->scope();
        $known = $this->knowledge->ask($heard->original === '' ? $heard->cleaned() : $this->words($heard), $scope->now, $turn->script->agent->country, $this->toldSoFar($turn, $scope));
        $known = $this->advised($turn, $known);
        if ($known->text === null) {
            return null;
        }
        // Answers may carry placeholders of the script.
        $text = str_contains($known->text, '[') ? Prompt::of($known->text)->filled(0, $scope->words(...)) : $known->text;
        $to = $known->leadsTo !== null && isset($turn->script->steps[$known->leadsTo]) ? $known->leadsTo : null;

        return $text === '' ? null : new Reply($text, 'knowledge: '.($known->source === '' ? (string) $known->refusal : $known->source).', sure to '.number_format($known->confidence, 2), $to, $known);
    }

    /** Where several sentences may be meant, or none is near enough: the one an adviser says, as it stands in the source. */
    private function advised(Turn $turn, Known $known): Known
    {
        $readings = $known->offers === [] ? $known->passages : $known->offers;
        $choices = [];
        foreach ($readings as $n => $one) {
            $choices['s'.($n + 1)] = ($one['label'] === '' ? '' : $one['label'].': ').$one['text'];
        }
        $choice = $known->refusal === null ? null : $turn->advised(Purpose::Answer, 'Which of these sentences answers what the caller asks?', $choices);
        if ($choice === null) {
            return $known;
        }
        $one = $readings[(int) substr($choice, 1) - 1];

        return new Known($one['text'], $one['source'], $one['label'], self::ADVISED, null, $one['more'], null, $known->informs);
    }

    /** The words of the part that asks, as they were said. */
    private function words(Heard $heard): string
    {
        $first = $heard->tokens[0] ?? null;
        $last = $heard->tokens[count($heard->tokens) - 1] ?? null;

        return $first === null || $last === null ? $heard->original : $heard->between($first->start, $last->end);
    }

    private function builtIn(Turn $turn, Heard $heard): ?Reply
    {
        if ($this->mainly($heard, 'machine')) {
            return new Reply($turn->phrase('machine'), 'standing rule: are you a machine', null);
        }
        if ($turn->script->agent->direction === 'outbound' && ($this->mainly($heard, 'whence') || SayingModel::objections()->of($heard->cleaned())['whence'] >= self::WHENCE)) {
            return new Reply($turn->phrase('whence'), 'standing rule: where is the number from', null);
        }
        if ($this->mainly($heard, 'who')) {
            return new Reply($turn->phrase('who'), 'standing rule: who are you', null);
        }
        if ($this->mainly($heard, 'what_day')) {
            $scope = $turn->scope();

            return new Reply($turn->phrase('today', ['time' => (string) $scope->words('now'), 'date' => (string) $scope->words('today')]), 'standing rule: what day is it', null);
        }
        if ($turn->script->hours->given() && $this->phrases->contains($heard, 'open')) {
            return new Reply($this->hours($turn, $heard), 'standing rule: opening hours', null);
        }

        return null;
    }

    /** Whether the words ask just that: 'what time is it best to leave' does not ask the time. */
    private function mainly(Heard $heard, string $section): bool
    {
        $rest = $this->phrases->phrases($section)->without($heard->tokens);

        return count($rest) < count($heard->tokens) && $this->phrases->content($rest) <= self::BESIDE;
    }

    private function hours(Turn $turn, Heard $heard): string
    {
        $scope = $turn->scope();
        $hours = $turn->script->hours;
        $speak = fn (ValueType $type, string $value): string => $turn->sayTyped(new Typed($type, $value));
        $context = new \Ringo\Understanding\Context($scope->now, $turn->script->agent->country);
        $asked = $this->understanding->read(ValueType::Date, $heard, $context);
        if (! $asked->found() || $asked->value === $scope->now->format('Y-m-d') && $this->phrases->contains($heard, 'machine')) {
            if ($hours->openAt($scope->now)) {
                foreach ($hours->on($scope->now) as $range) {
                    if ($scope->now->format('H:i') < $range['to']) {
                        return $turn->phrase('open_now', ['until' => $speak(ValueType::Time, $range['to'])]);
                    }
                }
            }
            $next = $hours->nextOpening($scope->now);

            return $next === null ? $turn->phrase('no_answer') : $turn->phrase('closed_now', ['opens' => $speak(ValueType::DateTime, $next->format('Y-m-d\TH:i'))]);
        }
        $day = new \DateTimeImmutable((string) $asked->value, $scope->now->getTimezone());
        $named = $speak(ValueType::Date, $day->format('Y-m-d'));
        $ranges = $hours->on($day);
        if ($ranges === []) {
            $why = $hours->why($day);

            return $turn->phrase('closed_on', ['day' => $named, 'why' => $why === '' ? '' : ', '.$why]);
        }

        return $turn->phrase('open_on', ['day' => $named, 'hours' => implode(' and ', array_map(static fn (array $range): string => 'from '.$speak(ValueType::Time, $range['from']).' to '.$speak(ValueType::Time, $range['to']), $ranges))]);
    }

    private function written(Turn $turn, Heard $heard): ?Reply
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
