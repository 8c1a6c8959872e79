<?php

declare(strict_types=1);

namespace App\Support\Book;

use Ringo\Design\ScriptDocument;

/** What the form of a step in the prompt book holds, as a step of a script document. */
final readonly class StepForm
{
    /** What a step leaves out because it is usual; where it was spelled out it stays spelled out. */
    private const USUAL = ['tries' => 3, 'known' => 'skip', 'way_out' => ['then' => 'leave']];

    public function __construct(private ScriptDocument $document)
    {
    }

    /**
     * @param array<string, mixed> $old the step as it was written
     *
     * @return array<string, mixed>
     */
    public function step(string $kind, Form $form, array $old = []): array
    {
        $new = ['key' => $form->trimmed('key'), 'kind' => $kind] + Form::filled(['scene' => $form->text('scene')]) + StepForms::of($kind)->read($form, $this->document);
        foreach (self::USUAL as $key => $value) {
            if (! array_key_exists($key, $new) && ($old[$key] ?? null) === $value) {
                $new[$key] = $value;
            }
        }
        // What the form does not show stays as it was written.
        foreach (StepForms::of($kind)->untouched() as $key) {
            if (array_key_exists($key, $old) && ! array_key_exists($key, $new)) {
                $new[$key] = $old[$key];
            }
        }
        if (array_key_exists('required', $old) && ! array_key_exists('required', $new) && ($old['field'] ?? null) === ($new['field'] ?? null)) {
            $new['required'] = $form->flag('required');
        }

        return $new;
    }
}
