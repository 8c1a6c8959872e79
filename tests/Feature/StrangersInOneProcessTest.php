<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Calls\CallerChoice;
use App\Actions\Calls\StartCall;
use App\Actions\Knowledge\KeepSource;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallTurn;
use App\Models\Contact;
use App\Models\ContactNumber;
use App\Models\Draft;
use App\Models\Membership;
use App\Models\Release;
use App\Models\Role;
use App\Models\ScriptText;
use Ringo\Numbering\NumberingPlan;

/**
 * What a process keeps in mind (word tables, readings of scripts, models, knowledge) belongs to no business: two with
 * the same agent key, the same caller and other words are rung turn and turn about in one process, and each call goes
 * as it goes alone.
 */
final class StrangersInOneProcessTest extends FeatureTestCase
{
    private const LINES = ['hello', 'what time must I bring things back', 'how much is a day', 'goodbye'];

    private Business $other;

    protected function setUp(): void
    {
        parent::setUp();
        $user = $this->user();
        $this->actingAs($user);
        $this->other = Business::query()->create(['key' => 'thornwick', 'name' => 'Thornwick Boats', 'country' => 'GB', 'tz' => 'Europe/London']);
        Membership::query()->create(['user_id' => $user->id, 'business_id' => $this->other->id, 'role' => Role::Designer]);
        $agent = Agent::query()->create(['business_id' => $this->other->id, 'key' => 'maren', 'name' => 'Osric', 'direction' => 'inbound']);
        $script = str_replace(['Pellbrook Hire', 'Pellbrook', 'Maren'], ['Thornwick Boats', 'Thornwick', 'Osric'], (string) file_get_contents(database_path('demo/pellbrook/maren.json')));
        $text = ScriptText::of($agent, $script);
        Draft::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'version' => 1]);
        Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'number' => 1, 'note' => '']);
        $contact = Contact::query()->create(['business_id' => $this->other->id, 'name' => 'Ivo Marsh', 'organisation' => 'Marsh Ferries', 'email' => '', 'facts' => []]);
        ContactNumber::query()->create(['contact_id' => $contact->id, 'business_id' => $this->other->id, 'e164' => '+447700900228', 'label' => 'main']);
        $keep = app(KeepSource::class);
        $keep->keep($this->business, 'terms.md', 'document', "# Terms\n\n## Bringing back\n\nA machine must be brought back by four in the afternoon.\n\n## Price\n\nA roller costs £140 a day.\n");
        $keep->keep($this->other, 'terms.md', 'document', "# Terms\n\n## Bringing back\n\nA boat must be brought back by nine in the morning.\n\n## Price\n\nA skiff costs £35 a day.\n");
    }

    public function testCallsOfTwoBusinessesTurnAndTurnAboutGoAsTheyGoAlone(): void
    {
        $alone = [];
        foreach (['pellbrook', 'thornwick'] as $key) {
            $ref = $this->ringAt($key);
            foreach (self::LINES as $line) {
                $this->says($key, $ref, $line);
            }
            $alone[$key] = $this->words($ref);
        }

        $refs = ['pellbrook' => $this->ringAt('pellbrook'), 'thornwick' => $this->ringAt('thornwick')];
        foreach (self::LINES as $at => $line) {
            foreach ($at % 2 === 0 ? ['thornwick', 'pellbrook'] : ['pellbrook', 'thornwick'] as $key) {
                $this->says($key, $refs[$key], $line);
            }
        }
        foreach ($refs as $key => $ref) {
            self::assertSame($alone[$key], $this->words($ref), $key);
        }
        $this->keepToThemselves($alone);
    }

    /** @param array<string, list<string>> $calls */
    private function keepToThemselves(array $calls): void
    {
        $pellbrook = implode("\n", $calls['pellbrook']);
        $thornwick = implode("\n", $calls['thornwick']);
        self::assertStringContainsString('four in the afternoon', $pellbrook);
        self::assertStringContainsString('nine in the morning', $thornwick);
        foreach (['Thornwick', 'Osric', 'nine in the morning', 'skiff', 'Ivo'] as $foreign) {
            self::assertStringNotContainsString($foreign, $pellbrook);
        }
        foreach (['Pellbrook', 'Maren', 'four in the afternoon', 'roller', 'Nell'] as $foreign) {
            self::assertStringNotContainsString($foreign, $thornwick);
        }
    }

    private function ringAt(string $business): string
    {
        $of = Business::query()->where('key', $business)->firstOrFail();
        $agent = Agent::query()->where('business_id', $of->id)->firstOrFail();
        $contact = Contact::query()->where('business_id', $of->id)->firstOrFail();
        $at = new \DateTimeImmutable('2026-03-10 09:14', new \DateTimeZone('Europe/London'));
        $caller = CallerChoice::of($of, 'contact', (string) $contact->id, null, app(NumberingPlan::class), $at);

        return app(StartCall::class)->rehearse($agent, $agent->draft->scriptText, null, $caller, $at, '7')->ref;
    }

    private function says(string $business, string $ref, string $line): void
    {
        $step = (int) Call::query()->where('ref', $ref)->value('step');
        $this->postJson("/{$business}/handset/{$ref}", ['kind' => 'said', 'text' => $line, 'step' => $step])->assertOk();
    }

    /** @return list<string> */
    private function words(string $ref): array
    {
        $words = [];
        foreach (CallTurn::query()->whereIn('call_id', Call::query()->where('ref', $ref)->select('id'))->orderBy('n')->get() as $turn) {
            $words[] = $turn->by.': '.$turn->text;
        }

        return $words;
    }
}
