<?php

declare(strict_types=1);

namespace App\Support\Book;

use App\Support\Book\Steps\AskBook;
use App\Support\Book\Steps\BookBook;
use App\Support\Book\Steps\BookPage;
use App\Support\Book\Steps\BranchBook;
use App\Support\Book\Steps\ChooseBook;
use App\Support\Book\Steps\FinishBook;
use App\Support\Book\Steps\ListenBook;
use App\Support\Book\Steps\LookUpBook;
use App\Support\Book\Steps\NoteBook;
use App\Support\Book\Steps\ReachBook;
use App\Support\Book\Steps\RepeatBook;
use App\Support\Book\Steps\SayBook;
use App\Support\Book\Steps\SendBook;
use App\Support\Book\Steps\SummaryBook;
use App\Support\Book\Steps\TransferBook;
use App\Support\Book\Steps\VerifyBook;

/** How each kind of step stands in the prompt book: its form, and the answers beside its words. */
final readonly class StepForms
{
    private const PAGES = [
        'say' => SayBook::class, 'ask' => AskBook::class, 'choose' => ChooseBook::class, 'listen' => ListenBook::class,
        'summary' => SummaryBook::class, 'repeat' => RepeatBook::class, 'reach' => ReachBook::class, 'branch' => BranchBook::class, 'note' => NoteBook::class,
        'send' => SendBook::class, 'verify' => VerifyBook::class, 'look_up' => LookUpBook::class, 'book' => BookBook::class, 'transfer' => TransferBook::class, 'finish' => FinishBook::class,
    ];

    public static function of(string $kind): BookPage
    {
        $class = self::PAGES[$kind] ?? SayBook::class;

        return new $class;
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return array_keys(self::PAGES);
    }
}
