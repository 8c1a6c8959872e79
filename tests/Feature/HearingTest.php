<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Lines\KeepLine;
use App\Gateways\Speech\ProgramRecogniser;
use App\Gateways\Speech\Recognised;
use App\Gateways\Speech\Recogniser;
use App\Models\Call;
use App\Models\CallStep;
use App\Models\Role;
use Illuminate\Http\UploadedFile;
use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/** What is spoken is recognised with what the step waits for, said in the call, and told in its trace. */
final class HearingTest extends FeatureTestCase
{
    private const NONE = 'nothing was heard';

    public function testWhatIsHeardIsSaidAndTheTraceTellsHow(): void
    {
        $recogniser = $this->recogniser('next tuesday');
        $ref = $this->ringing();
        $this->happens($ref, 1, 'said', 'I want to hire a mini digger')->assertOk();
        $answer = $this->speak($ref, 2)->assertOk()->assertJsonPath('last_caller', 'next tuesday')->assertJsonPath('recognised.by', 'grammar');
        self::assertStringContainsString('what the step waits for', (string) $answer->json('trace'));
        self::assertStringContainsString('<weekday>', $recogniser->grammars[0] ?? '', 'a day is asked for');
        $step = CallStep::query()->latest('id')->firstOrFail();
        self::assertSame(['something like it'], $step->trace['recognised']['alternatives']);
    }

    public function testAnOpenQuestionTakesNoGrammar(): void
    {
        $recogniser = $this->recogniser('i want to hire a digger');
        $this->speak($this->ringing(), 1)->assertOk();
        self::assertSame([null], $recogniser->grammars);
    }

    public function testNothingHeardAndWhatIsNoRecordingAreToldAndTheCallStandsAsItDid(): void
    {
        $this->recogniser(self::NONE);
        $ref = $this->ringing();
        $this->speak($ref, 1)->assertStatus(422)->assertJsonPath('errors.file.0', 'Nothing was understood. Speak again, nearer to the microphone, or type it.');
        foreach (['', 'RIFF', str_repeat('x', 400), $this->wav(44_100), $this->wav(16_000, 31)] as $bytes) {
            $this->post("/pellbrook/handset/{$ref}/heard", ['step' => 1, 'file' => UploadedFile::fake()->createWithContent('a.wav', $bytes)], ['Accept' => 'application/json'])->assertStatus(422);
        }
        self::assertSame(1, Call::query()->sole()->step);
        $this->speak($ref, 7)->assertStatus(422);
    }

    public function testAnotherWindowWasQuicker(): void
    {
        $this->recogniser('next tuesday');
        $ref = $this->ringing();
        $this->happens($ref, 1, 'said', 'I want to hire a mini digger');
        $this->speak($ref, 1)->assertStatus(409);
    }

    public function testAVisitorOfAPageSpeaks(): void
    {
        $this->recogniser('i want to hire a mini digger');
        $owner = $this->user(Role::Owner);
        $keep = app(KeepLine::class);
        $line = $keep->live($keep->make($this->business->refresh(), ['name' => 'Button', 'agent' => 'maren', 'answers' => ['otherwise' => ['who' => 'agent']], 'button' => ['origins' => ['https://www.fenwater.example']]], 'button', $owner), $this->agent->releases()->firstOrFail(), $owner);
        $from = ['Origin' => 'https://www.fenwater.example'];
        $this->json('GET', "/button/{$line->token}", [], $from)->assertJson(['hears' => true]);
        $pass = $this->json('POST', "/button/{$line->token}/calls", [], $from)->json('pass');
        $file = UploadedFile::fake()->createWithContent('spoken.wav', $this->wav());
        $this->post("/button/calls/{$pass}/heard", ['seen' => '0', 'file' => $file], $from + ['Accept' => 'application/json'])->assertOk()->assertJsonPath('turns.0.text', 'i want to hire a mini digger');
        $this->post("/button/calls/{$pass}/heard", [], $from + ['Accept' => 'application/json'])->assertStatus(422);
        $this->get('/button/microphone.js')->assertOk()->assertHeader('Access-Control-Allow-Origin', '*');
    }

    public function testTheProgramHearsYesDigitsAndADay(): void
    {
        $program = new ProgramRecogniser;
        if (! $program->available() || (new ExecutableFinder)->find('flite') === null || (new ExecutableFinder)->find('sox') === null) {
            self::markTestSkipped('pocketsphinx, flite and sox are not all installed');
        }
        $jsgf = new \Ringo\Format\Jsgf(\Ringo\Language\Vocabulary::of());
        foreach (['yes_no' => 'yes please', 'phone' => 'oh seven seven double oh nine', 'date' => 'next tuesday'] as $for => $words) {
            $file = sys_get_temp_dir().'/ringo-spoken-'.bin2hex(random_bytes(4)).'.wav';
            (new Process(['flite', '-voice', 'slt', '--setf', 'duration_stretch=1.2', '-t', $words, '-o', $file.'.raw.wav']))->mustRun();
            (new Process(['sox', $file.'.raw.wav', '-r', '16000', '-c', '1', '-b', '16', $file, 'pad', '0.4', '0.4']))->mustRun();
            self::assertSame($words, $program->hear($file, $jsgf->of($for, []))->text, $for);
            array_map(unlink(...), [$file, $file.'.raw.wav']);
        }
        self::assertTrue($program->knows('digger') || $program->knows('tuesday'));
        self::assertFalse($program->knows('quillmoor'));
    }

    private function ringing(): string
    {
        $this->actingAs($this->user());

        return (string) $this->ring()->assertCreated()->json('ref');
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function speak(string $ref, int $step): \Illuminate\Testing\TestResponse
    {
        return $this->post("/pellbrook/handset/{$ref}/heard", ['step' => $step, 'file' => UploadedFile::fake()->createWithContent('spoken.wav', $this->wav())], ['Accept' => 'application/json']);
    }

    private function wav(int $rate = 16_000, int $seconds = 1): string
    {
        $bytes = $rate * $seconds * 2;

        return 'RIFF'.pack('V', 36 + $bytes).'WAVEfmt '.pack('VvvVVvv', 16, 1, 1, $rate, $rate * 2, 2, 16).'data'.pack('V', $bytes).str_repeat("\0", $bytes);
    }

    private function recogniser(string $hears): ListeningRecogniser
    {
        $recogniser = new ListeningRecogniser($hears === self::NONE ? '' : $hears);
        $this->app?->instance(Recogniser::class, $recogniser);

        return $recogniser;
    }
}

/** Hears always the same, and remembers with which grammars. */
final class ListeningRecogniser implements Recogniser
{
    /** @var list<?string> */
    public array $grammars = [];

    public function __construct(private readonly string $hears)
    {
    }

    public function available(): bool
    {
        return true;
    }

    public function knows(string $word): bool
    {
        return true;
    }

    public function hear(string $path, ?string $grammar): Recognised
    {
        $this->grammars[] = $grammar;

        return new Recognised($this->hears, ['something like it'], $grammar === null ? 'general' : 'grammar', 0.1);
    }
}
