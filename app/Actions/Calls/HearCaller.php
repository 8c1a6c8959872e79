<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Gateways\Speech\Recognised;
use App\Gateways\Speech\Recogniser;
use App\Models\Call;
use App\Models\CallStep;
use App\Models\SpokenAnswer;
use App\Models\Survey;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\ValidationException;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Event;
use Ringo\Format\Jsgf;
use Ringo\Format\VoiceXml\Turns\Expected;
use Ringo\Language\Vocabulary;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Survey\QuestionKind;

/** A caller speaks: what was recorded is recognised, with a grammar of what the step waits for, and said in the call. */
final readonly class HearCaller
{
    /** Seconds a caller may speak at once. */
    private const LONGEST = 30;

    /** Header of a WAV file and thirty seconds of 16 kHz, 16 bit, one channel. */
    public const MOST_KB = 1_100;

    private const RATE = 16_000;

    public function __construct(private Recogniser $recogniser, private CallHost $host)
    {
    }

    /**
     * @param ?int $step how many events the sender believes were handled
     *
     * @throws ValidationException where the file is no such recording, or nothing was heard
     * @throws CallMoved
     */
    public function speaks(Call $call, UploadedFile $file, ?int $step): Recognised
    {
        if (! $this->recogniser->available()) {
            throw ValidationException::withMessages(['file' => 'The recogniser is not installed on this machine; type what the caller says.']);
        }
        $this->check((string) $file->getRealPath());
        $heard = $this->recogniser->hear((string) $file->getRealPath(), $this->grammar($call));
        if ($heard->text === '') {
            throw ValidationException::withMessages(['file' => 'Nothing was understood. Speak again, nearer to the microphone, or type it.']);
        }
        $n = $call->step;
        $asked = $this->spokenQuestion($call);
        $this->host->happen($call, $step, Event::said($heard->text, $this->host->at($call, 'said', $heard->text)));
        $row = CallStep::query()->where('call_id', $call->id)->where('n', '>=', $n)->orderBy('n')->first();
        if ($row instanceof CallStep && ($row->trace['heard'] ?? '') === $heard->text) {
            $row->update(['trace' => $row->trace + ['recognised' => $heard->toArray()]]);
        }
        if ($asked !== null) {
            $this->keep($call, $asked, $heard->text, (string) $file->getRealPath());
        }

        return $heard;
    }

    /** The question of a survey that is waited for and answered in one's own words: its answer is kept as sound, too. */
    private function spokenQuestion(Call $call): ?string
    {
        $survey = Survey::query()->where('agent_id', $call->agent_id)->first();
        $step = $call->scriptText->script()->steps[(string) ($call->state['step'] ?? '')] ?? null;
        $question = $survey instanceof Survey && $step instanceof AskStep ? ($survey->questionnaire()->questions[$step->field] ?? null) : null;

        return $question?->kind === QuestionKind::Spoken ? $question->key : null;
    }

    /** The newest sound of an answer stands for it. */
    private function keep(Call $call, string $field, string $text, string $file): void
    {
        $path = SpokenAnswer::FOLDER."/{$call->business_id}/{$call->ref}-{$field}.wav";
        Storage::disk('local')->put($path, (string) file_get_contents($file));
        SpokenAnswer::query()->updateOrCreate(['call_id' => $call->id, 'field' => $field], ['text' => mb_substr($text, 0, 2000), 'path' => $path]);
    }

    private function grammar(Call $call): ?string
    {
        $script = $call->scriptText->script();
        $listen = $this->host->engine($call)->waiting(CallState::fromArray($call->state));

        return (new Jsgf(Vocabulary::of($script->agent->language)))->of($listen->for, (new Expected($script))->words($listen->for, $listen->step, []), $this->recogniser->knows(...));
    }

    private function check(string $path): void
    {
        $head = (string) file_get_contents($path, false, null, 0, 44);
        $format = strlen($head) === 44 && str_starts_with($head, 'RIFF') && substr($head, 8, 8) === 'WAVEfmt ' ? unpack('vformat/vchannels/Vrate', substr($head, 20, 8)) : false;
        if ($format === false || $format['format'] !== 1 || $format['channels'] !== 1 || $format['rate'] !== self::RATE) {
            throw ValidationException::withMessages(['file' => 'This is no WAV recording of 16 kHz with one channel.']);
        }
        if (filesize($path) > 44 + self::LONGEST * self::RATE * 2) {
            throw ValidationException::withMessages(['file' => 'More than thirty seconds at once cannot be heard.']);
        }
    }
}
