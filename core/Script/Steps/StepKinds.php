<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

/** Every kind of step there is. A new kind is one line here; what else it needs a test names. */
final readonly class StepKinds
{
    private const KINDS = [
        Say\SayKind::class, Ask\AskKind::class, Choose\ChooseKind::class, Listen\ListenKind::class, Branch\BranchKind::class,
        Book\BookKind::class, Summary\SummaryKind::class, Repeat\RepeatKind::class, Reach\ReachKind::class,
        Note\NoteKind::class, Send\SendKind::class, Verify\VerifyKind::class, LookUp\LookUpKind::class, Transfer\TransferKind::class, Finish\FinishKind::class,
    ];

    /** @var array<string, StepKind> */
    private array $kinds;

    public function __construct()
    {
        $kinds = [];
        foreach (self::KINDS as $class) {
            $kind = new $class;
            $kinds[$kind->name()] = $kind;
        }
        $this->kinds = $kinds;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->kinds);
    }

    /** @return array<string, StepKind> */
    public function all(): array
    {
        return $this->kinds;
    }

    public function kind(string $name): ?StepKind
    {
        return $this->kinds[$name] ?? null;
    }

    /** The keys of a step as it is written; none where its kind is not known. */
    public function keysOf(mixed $kind): Keys
    {
        return (is_string($kind) ? $this->kind($kind)?->keys() : null) ?? Keys::none();
    }
}
