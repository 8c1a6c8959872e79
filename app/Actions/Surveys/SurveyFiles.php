<?php

declare(strict_types=1);

namespace App\Actions\Surveys;

use App\Gateways\Speech\Voice;
use App\Models\SpokenAnswer;
use App\Models\Survey;
use Illuminate\Support\Facades\Storage;
use Ringo\Survey\QuestionKind;

/** What a survey found, one row a person, and the sound of spoken answers. */
final readonly class SurveyFiles
{
    /** Sounds in one file; more would keep whoever asks waiting. */
    private const MOST_SOUNDS = 2000;

    /** The voice that reads an answer which came as words: not the agent's. */
    public const READER = ['engine' => 'flite', 'name' => 'awb', 'pace' => 1.0, 'pitch' => 1.0];

    public function __construct(private PeopleOf $people, private Voice $voice)
    {
    }

    /** @return \Generator<int, list<string>> the first is the heading: codes beside labels, and where a spoken answer is heard */
    public function rows(Survey $survey): \Generator
    {
        $questions = $survey->questionnaire()->questions;
        $head = ['call', 'at', 'name', 'phone', 'state', 'outcome'];
        foreach ($questions as $question) {
            array_push($head, $question->key, $question->key.($question->kind === QuestionKind::Spoken ? '_audio' : '_label'));
        }
        yield $head;
        foreach ($this->people->people($survey) as $one) {
            $row = [$one['person']->ref, $one['at']->format('c'), $one['name'], (string) $one['from'], $one['person']->state(), $one['person']->outcome];
            foreach ($questions as $key => $question) {
                $value = $one['person']->answers[$key] ?? null;
                $label = $question->label($value);
                array_push($row, ...match (true) {
                    $label === null => ['', ''],
                    $question->kind === QuestionKind::Spoken => [$label, route('survey.sound', [$survey->business, $survey, $key, $one['person']->ref])],
                    $question->kind === QuestionKind::YesNo => [$value === true ? '1' : '0', $label],
                    default => [is_scalar($value) ? (string) $value : '', $label],
                });
            }
            yield $row;
        }
    }

    /** @return ?array{path: string, spoken: bool} the sound of an answer: as it was spoken, or read by a voice where it came as words */
    public function sound(int $call, string $field, string $text): ?array
    {
        $kept = SpokenAnswer::query()->where('call_id', $call)->where('field', $field)->first();
        if ($kept instanceof SpokenAnswer && Storage::disk('local')->exists($kept->path)) {
            return ['path' => Storage::disk('local')->path($kept->path), 'spoken' => true];
        }
        $read = $this->voice->wav($text, self::READER);

        return $read === null ? null : ['path' => $read, 'spoken' => false];
    }

    /**
     * @return array{sounds: int, left: int} how many sounds the file holds, and how many more there are
     *
     * @throws \RuntimeException where it cannot be written
     */
    public function zip(Survey $survey, string $path): array
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            throw new \RuntimeException('The file cannot be written: there is no room for temporary files.');
        }
        $spoken = array_filter($survey->questionnaire()->questions, static fn ($question): bool => $question->kind === QuestionKind::Spoken);
        $list = [];
        $left = 0;
        foreach ($this->people->people($survey) as $one) {
            foreach ($spoken as $key => $question) {
                $text = $question->label($one['person']->answers[$key] ?? null);
                if ($text === null) {
                    continue;
                }
                $sound = count($list) < self::MOST_SOUNDS ? $this->sound($one['call']->id, $key, $text) : null;
                if ($sound === null) {
                    $left++;

                    continue;
                }
                $zip->addFile($sound['path'], $name = "{$key}/{$one['person']->ref}.wav");
                $list[] = "{$name}\t".($sound['spoken'] ? 'as it was spoken' : 'came as words, read by a voice')."\t".str_replace(["\t", "\n"], ' ', $text);
            }
        }
        $zip->addFromString('answers.txt', implode("\n", $list)."\n");
        $zip->close();

        return ['sounds' => count($list), 'left' => $left];
    }
}
