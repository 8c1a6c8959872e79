<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Opening;
use Ringo\Diary\Diaries;
use Ringo\Diary\Start;
use Ringo\Diary\Travel;
use Ringo\Document\Node;
use Ringo\Rehearsal\SketchBook;

/** Who comes where: a series stays with one person wherever he can, and the way between two places counts by postcode. */
final class SeriesAndPlacesTest extends TestCase
{
    public function testASeriesStaysWithTheOneOfTheFirstWhereverHeCan(): void
    {
        $book = self::book();
        // Ada, who stands first, has the first day taken; Bo has the second week taken.
        $book->book('another', 'visit', [new Start(strtotime('2026-03-12T10:00Z'), 'ada')], ['name' => 'Perrin Oake', 'number' => null, 'area' => null, 'note' => '']);
        $book->book('another', 'visit', [new Start(strtotime('2026-03-19T10:00Z'), 'bo')], ['name' => 'Perrin Oake', 'number' => null, 'area' => null, 'note' => '']);
        self::call($book, 'I want a visit', 'at the mill, MW4 2QT', 'weekly, Thursday at ten', 'three times', 'yes', 'yes');
        $kept = array_values(array_filter($book->all(), static fn ($one): bool => $one->name !== 'Perrin Oake'));

        self::assertSame(['bo', 'ada', 'bo'], array_map(static fn ($one): string => $one->start->diary, $kept));
    }

    public function testTheWayIsCountedByPostcodeDistrict(): void
    {
        $book = self::book();
        foreach (['ada', 'bo'] as $diary) {
            $book->book('another', 'visit', [new Start(strtotime('2026-03-12T10:00Z'), $diary)], ['name' => 'Perrin Oake', 'number' => null, 'area' => 'mw9', 'note' => '']);
        }
        // An hour's visit at ten in MW9, and half an hour from there to MW4: eleven is too soon, twelve is not.
        $far = self::call($book, 'I want a visit', '14 Mill Lane, MW4 2QT', 'Thursday at eleven');
        self::assertStringNotContainsString('Shall I book', $far);
        $near = self::call($book, 'I want a visit', '2 Mill Lane, MW9 1AB', 'Thursday at eleven');
        self::assertStringContainsString('eleven', $near);
        self::assertStringContainsString('Shall I book', $near);
    }

    /** A district nobody wrote a way for is still one place. */
    public function testTwoHousesOfOneDistrictAreOnePlace(): void
    {
        $book = self::book(45);
        foreach (['ada', 'bo'] as $diary) {
            $book->book('another', 'visit', [new Start(strtotime('2026-03-12T10:00Z'), $diary)], ['name' => 'Perrin Oake', 'number' => null, 'area' => 'mw1', 'note' => '']);
        }
        self::assertStringContainsString('Shall I book', self::call($book, 'I want a visit', '9 Castle Hill, MW1 3PL', 'Thursday at eleven'));
        self::assertStringNotContainsString('Shall I book', self::call($book, 'I want a visit', '9 Castle Hill, MW2 3PL', 'Thursday at eleven'));
    }

    public function testASeriesWithSomebodyIsWithNobodyElse(): void
    {
        $book = self::book();
        $book->book('another', 'visit', [new Start(strtotime('2026-03-19T10:00Z'), 'bo')], ['name' => 'Perrin Oake', 'number' => null, 'area' => null, 'note' => '']);
        $heard = self::call($book, 'I want a visit', 'at the mill, MW4 2QT', 'weekly with Bo, Thursday at ten', 'three times', 'yes', 'yes');
        $kept = array_values(array_filter($book->all(), static fn ($one): bool => $one->name !== 'Perrin Oake'));

        self::assertSame(['bo', 'bo'], array_map(static fn ($one): string => $one->start->diary, $kept), $heard);
        self::assertStringContainsString('nineteenth', $heard);
    }

