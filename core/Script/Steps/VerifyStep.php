<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Speech\Prompt;

/** Checks the caller against a known fact, with limited tries; it never hints which part was wrong. */
final readonly class VerifyStep implements Step
{
    public const BY = ['postcode', 'pin', 'birth_date', 'code'];

    /**
     * @param string $by postcode, pin, birth_date, or a one-time code sent to the number on file
     * @param string $next where a caller who is checked goes
     * @param string $failed where one goes who is not, or cannot be
     * @param string $locked where one goes whose tries are used up
     */
    public function __construct(private string $key, public Prompt $prompt, public string $by, public int $tries, public string $next, public string $failed, public string $locked)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function kind(): string
    {
        return 'verify';
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function exits(): array
    {
        return [['to' => $this->next, 'label' => 'checked'], ['to' => $this->failed, 'label' => 'cannot be checked'], ['to' => $this->locked, 'label' => 'wrong '.$this->tries.' times']];
    }
}
