<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Diary\BringDiaries;
use App\Actions\Diary\FetchCalendar;
use App\Actions\Errands\KeepErrand;
use App\Actions\Errands\KeepTable;
use App\Actions\Knowledge\CheckAnswers;
use App\Actions\Knowledge\FetchPage;
use App\Actions\Knowledge\KeepSource;
use App\Models\Adviser;
use App\Models\Booking;
use App\Models\Business;
use App\Models\KnowledgeCheck;
use App\Models\KnowledgeQuestion;
use App\Models\StandIn;
use App\Models\Waiting;
use App\StandIns\Systems;
use App\StandIns\Yard;
use Illuminate\Support\Carbon;
use Ringo\Advice\Purpose;
use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Knowledge\CheckList;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\When\Wishes\Wish;

/** What the agents of the demonstration look up: other systems, diaries, and what the business has written. */
final readonly class DemoSystems
{
    public function __construct(private DemoFiles $files, private KeepSource $sources, private FetchPage $pages)
    {
    }

    /** What the agent asks other systems; the account system fails now and then. */
    public function errands(Business $business): void
    {
        $hosts = array_keys(array_filter(config('ringo.stand_ins'), static fn (string $host): bool => str_ends_with($host, ".{$business->key}.example"), ARRAY_FILTER_USE_KEY));
        // A second opinion is there to be tried, and off: Ringo decides alone.
        Adviser::query()->create(['business_id' => $business->id, 'on' => false, 'address' => 'https://adviser.ringo.example/v1/chat/completions', 'model' => 'stand-in', 'about' => array_column(Purpose::cases(), 'value'), 'price_in' => 0.4, 'price_out' => 1.6]);
        $business->update(['errand_hosts' => $hosts]);
        foreach (Systems::at(...$hosts) as $name => $system) {
            StandIn::query()->updateOrCreate(['system' => $name], ['mode' => $name === 'accounts' ? 'fails' : 'works', 'data' => $system->data(now($business->tz)->startOfDay()->toDateTimeImmutable()), 'done' => []]);
        }
        $keep = app(KeepErrand::class);
        foreach (json_decode($this->files->text($business, 'errands.json'), true, 32, JSON_THROW_ON_ERROR)['errands'] as $design) {
            $keep->of($business, null, $design, isset($design['secret']) ? Yard::TOKEN : null);
        }
        foreach (glob(database_path("demo/{$business->key}/licences.csv")) ?: [] as $file) {
            app(KeepTable::class)->of($business, '', basename($file), $file);
        }
    }

    public function diaries(Business $business): void
    {
        $file = json_decode($this->files->text($business, 'diaries.json'), true, 32, JSON_THROW_ON_ERROR);
        app(BringDiaries::class)->bring($business, $file);
        $rows = $business->diaries()->get()->keyBy('key');
        if (isset($rows['tobias'])) {
            $business->update(['knowledge_hosts' => [...$business->knowledge_hosts ?? [], "calendar.{$business->key}.example"]]);
            $rows['tobias']->update(['calendar_url' => "https://calendar.{$business->key}.example/tobias.ics"]);
            app(FetchCalendar::class)->one($rows['tobias']);
        }
        $services = array_column($file['services'], null, 'key');
        $day = Carbon::now($business->tz)->startOfDay();
        for ($n = 0, $days = []; $n < 10; $n++) {
            $day = $day->addDay();
            // Whole working days from today on; days of the file are counted in those.
            $day->isWeekend() || $days[] = $day->copy();
        }
        foreach (is_file(database_path("demo/{$business->key}/waiting.csv")) ? $this->files->rows($business, 'waiting.csv') : [] as $row) {
            $wish = (new Negotiation(Diaries::fromArray($file), Vocabulary::of()))->wish(new Wish, $row['said'], time());
            Waiting::query()->create(['business_id' => $business->id, 'service' => $row['service'], 'area' => $row['area'] ?: null, 'name' => $row['name'], 'number' => $row['number'], 'wish' => $wish->toArray(), 'said' => $row['said'], 'state' => Waiting::WAITING, 'created_at' => now()->subDays((int) $row['days_ago'])]);
        }
        foreach ($this->files->rows($business, 'bookings.csv') as $n => $row) {
            $start = $days[(int) $row['days'] - 1]->copy()->setTimeFromTimeString($row['time']);
            Booking::query()->create(['business_id' => $business->id, 'diary_id' => $rows[$row['diary']]->id, 'reference' => strtoupper(substr(md5($business->key.$n), 0, 6)), 'service' => $row['service'], 'label' => $services[$row['service']]['label'], 'starts_at' => $start->getTimestamp(), 'ends_at' => $start->getTimestamp() + 60 * $services[$row['service']]['minutes'], 'area' => $row['area'] ?: null, 'name' => $row['name'], 'number' => $row['number'], 'note' => $row['note'] ?: null, 'state' => 'booked', 'by' => $row['by']]);
        }
    }

    /** What the business has written, checks on it, and questions nothing answered. */
    public function knowledge(Business $business): void
    {
        $business->update(['knowledge_hosts' => ["www.{$business->key}.example"], 'own_words' => $business->key === 'pellbrook' ? ['plate compactor, wacker, wacker plate', 'concrete breaker, kango, hammer', 'digger, excavator', 'telehandler, loadall, forklift', 'generator, genny'] : []]);
        foreach (glob(database_path("demo/{$business->key}/knowledge/*")) ?: [] as $path) {
            $this->sources->keep($business, basename($path), str_ends_with($path, '.csv') ? 'table' : 'document', (string) file_get_contents($path));
        }
        if ($business->key !== 'pellbrook') {
            return;
        }
        $this->pages->fetch($business, 'https://www.pellbrook.example/news.html');
        foreach ((new CheckList)->read($this->files->text($business, 'checks.txt')) as $check) {
            KnowledgeCheck::query()->create(['business_id' => $business->id, 'question' => $check['question'], 'holds' => implode('; ', $check['holds']), 'refused' => $check['refused']]);
        }
        app(CheckAnswers::class)->run($business->refresh());
        $calls = $business->calls()->orderByDesc('started_at')->limit(20)->get()->values();
        foreach (array_filter(explode("\n", $this->files->text($business, 'questions.txt'))) as $i => $question) {
            KnowledgeQuestion::query()->create(['business_id' => $business->id, 'call_id' => $calls[$i]->id ?? null, 'question' => trim($question), 'why' => 'not covered']);
        }
    }
}