    public function testNoWayIsCountedWhereOnePlaceIsNotKnown(): void
    {
        $travel = Travel::read(Node::root(['travel' => ['default' => 20, 'pairs' => [['mw4', 'mw9', 30]]]]), 'travel');

        self::assertSame([0, 0, 0, 30, 20], [$travel->between(null, 'mw4'), $travel->between('mw4', null), $travel->between('MW4', 'mw4'), $travel->between('mw9', 'mw4'), $travel->between('mw4', 'mw1')]);
    }

    /** Nothing is written over what stands in the diary: it is moved, or it is cancelled, and then stands in no field. */
    public function testWhatIsBookedIsPutRightByMovingIt(): void
    {
        $call = Conversation::withIsolde()->says('I need my upright tuned', 'the north side', 'Jan Moss', 'Thursday at ten', 'yes please');
        self::assertStringEndsWith('10:00', (string) $call->value('start'), $call->heard());
        $call->says("actually could we make it eleven o'clock instead");
        self::assertStringContainsString('eleven', $call->heard());
        self::assertStringEndsWith('10:00', (string) $call->value('start'), 'not before it is moved');
        self::assertStringEndsWith('11:00', (string) $call->says('yes')->value('start'), $call->heard());
    }

    public function testWhatIsCancelledStandsInNoField(): void
    {
        $call = Conversation::withIsolde()->says('I need my upright tuned', 'the north side', 'Jan Moss', 'Thursday at ten', 'yes please', 'actually, cancel my visit', 'yes');

        self::assertSame([[], null, null], [$call->state->booked, $call->value('start'), $call->value('reference')], $call->heard());
    }

    private static function book(int $default = 0): SketchBook
    {
        $week = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['09:00-17:00']);

        return new SketchBook(Diaries::fromArray([
            'tz' => 'Europe/London', 'hours' => $week,
            'services' => [['key' => 'visit', 'label' => 'a visit', 'minutes' => 60, 'step' => 60, 'notice_hours' => 2, 'ahead_days' => 40, 'place' => 'visit']],
            'diaries' => [['key' => 'ada', 'name' => 'Ada Bly', 'services' => ['visit']], ['key' => 'bo', 'name' => 'Bo Cray', 'services' => ['visit']]],
            'travel' => ['default' => $default, 'pairs' => [['mw4', 'mw9', 30]]],
        ]));
    }

    private static function call(SketchBook $book, string ...$lines): string
    {
        $script = ScriptDocument::fromArray([
            'agent' => ['name' => 'Fern', 'business' => 'Mill Care', 'tz' => 'Europe/London'],
            'sheet' => ['type' => 'object', 'properties' => ['start' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Visit'], 'address' => ['type' => 'string', 'format' => 'postal-address', 'title' => 'Address']]],
            'first' => 'open',
            'steps' => [
                ['key' => 'open', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [['key' => 'book', 'label' => 'a visit', 'description' => 'booking a visit', 'next' => 'where'], ['key' => 'bill', 'label' => 'a bill', 'description' => 'paying', 'next' => 'done']]],
                ['key' => 'where', 'kind' => 'ask', 'field' => 'address', 'prompt' => 'Where is it?', 'next' => 'agree'],
                ['key' => 'agree', 'kind' => 'book', 'does' => 'book', 'service' => 'visit', 'field' => 'start', 'area_field' => 'address', 'prompt' => 'When would suit you?', 'next' => 'done', 'none' => 'done', 'series' => 8],
                ['key' => 'done', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
            ],
        ])->script;
        $engine = Engine::for($script, appointments: $book);
        $state = (new Opening($script))->state('call'.mt_rand(), new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', '+447700900123', null, ['known' => false]);
        $state = $engine->step($state, Event::started())->state;
        $heard = '';
        foreach ($lines as $line) {
            $outcome = $engine->step($state, Event::said($line, $state->clock + 5));
            $heard .= ' '.$outcome->spoken();
            $state = $outcome->state;
            // An address is read back.
            while ($state->mode === Mode::Confirm && $state->step === 'where') {
                $outcome = $engine->step($state, Event::said('yes', $state->clock + 5));
                $heard .= ' '.$outcome->spoken();
                $state = $outcome->state;
            }
        }

        return $heard;
    }
}
