<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Diary\BringDiaries;
use App\Models\Agent;
use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\Draft;
use App\Models\Release;
use App\Models\ScriptText;
use Database\Seeders\DemoVisits;
use PHPUnit\Framework\Attributes\CoversNothing;

/** The calls of the demonstration's workshop: what they agree stands in its diary, and belongs to the call that agreed it. */
#[CoversNothing]
final class DemoVisitsTest extends FeatureTestCase
{
    private const FOLDER = __DIR__.'/../../database/demo/harrowell';

    public function testCallsBookMoveAndCancel(): void
    {
        $this->travelTo(new \DateTimeImmutable('2026-11-30T10:00', new \DateTimeZone('Europe/London')));
        $business = Business::query()->create(['key' => 'harrowell', 'name' => 'Harrowell Pianos', 'country' => 'GB', 'tz' => 'Europe/London']);
        app(BringDiaries::class)->bring($business, json_decode((string) file_get_contents(self::FOLDER.'/diaries.json'), true, 32, JSON_THROW_ON_ERROR));
        $agent = Agent::query()->create(['business_id' => $business->id, 'key' => 'isolde', 'name' => 'Isolde', 'direction' => 'inbound']);
        $text = ScriptText::of($agent, (string) file_get_contents(self::FOLDER.'/isolde.json'));
        Draft::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'version' => 1]);
        $release = Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'number' => 1, 'note' => 'First release']);

        app(DemoVisits::class)->calls($business->refresh(), $agent, $release, $this->rows());

        $calls = Call::query()->where('business_id', $business->id)->get();
        self::assertCount(12, $calls);
        self::assertSame([], $calls->where('status', '!=', 'ended')->all());
        self::assertSame(8, Booking::query()->where('business_id', $business->id)->whereIn('call_id', $calls->pluck('id'))->count());
        $moved = Booking::query()->where('number', '+447700900602')->sole();
        self::assertSame(['booked', 1, 'Elspeth Carrow'], [$moved->state, $moved->sequence, $moved->name]);
        self::assertSame('cancelled', Booking::query()->where('number', '+447700900613')->sole()->state);
        // Whoever told their name is called by it, and a message stands in the summary.
        self::assertSame('Sophie Wren', Call::query()->where('from', '+447700900668')->sole()->caller_name);
        self::assertStringContainsString('old upright of my mother', Call::query()->where('from', '+447700900657')->sole()->record->summary ?? '');
    }

    /** @return list<array{days_ago: string, time: string, from: string, said: string, seed: string}> */
    private function rows(): array
    {
        $rows = [];
        foreach (array_slice(file(self::FOLDER.'/calls.csv', FILE_IGNORE_NEW_LINES) ?: [], 1) as $line) {
            [$daysAgo, $time, $from, $lines, $seed] = str_getcsv($line, ',', '"', '');
            $rows[] = ['days_ago' => (string) $daysAgo, 'time' => (string) $time, 'from' => (string) $from, 'said' => (string) file_get_contents(self::FOLDER."/calls/{$lines}.txt"), 'seed' => (string) $seed];
        }

        return $rows;
    }
}
