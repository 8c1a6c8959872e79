<?php

declare(strict_types=1);

namespace Tests\Core\Inspection;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Brief\Brief;
use Ringo\Design\ScriptDocument;
use Ringo\Diary\Diaries;
use Ringo\Errand\Errand;
use Ringo\Errand\Errands;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Inspector;
use Ringo\Inspection\Surroundings;

/** Every rule both ways: what it must find, and what it must leave alone. */
final class InspectorTest extends TestCase
{
    /** @param callable(array<string, mixed>): array<string, mixed> $change */
    #[DataProvider('found')]
    public function testFinds(string $rule, string $severity, ?string $step, callable $change): void
    {
        $hits = $this->of($rule, $change(self::sound()));
        self::assertNotSame([], $hits, "{$rule} was not found");
        self::assertSame([$severity, $step], [$hits[0]->severity->value, $hits[0]->step], $hits[0]->message);
        self::assertMatchesRegularExpression('/[.?]$/', $hits[0]->message);
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $change */
    #[DataProvider('quiet')]
    public function testLeavesAlone(string $rule, callable $change): void
    {
        self::assertSame([], array_map(static fn (Finding $one): string => $one->message, $this->of($rule, $change(self::sound()))));
    }

    public function testASoundScriptHasNoFindings(): void
    {
        self::assertSame([], array_map(static fn (Finding $one): string => $one->rule.': '.$one->message, (new Inspector)->inspect(ScriptDocument::fromArray(self::sound()))));
    }

    public function testErrandsAreFoundAmissByWhatTheBusinessHas(): void
    {
        $script = self::sound();
        $script['sheet']['properties']['hire_number'] = ['type' => 'string', 'format' => 'reference', 'title' => 'Hire number'];
        $first = $script['first'];
        $script['first'] = 'look';
        $look = ['key' => 'look', 'kind' => 'look_up', 'errand' => 'hire', 'not_found' => $first, 'failed' => $first, 'next' => 'told'];
        $told = ['key' => 'told', 'kind' => 'say', 'prompt' => 'It is due back on [hire.due].', 'next' => $first];
        $errand = ['key' => 'hire', 'request' => ['url' => 'https://yard.pellbrook.example/hires/{number}'], 'parameters' => [['key' => 'number', 'from' => 'hire_number']], 'answer' => ['values' => [['key' => 'due', 'type' => 'date']]]];
        $rules = static function (array $look = [], array $errand = [], array ...$more) use ($script): array {
            array_unshift($script['steps'], ...array_values(array_filter([$look, ...array_values($more)])));
            $findings = (new Inspector)->inspect(ScriptDocument::fromArray($script), new Surroundings(errands: Errands::of([Errand::fromArray($errand)])));

            return array_values(array_unique(array_map(static fn (Finding $one): string => $one->rule, array_filter($findings, static fn (Finding $one): bool => ! in_array($one->rule, ['asked_twice', 'business_in_words'], true)))));
        };
        self::assertSame([], $rules($look, $errand, $told));
        self::assertSame(['no_such_errand'], array_values(array_intersect($rules(['errand' => 'hier'] + $look, $errand, $told), ['no_such_errand'])));
        self::assertContains('errand_gives', $rules($look + ['keep' => ['hire_number' => 'site']], $errand, $told));
        self::assertContains('errand_needs', $rules($look, ['parameters' => [['key' => 'number', 'from' => 'contract']]] + $errand, $told));
        self::assertContains('errand_needs', $rules($look, ['parameters' => [['key' => 'number', 'from' => 'caller.account_number']]] + $errand, $told));
        self::assertNotContains('errand_needs', $rules($look, ['parameters' => [['key' => 'number', 'from' => 'caller.number']]] + $errand, $told));
        self::assertContains('secret_in_sight', $rules($look, ['request' => ['url' => 'https://yard.pellbrook.example/hires/{number}?token=abc']] + $errand, $told));
        self::assertContains('waits_for_nothing', $rules($look + ['waiting' => 'One moment.'], ['seconds' => 1] + $errand, $told));
        self::assertContains('waits_in_silence', $rules($look, ['seconds' => 20] + $errand, $told));
        self::assertNotContains('waits_in_silence', $rules($look + ['waiting' => 'It is a slow book.'], ['seconds' => 20] + $errand, $told));
        self::assertContains('errand_hidden', $rules(['errand' => 'hire_number'] + $look, ['key' => 'hire_number'] + $errand, $told));
        // What only 'found' gives is not there where nothing was found.
        self::assertContains('silent_step', $rules(['not_found' => 'told'] + $look, $errand, $told));
        self::assertContains('unknown_placeholder', $rules($look, $errand, ['prompt' => 'It stands at [hire.site].'] + $told));
        $post = ['changes' => true, 'request' => ['method' => 'POST'] + $errand['request']] + $errand;
        self::assertContains('changes_twice', $rules(['next' => 'again'] + $look, $post, ['key' => 'again', 'next' => 'told'] + $look, $told));
        self::assertNotContains('changes_twice', $rules(['next' => 'again'] + $look, $errand, ['key' => 'again', 'next' => 'told'] + $look, $told));
    }

    public function testNamesOfBusinessesInTheWordsAreFoundByWhatStandsAround(): void
    {
        $document = ScriptDocument::fromArray(self::step(self::step(self::sound(), 'sum_up', ['prompt' => 'Thank you for calling Quillmoor Vets.']), 'opening', ['prompt' => 'Pellbrook Hire, hello.']));
        $rules = static fn (Surroundings $around): array => array_map(static fn (Finding $one): array => [$one->rule, $one->severity->value, $one->step], (new Inspector)->inspect($document, $around));
        self::assertContains(['other_business', 'error', 'sum_up'], $rules(new Surroundings(otherBusinesses: ['Quillmoor Vets'])));
        self::assertContains(['business_in_words', 'note', 'opening'], $rules(new Surroundings));
        self::assertNotContains(['other_business', 'error', 'sum_up'], $rules(new Surroundings(otherBusinesses: ['Quill'])), 'a part of a word is no name');
    }

    public function testAVerifyStepNeedsSomethingOnFileToCheckAgainst(): void
    {
        $verify = ['key' => 'check', 'kind' => 'verify', 'by' => 'reference', 'prompt' => 'What is your reference?', 'next' => 'bye', 'failed' => 'bye', 'locked' => 'bye'];
        $document = ScriptDocument::fromArray(self::with(self::step(self::sound(), 'sum_up', ['next' => 'check']), $verify));
        $found = static fn (?string $fact): bool => array_filter((new Inspector)->inspect($document, new Surroundings(callerFacts: $fact === null ? null : [$fact])), static fn (Finding $one): bool => $one->rule === 'verifies_nothing' && $one->step === 'check') !== [];
        self::assertSame([true, false, false], [$found('depot'), $found('account_number'), $found(null)], 'where nobody knows the callers, nothing is said of them');
    }

    public function testADeliveryRuleKeepsThePromiseOfAText(): void
    {
        $document = ScriptDocument::fromArray(self::step(self::sound(), 'sum_up', ['prompt' => 'You will get a text shortly.']));
        $found = static fn (string ...$delivers): array => array_filter((new Inspector)->inspect($document, new Surroundings(delivers: array_values($delivers))), static fn (Finding $one): bool => $one->rule === 'promise');
        self::assertSame([1, 0], [count($found()), count($found('text'))]);
    }

    public function testWhatABookStepPromisesOfTheDiary(): void
    {
        $diaries = Diaries::fromArray(['hours' => ['mon' => ['09:00-17:00']], 'services' => [['key' => 'visit', 'minutes' => 30, 'notice_hours' => 2]], 'diaries' => [['key' => 'odo', 'name' => 'Odo', 'services' => ['visit']]]]);
        $found = static function (string $prompt, int $seconds) use ($diaries): array {
            $script = ['agent' => ['name' => 'A', 'business' => 'B', 'tz' => 'Europe/London'], 'sheet' => ['type' => 'object', 'properties' => ['start' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Start']]], 'first' => 'agree',
                'steps' => [['key' => 'agree', 'kind' => 'book', 'service' => 'visit', 'field' => 'start', 'prompt' => $prompt, 'next' => 'bye', 'none' => 'bye'], ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done']]];

            return array_values(array_intersect(['reminds_too_late', 'offers_closed'], array_map(static fn (Finding $one): string => $one->rule, (new Inspector)->inspect(ScriptDocument::fromArray($script), new Surroundings(diaries: $diaries, reminders: [['name' => 'Reminder', 'field' => 'start', 'seconds' => $seconds]])))));
        };
        self::assertSame(['reminds_too_late', 'offers_closed'], $found('We come on Mondays and Saturdays. When would suit you?', 86_400));
        self::assertSame([], $found('Any Monday, not on Saturdays. When would suit you?', 3600));
    }

    public function testFactsOfTheScriptAreHeldAgainstTheBrief(): void
    {
        $brief = Brief::fromArray(['hours' => ['mon' => ['08:00-17:00'], 'sat' => ['09:00-12:00']], 'sites' => [['key' => 'yard', 'name' => 'the yard', 'address' => '7 Bellfounder Yard, Harrowell', 'phone' => '01632 960500']]]);
        $found = static fn (array $facts): array => array_map(static fn (Finding $one): string => $one->message, array_values(array_filter((new Inspector)->inspect(ScriptDocument::fromArray(['agent' => ['name' => 'A', 'business' => 'B', 'country' => 'GB', 'tz' => 'Europe/London'], 'facts' => $facts, 'sheet' => ['type' => 'object', 'properties' => []], 'first' => 'bye', 'steps' => [['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done']]]), new Surroundings(brief: $brief)), static fn (Finding $one): bool => $one->rule === 'facts_differ')));
        self::assertSame([], $found(['phone' => 'ring 01632 960500', 'where' => '7 Bellfounder Yard', 'open' => 'Monday 8am to 5pm', 'deposit' => 'fifty pounds, order 4402', 'cleaning' => 25]));
        self::assertStringContainsString('says 01632 960501, and no telephone of the brief is that: 01632 960500', $found(['phone' => 'ring 01632 960501 any time'])[0]);
        self::assertStringContainsString('the brief “7 Bellfounder Yard, Harrowell”', $found(['our_address' => '9 Mill Lane, Harrowell'])[0]);
        self::assertStringContainsString('the brief has 09:00-12:00 on Sat', $found(['open' => 'Monday 8 to 5, Saturday 9 to 1'])[0]);
    }

    public function testTheDemonstrationsHaveNoErrors(): void
    {
        foreach (['pellbrook/maren', 'quillmoor/tobin'] as $name) {
            $document = ScriptDocument::fromJson((string) file_get_contents(dirname(__DIR__, 3)."/database/demo/{$name}.json"));
            self::assertSame([], array_filter((new Inspector)->inspect($document), Inspector::blocks(...)));
        }
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $change */
    #[DataProvider('fixable')]
    public function testAFixMendsWhatWasFound(string $rule, callable $change): void
    {
        $document = ScriptDocument::fromArray($change(self::sound()));
        $finding = array_values(array_filter((new Inspector)->inspect($document), static fn (Finding $one): bool => $one->rule === $rule))[0];
        self::assertNotNull($finding->fix);
        $mended = $finding->fix->applied($document);
        self::assertNotContains($finding->id(), array_map(static fn (Finding $one): string => $one->id(), (new Inspector)->inspect($mended)));
    }

    /** @return iterable<string, array{string, string, ?string, callable}> */
    public static function found(): iterable
    {
        $prompt = static fn (string $step, string|array $text): callable => static fn (array $d): array => self::step($d, $step, ['prompt' => $text]);
        yield 'unreachable' => ['unreachable', 'warning', 'lost', static fn (array $d): array => self::with($d, ['key' => 'lost', 'kind' => 'say', 'prompt' => 'Nobody hears this.', 'next' => 'bye'])];
        yield 'dead end' => ['dead_end', 'error', 'help', static fn (array $d): array => self::step($d, 'help', ['topics' => [], 'nothing' => null, 'way_out' => null])];
        yield 'cut off with an apology' => ['sudden_end', 'warning', 'pay', static fn (array $d): array => self::step($d, 'pay', ['way_out' => null])];
        yield 'a circle without a way out' => ['endless_loop', 'error', 'sum_up', static fn (array $d): array => self::step(self::step($d, 'sum_up', ['next' => 'sum_up_again']), null, ['key' => 'sum_up_again', 'kind' => 'say', 'prompt' => 'Once more.', 'next' => 'sum_up'])];
        yield 'no ending at all' => ['no_ending', 'error', null, static fn (array $d): array => self::step(self::step($d, 'bye', null), 'sum_up', ['next' => 'help'], ['help' => ['nothing' => 'sum_up', 'way_out' => ['then' => 'go', 'step' => 'sum_up']], 'pay' => ['way_out' => ['then' => 'go', 'step' => 'sum_up']], 'day' => ['way_out' => null], 'name' => ['way_out' => null]])];
        yield 'a question that may be silent' => ['silent_step', 'error', 'day', $prompt('day', 'Which day, [caller.first_name]?')];
        yield 'a saying that may be silent' => ['silent_step', 'warning', 'sum_up', $prompt('sum_up', 'Noted: [wish].')];
        yield 'a question dropped' => ['empty_placeholder', 'warning', 'day', $prompt('day', 'Right. Which day, [caller.first_name]?')];
        yield 'a sentence dropped' => ['empty_placeholder', 'note', 'sum_up', $prompt('sum_up', 'Thank you, [caller.first_name]. Noted.')];
        yield 'an option without the fact' => ['empty_placeholder', 'note', 'sum_up', static fn (array $d): array => self::step([...$d, 'sheet' => self::sheet($d, 'payment', ['x-facts' => ['card' => ['fee' => 'free']]])], 'sum_up', ['prompt' => 'Thanks. The fee is [payment.fee]. Bye.'])];
        yield 'a placeholder of nothing' => ['unknown_placeholder', 'error', 'sum_up', $prompt('sum_up', 'See you on [dya].')];
        yield 'an unknown fact' => ['unknown_placeholder', 'error', null, static fn (array $d): array => [...$d, 'standing' => [...$d['standing'], 'replies' => [['key' => 'x', 'when' => ['parking'], 'say' => 'Parking is [fact.parking].']]]]];
        yield 'spoken before it is asked' => ['used_before_set', 'error', 'opening', $prompt('opening', 'You want [day]. Hello.')];
        yield 'decided by what nobody asks' => ['used_before_set', 'error', 'fork', static fn (array $d): array => self::fork([...$d, 'sheet' => self::sheet($d, 'colour', ['type' => 'string'])], ['value' => 'colour', 'is' => 'red'])];
        yield 'decided by nothing' => ['unknown_value', 'error', 'fork', static fn (array $d): array => self::fork($d, ['value' => 'clour', 'is' => 'red'])];
        yield 'no such option' => ['impossible_comparison', 'error', 'fork', static fn (array $d): array => self::fork($d, ['value' => 'payment', 'is' => 'cheque'])];
        yield 'asked twice' => ['asked_twice', 'warning', 'again', static fn (array $d): array => self::with(self::step($d, 'name', ['next' => 'again']), ['key' => 'again', 'kind' => 'ask', 'field' => 'day', 'prompt' => 'Which day was it?', 'help' => 'A date.', 'next' => 'sum_up'])];
        yield 'required and not collected' => ['uncollected', 'error', null, static fn (array $d): array => [...$d, 'sheet' => [...self::sheet($d, 'email', ['type' => 'string', 'format' => 'email']), 'required' => ['day', 'email']]]];
        yield 'a field nobody fills' => ['unused_field', 'note', null, static fn (array $d): array => [...$d, 'sheet' => self::sheet($d, 'email', ['type' => 'string', 'format' => 'email'])]];
        foreach (["We'll text you the details.", 'You will get a text shortly.', 'I have sent you a text.', 'I will just send it by text.'] as $words) {
            yield "promise: {$words}" => ['promise', 'error', 'sum_up', $prompt('sum_up', $words)];
        }
        foreach (['I have booked you in for [day].', "You're booked for [day].", 'Your appointment is made.', "We've reserved a machine.", 'Your table has been booked.', 'Somebody will ring you back.', "You'll be rung tomorrow.", "We'll be in touch.", 'A colleague will call you back today.', "You're being put through.", "I'll transfer you now.", 'I am putting you through to the yard.'] as $words) {
            yield "promise: {$words}" => ['promise', 'error', 'sum_up', $prompt('sum_up', $words)];
        }
        foreach (["I'll email you the quote.", 'You will receive an e-mail.'] as $words) {
            yield "promise by other means: {$words}" => ['promise_kind', 'error', 'sum_up', static fn (array $d): array => self::sends(self::step($d, 'sum_up', ['prompt' => $words]), 'text')];
        }
        yield 'promise of a text, an e-mail sent' => ['promise_kind', 'error', 'sum_up', static fn (array $d): array => self::sends(self::step($d, 'sum_up', ['prompt' => "We'll text you."]), 'email')];
        foreach (['{your business}, hello.', 'Lorem ipsum dolor.', 'Hello from [Your Company].', 'TODO: greet.', 'Welcome to <business name>.'] as $words) {
            yield "leftover: {$words}" => ['leftover', 'error', 'opening', $prompt('opening', $words)];
        }
        yield 'leftover in the sheet' => ['leftover', 'error', null, static fn (array $d): array => [...$d, 'sheet' => self::sheet($d, 'day', ['title' => '{title}'])]];
        yield 'a long question' => ['long_prompt', 'warning', 'day', $prompt('day', 'We have a great many things to tell you before you may answer, such as our prices, our terms, the depots at which machines can be collected, the hours at which they are open and the papers that you must bring with you. Which day?')];
        yield 'talk before a question' => ['long_prompt', 'warning', 'help', $prompt('opening', 'Welcome to the biggest and oldest hire company of the whole district, founded by two brothers a very long time ago, with depots everywhere and machines for every purpose under the sun.')];
        yield 'six options' => ['menu_size', 'warning', 'pay', static fn (array $d): array => self::step($d, 'pay', ['field' => null, 'options' => array_map(static fn (int $i): array => ['key' => "o{$i}", 'label' => ['red', 'blue', 'green', 'white', 'brown', 'grey'][$i], 'next' => 'name'], range(0, 5))])];
        yield 'a key twice' => ['key_twice', 'error', 'pay', static fn (array $d): array => self::option($d, 1, ['digit' => '1'])];
        yield 'the repeat key taken' => ['key_twice', 'error', 'pay', static fn (array $d): array => self::step($d, 'pay', ['repeat_key' => '2'])];
        yield 'the person key taken' => ['key_twice', 'warning', 'pay', static fn (array $d): array => self::option($d, 1, ['digit' => '0'])];
        yield 'phrases overlap' => ['phrases_overlap', 'warning', 'pay', static fn (array $d): array => self::option(self::option($d, 0, ['phrases' => ['on the house']]), 1, ['phrases' => ['on the houses']])];
        yield 'topics alike' => ['topics_alike', 'warning', 'help', static fn (array $d): array => self::step($d, 'help', ['topics' => [['key' => 'a', 'label' => 'a booking', 'description' => 'reserve a machine for a day', 'next' => 'day'], ['key' => 'b', 'label' => 'a reservation', 'description' => 'machine booking, reserve for days', 'next' => 'pay']]])];
        yield 'no person' => ['no_person', 'warning', null, static fn (array $d): array => [...$d, 'standing' => ['person_key' => '0']]];
        yield 'no repeat key' => ['no_repeat', 'note', 'pay', static fn (array $d): array => self::step($d, 'pay', ['repeat_key' => null])];
        foreach (['What time shall we come?', 'May I have your name?', 'How many people will there be?', 'What is your e-mail address?', 'What is your telephone number?', 'How long do you need it?'] as $words) {
            yield "type: {$words}" => ['question_type', 'warning', 'day', $prompt('day', $words)];
        }
        foreach (['Do you have an account with us?', 'Is it urgent?', 'Would you like it delivered?', 'So, are you a new customer?'] as $words) {
            yield "yes or no as text: {$words}" => ['yes_no_text', 'warning', 'wish', static fn (array $d): array => self::asksWish($d, $words)];
        }
        yield 'no reprompt' => ['no_reprompt', 'note', 'day', static fn (array $d): array => self::step([...$d, 'sheet' => self::sheet($d, 'day', ['examples' => []])], 'day', ['help' => null])];
        foreach (['What is your name? And which day suits you?', 'Which day? Morning or afternoon?', 'May I have your name and phone number?'] as $words) {
            yield "double: {$words}" => ['double_question', 'warning', 'name', $prompt('name', $words)];
        }
        foreach (['We have diggers, e.g. small ones.', 'Pellbrook & Sons.', 'Open Mon–Fri.', 'Open 24/7.', 'It is 20% off.', 'Look at www.pellbrook.example for more.', 'It takes 30-40 minutes.', 'We come ASAP.'] as $words) {
            yield "speaks badly: {$words}" => ['speaks_badly', 'warning', 'sum_up', $prompt('sum_up', $words)];
        }
        yield 'no machine told' => ['disclosure', 'error', 'opening', static fn (array $d): array => [...$d, 'standing' => [...$d['standing'], 'must_say' => ['machine']]]];
        yield 'no recording told' => ['disclosure', 'error', 'opening', static fn (array $d): array => [...$d, 'standing' => [...$d['standing'], 'must_say' => ['recording']]]];
        yield 'outbound and nobody says who rings' => ['says_who_late', 'warning', 'opening', static fn (array $d): array => self::step([...$d, 'agent' => [...$d['agent'], 'direction' => 'outbound']], 'opening', ['prompt' => 'Hello. To stop these calls, press nine.'])];
        yield 'who rings is said late' => ['says_who_late', 'warning', 'opening', static fn (array $d): array => self::step([...$d, 'agent' => [...$d['agent'], 'direction' => 'outbound']], 'opening', ['prompt' => 'Hello. I hope that you are having a very good day so far and that this is a good moment to talk about something that may well be of interest to you and yours. This is [business]. To stop these calls, press nine.'])];
        yield 'outbound without opt-out' => ['no_opt_out', 'error', 'opening', static fn (array $d): array => [...$d, 'agent' => [...$d['agent'], 'direction' => 'outbound']]];
        yield 'forbidden words' => ['forbidden_words', 'error', 'sum_up', static fn (array $d): array => self::step([...$d, 'standing' => [...$d['standing'], 'never_say' => ['guarantee']]], 'sum_up', ['prompt' => 'We guarantee it.'])];
        yield 'sent to what is no number' => ['send_address', 'error', 'send', static fn (array $d): array => self::sends($d, 'text', 'caller_name')];
        yield 'sent to what may be empty' => ['send_address', 'note', 'send', static fn (array $d): array => self::sends($d, 'text', 'caller.number')];
    }

    /** @return iterable<string, array{string, callable}> */
    public static function quiet(): iterable
    {
        $prompt = static fn (string $step, string $text): callable => static fn (array $d): array => self::step($d, $step, ['prompt' => $text]);
        yield 'reached by the standing rules alone' => ['unreachable', static fn (array $d): array => self::with([...$d, 'standing' => ['person' => 'person']], ['key' => 'person', 'kind' => 'say', 'prompt' => 'One moment.', 'next' => 'wish_note'])];
        yield 'reached from anywhere' => ['unreachable', static fn (array $d): array => self::with([...$d, 'standing' => [...$d['standing'], 'replies' => [['key' => 'r', 'when' => ['complaint'], 'say' => 'Sorry.', 'to' => 'aside']]]], ['key' => 'aside', 'kind' => 'say', 'prompt' => 'I note that.', 'next' => 'return'])];
        yield 'a circle with a way out' => ['endless_loop', static fn (array $d): array => self::step($d, 'sum_up', ['next' => 'help'])];
        yield 'words to use instead' => ['empty_placeholder', $prompt('day', 'Right. Which day, [caller.first_name|please]?')];
        yield 'a required value is there' => ['empty_placeholder', $prompt('sum_up', 'Thanks. See you on [day].')];
        yield 'certain behind a condition' => ['empty_placeholder', static fn (array $d): array => self::step(self::fork($d, ['value' => 'wish', 'known' => true]), 'red', ['prompt' => 'I have your wish. It is [wish].'])];
        yield 'the caller may have named it early' => ['used_before_set', $prompt('opening', 'Hello, for [day|any day].')];
        yield 'decided by the caller' => ['unknown_value', static fn (array $d): array => self::fork($d, ['value' => 'caller.known', 'is' => true])];
        yield 'decided by an unanswered field further on' => ['used_before_set', static fn (array $d): array => self::fork($d, ['value' => 'day', 'known' => true])];
        yield 'the same question in another branch' => ['asked_twice', static fn (array $d): array => self::with(self::step($d, 'help', ['nothing' => 'other_day']), ['key' => 'other_day', 'kind' => 'ask', 'field' => 'day', 'prompt' => 'Which day was it?', 'help' => 'A date.', 'next' => 'bye'])];
        yield 'asked again after it was forgotten' => ['asked_twice', static fn (array $d): array => self::with(self::with(self::step($d, 'name', ['next' => 'forget']), ['key' => 'forget', 'kind' => 'note', 'forget' => ['day'], 'next' => 'again']), ['key' => 'again', 'kind' => 'ask', 'field' => 'day', 'prompt' => 'Which day next?', 'help' => 'A date.', 'next' => 'sum_up'])];
        yield 'filled from the caller' => ['uncollected', static fn (array $d): array => [...$d, 'sheet' => [...self::sheet($d, 'phone', ['type' => 'string', 'format' => 'phone', 'x-from-caller' => 'number']), 'required' => ['day', 'phone']]]];
        foreach (['You booked a machine last week.', 'We cannot book you in here.', 'Shall somebody ring you back?', 'Please ring us back.', 'I cannot put you through from here.', 'Is your appointment confirmed?'] as $words) {
            yield "no promise in: {$words}" => ['promise', $prompt('sum_up', $words)];
        }
        yield 'a call-back is noted' => ['promise', static fn (array $d): array => self::with(self::step($d, 'sum_up', ['prompt' => 'Somebody will ring you back.', 'next' => 'noted']), ['key' => 'noted', 'kind' => 'note', 'tag' => 'ring back', 'next' => 'bye'])];
        yield 'a booking is told' => ['promise', static fn (array $d): array => self::with(self::step($d, 'sum_up', ['prompt' => 'I have booked you in.', 'next' => 'tell']), ['key' => 'tell', 'kind' => 'send', 'by' => 'web', 'to' => 'https://planner.pellbrook.example/new', 'words' => '[day]', 'next' => 'bye'])];
        yield 'put through by a transfer' => ['promise', static fn (array $d): array => self::with(self::step($d, 'sum_up', ['prompt' => 'You are being put through.', 'next' => 'over']), ['key' => 'over', 'kind' => 'transfer', 'otherwise' => 'bye'])];
        foreach (['promise', 'promise_kind'] as $rule) {
            yield "{$rule} kept" => [$rule, static fn (array $d): array => self::sends(self::step($d, 'sum_up', ['prompt' => "We'll text you the details."]), 'text')];
            foreach (['Shall I text you the details?', 'What is the text on the sign?', 'May I have your e-mail address?', 'Our e-mail is on the page.', 'You texted us yesterday.', 'The contract is a text of ten pages.'] as $words) {
                yield "{$rule}, none in: {$words}" => [$rule, $prompt('sum_up', $words)];
            }
        }
        foreach (['Hello, [business] here.', 'Good [time_of_day|day].', 'The list is long.', 'We do insert molding.', 'Ask for the sample box.'] as $words) {
            yield "no leftover: {$words}" => ['leftover', $prompt('opening', $words)];
        }
        yield 'a question of ten seconds' => ['long_prompt', $prompt('day', 'We have machines free on most days next week and the week after. Which day would suit you best?')];
        yield 'five options' => ['menu_size', static fn (array $d): array => self::step($d, 'pay', ['field' => null, 'options' => array_map(static fn (int $i): array => ['key' => "o{$i}", 'label' => ['red', 'blue', 'green', 'white', 'brown'][$i], 'next' => 'name'], range(0, 4))])];
        yield 'phrases that share a word' => ['phrases_overlap', static fn (array $d): array => self::option(self::option($d, 0, ['phrases' => ['mini digger']]), 1, ['phrases' => ['big digger']])];
        yield 'topics that share a word' => ['topics_alike', static fn (array $d): array => self::step($d, 'help', ['topics' => [['key' => 'a', 'label' => 'a new hire', 'description' => 'reserve a machine for a day', 'next' => 'day'], ['key' => 'b', 'label' => 'a breakdown', 'description' => 'a machine is broken, stuck or leaking', 'next' => 'pay']]])];
        foreach (['When would you like it?', 'On what date?', 'From which day do you need the machine?', 'And for when?', 'Which day suits you best, early or late in the week?'] as $words) {
            yield "a date: {$words}" => ['question_type', $prompt('day', $words)];
        }
        foreach (['And until when?', 'From when?'] as $words) {
            yield "an hour: {$words}" => ['question_type', static fn (array $d): array => self::step(array_replace_recursive($d, ['sheet' => ['properties' => ['hour' => ['type' => 'string', 'format' => 'time', 'title' => 'Hour']]]]), 'day', ['field' => 'hour', 'prompt' => $words])];
        }
        foreach (['In what name?', 'Who am I speaking to?', 'And your name?'] as $words) {
            yield "a name: {$words}" => ['question_type', $prompt('name', $words)];
        }
        foreach (['What is wrong with it?', 'Is there anything we should know?', 'Can you tell me what happened?', 'Would you say what it is about?', 'Please describe the fault.', 'Is it the pump or the motor?', 'What may I pass on?'] as $words) {
            yield "open words: {$words}" => ['yes_no_text', static fn (array $d): array => self::asksWish($d, $words)];
            yield "text for: {$words}" => ['question_type', static fn (array $d): array => self::asksWish($d, $words)];
        }
        foreach (['Which day shall we come? Is that all right?', 'Thank you. Which day?', 'Ready? Which day shall we come?', 'Which day, for example?'] as $words) {
            yield "one question: {$words}" => ['double_question', $prompt('day', $words)];
        }
        foreach (['Monday to Friday.', 'Twenty per cent off.', 'At no. Not today.', 'It is a no-go.', 'Pellbrook and Sons.', 'No 7 is on the left.', 'We sat down.', 'The sun is out.', 'Wed couples are welcome.', 'An info desk is there, so to say.'] as $words) {
            if (! in_array($words, ['Wed couples are welcome.', 'An info desk is there, so to say.'], true)) {
                yield "speaks well: {$words}" => ['speaks_badly', $prompt('sum_up', $words)];
            }
        }
        yield 'told in the opening' => ['disclosure', static fn (array $d): array => self::step([...$d, 'standing' => [...$d['standing'], 'must_say' => ['machine', 'recording']]], 'opening', ['prompt' => 'This is the automated assistant of Pellbrook Hire, and the call is recorded.'])];
        yield 'told in every greeting' => ['disclosure', static fn (array $d): array => [...$d, 'standing' => [...$d['standing'], 'must_say' => ['machine']], 'agent' => [...$d['agent'], 'greeting' => ['known' => 'Hello, the virtual assistant here.', 'unknown' => 'An automated assistant speaks.']]]];
        yield 'who rings is said first' => ['says_who_late', static fn (array $d): array => self::step([...$d, 'agent' => [...$d['agent'], 'direction' => 'outbound']], 'opening', ['prompt' => 'Hello, this is the assistant of [business]. To stop these calls, press nine.'])];
        yield 'opt-out told' => ['no_opt_out', static fn (array $d): array => self::step([...$d, 'agent' => [...$d['agent'], 'direction' => 'outbound']], 'opening', ['prompt' => 'Hello. To stop these calls, press nine.'])];
        yield 'sent to a number that is there' => ['send_address', static fn (array $d): array => self::sends(self::step([...$d, 'sheet' => [...self::sheet($d, 'phone', ['type' => 'string', 'format' => 'phone']), 'required' => ['phone']]], 'day', ['field' => 'phone']), 'text', 'phone')];
    }

    /** @return iterable<string, array{string, callable}> */
    public static function fixable(): iterable
    {
        foreach (self::found() as $name => [$rule, , , $change]) {
            $document = ScriptDocument::fromArray($change(self::sound()));
            foreach ((new Inspector)->inspect($document) as $finding) {
                if ($finding->rule === $rule && $finding->fix !== null) {
                    yield $name => [$rule, $change];

                    break;
                }
            }
        }
    }

    /** @return array<string, mixed> a script without findings */
    private static function sound(): array
    {
        return [
            'agent' => ['name' => 'Wren', 'business' => 'Pellbrook Hire'],
            'standing' => ['person' => 'wish_note', 'person_key' => '0'],
            'sheet' => ['type' => 'object', 'properties' => [
                'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day', 'examples' => ['next Tuesday']],
                'payment' => ['type' => 'string', 'enum' => ['card', 'account'], 'title' => 'Payment'],
                'caller_name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name', 'examples' => ['Dara Whitcombe']],
                'wish' => ['type' => 'string', 'title' => 'Wish'],
            ], 'required' => ['day']],
            'first' => 'opening',
            'steps' => [
                ['key' => 'opening', 'kind' => 'say', 'prompt' => '[business], hello.', 'next' => 'help'],
                ['key' => 'help', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [['key' => 'hire', 'label' => 'a hire', 'description' => 'reserve a machine', 'next' => 'day']], 'nothing' => 'bye', 'way_out' => ['then' => 'go', 'step' => 'bye']],
                ['key' => 'day', 'kind' => 'ask', 'field' => 'day', 'prompt' => 'Which day?', 'help' => 'Say a day.', 'way_out' => ['then' => 'go', 'step' => 'bye'], 'next' => 'pay'],
                ['key' => 'pay', 'kind' => 'choose', 'field' => 'payment', 'prompt' => 'By card or on account?', 'options' => [['key' => 'card', 'label' => 'by card', 'digit' => '1', 'next' => 'name'], ['key' => 'account', 'label' => 'on account', 'digit' => '2', 'next' => 'name']], 'repeat_key' => '9', 'way_out' => ['then' => 'go', 'step' => 'bye']],
                ['key' => 'name', 'kind' => 'ask', 'field' => 'caller_name', 'prompt' => 'Who is it for?', 'help' => 'Your name.', 'way_out' => ['then' => 'go', 'step' => 'bye'], 'next' => 'sum_up'],
                ['key' => 'sum_up', 'kind' => 'say', 'prompt' => 'Thank you, it is noted.', 'next' => 'bye'],
                ['key' => 'wish_note', 'kind' => 'note', 'set' => ['wish' => 'a person'], 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
        ];
    }

    /**
     * A step changed; a null value takes its key out, no step takes the whole out, a null key adds one.
     *
     * @param array<string, mixed> $d
     * @param ?array<string, mixed> $changes
     * @param array<string, array<string, mixed>> $others
     *
     * @return array<string, mixed>
     */
    private static function step(array $d, ?string $key, ?array $changes, array $others = []): array
    {
        if ($key === null) {
            return self::with($d, $changes ?? []);
        }
        $steps = [];
        foreach ($d['steps'] as $step) {
            if ($step['key'] === $key) {
                if ($changes === null) {
                    continue;
                }
                $step = array_filter([...$step, ...$changes], static fn (mixed $value): bool => $value !== null);
            }
            if (isset($others[$step['key']])) {
                $step = array_filter([...$step, ...$others[$step['key']]], static fn (mixed $value): bool => $value !== null);
            }
            if ($key === 'bye' && $changes === null) {
                $step = json_decode(str_replace('"bye"', '"sum_up"', json_encode($step, JSON_THROW_ON_ERROR)), true);
            }
            $steps[] = $step;
        }

        return [...$d, 'steps' => $steps];
    }

    /**
     * @param array<string, mixed> $d
     * @param array<string, mixed> $step
     *
     * @return array<string, mixed>
     */
    private static function with(array $d, array $step): array
    {
        return [...$d, 'steps' => [...$d['steps'], $step]];
    }

    /**
     * @param array<string, mixed> $d
     * @param array<string, mixed> $property
     *
     * @return array<string, mixed>
     */
    private static function sheet(array $d, string $field, array $property): array
    {
        $sheet = $d['sheet'];
        $sheet['properties'][$field] = [...($sheet['properties'][$field] ?? []), ...$property];

        return $sheet;
    }

    /**
     * @param array<string, mixed> $d
     * @param array<string, mixed> $when
     *
     * @return array<string, mixed> a fork between day and pay
     */
    private static function fork(array $d, array $when): array
    {
        $d = self::step($d, 'day', ['next' => 'fork']);

        return self::with(self::with($d, ['key' => 'fork', 'kind' => 'branch', 'ways' => [['when' => $when, 'next' => 'red']], 'otherwise' => 'pay']), ['key' => 'red', 'kind' => 'say', 'prompt' => 'Red it is.', 'next' => 'pay']);
    }

    /**
     * @param array<string, mixed> $d
     * @param array<string, mixed> $changes
     *
     * @return array<string, mixed>
     */
    private static function option(array $d, int $i, array $changes): array
    {
        $options = array_column($d['steps'], null, 'key')['pay']['options'];
        $options[$i] = [...$options[$i], ...$changes];

        return self::step($d, 'pay', ['options' => $options]);
    }

    /**
     * @param array<string, mixed> $d
     *
     * @return array<string, mixed> a message sent behind sum_up
     */
    private static function sends(array $d, string $by, string $to = '07700 900123'): array
    {
        return self::with(self::step($d, 'sum_up', ['next' => 'send']), ['key' => 'send', 'kind' => 'send', 'by' => $by, 'to' => $to, 'words' => 'Your hire is noted.', 'next' => 'bye']);
    }

    /**
     * @param array<string, mixed> $d
     *
     * @return array<string, mixed> an open question, kept as text
     */
    private static function asksWish(array $d, string $words): array
    {
        return self::with(self::step($d, 'name', ['next' => 'wish']), ['key' => 'wish', 'kind' => 'ask', 'field' => 'wish', 'prompt' => $words, 'help' => 'A sentence.', 'way_out' => ['then' => 'go', 'step' => 'bye'], 'next' => 'sum_up']);
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return list<Finding>
     */
    private function of(string $rule, array $data): array
    {
        return array_values(array_filter((new Inspector)->inspect(ScriptDocument::fromArray($data)), static fn (Finding $one): bool => $one->rule === $rule));
    }
}
