<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Knowledge\KeepSource;
use App\Models\Business;
use App\Models\DeliveryRule;
use App\Models\Line;
use App\Models\Person;
use App\Models\Role;
use App\Models\Team;
use App\Models\User;

/** A new client from nothing or with another's set-up; one put away and brought back. */
final class BusinessesTest extends FeatureTestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->user(Role::Owner);
        $this->actingAs($this->owner);
    }

    public function testANewBusinessBelongsToWhoeverMadeIt(): void
    {
        $this->post('/businesses', ['name' => 'Fenwater Clocks', 'country' => 'IE', 'tz' => ''])->assertRedirect('/fenwater-clocks/brief');
        $business = Business::query()->where('key', 'fenwater-clocks')->sole();
        self::assertSame(['IE', 'Europe/Dublin', 'IE', 'Fenwater Clocks', Role::Owner], [$business->country, $business->tz, $business->brief()->hours->region, $business->brief()->spoken, $this->owner->roleIn($business)]);
        $this->get('/fenwater-clocks')->assertOk();
        $this->get('/fenwater-clocks/brief')->assertOk()->assertSee('St Brigid');
        $this->post('/businesses', ['name' => 'Fenwater Clocks', 'country' => 'IE'])->assertRedirect('/fenwater-clocks-2/brief');
        $this->post('/businesses', ['name' => 'Sign in', 'country' => 'GB'])->assertRedirect('/sign-in-2/brief');
        $this->post('/businesses', ['name' => '', 'country' => 'XX', 'tz' => 'Mars/Base'])->assertSessionHasErrors(['name', 'country', 'tz']);
        $this->post('/businesses', ['name' => '日本', 'country' => 'GB'])->assertSessionHasNoErrors();
    }

    public function testASetUpComesAlongWithoutCallersCallsPeopleAndSecrets(): void
    {
        $nora = Person::query()->create(['business_id' => $this->business->id, 'key' => 'nora', 'name' => 'Nora Fell', 'number' => null, 'presence' => 'available', 'site' => '']);
        Team::query()->create(['business_id' => $this->business->id, 'key' => 'accounts', 'name' => 'Accounts', 'description' => 'invoices of Pellbrook Hire', 'examples' => [], 'hours' => [], 'ring' => 'all', 'seconds' => 20, 'waiting_most' => 3])->people()->attach($nora->id, ['position' => 0]);
        app(KeepSource::class)->keep($this->business, 'terms.md', 'document', "# Terms\n\nPellbrook Hire asks for a deposit of fifty pounds. Pellbrook Hirer is another firm.");
        DeliveryRule::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'name' => 'Yard', 'kind' => 'web', 'to' => 'https://hooks.pellbrook.example/calls', 'subject' => '', 'words' => 'From Pellbrook Hire', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => [], 'active' => true, 'secret' => 'whsec_AAAA']);
        $this->post('/businesses', ['name' => 'Fenwater Plant', 'country' => 'GB', 'copy' => 'pellbrook', 'parts' => ['agents', 'teams', 'knowledge', 'rules', 'errands']])->assertSessionHasNoErrors()->assertRedirect();
        $to = Business::query()->where('key', 'fenwater-plant')->sole();
        $agent = $to->agents()->with('draft.scriptText')->firstOrFail();
        self::assertSame(['Maren', 'Fenwater Plant', 0], [$agent->name, $agent->draft->scriptText->script()->agent->business, $agent->releases()->count()]);
        self::assertSame(['invoices of Fenwater Plant', 0], [$to->teams()->sole()->description, $to->teams()->sole()->people()->count()]);
        self::assertSame('Fenwater Plant asks for a deposit of fifty pounds. Pellbrook Hirer is another firm.', explode("\n\n", $to->knowledgeSources()->where('name', 'terms.md')->sole()->text)[1]);
        $rule = $to->rules()->sole();
        self::assertSame([false, '', null, $agent->id, 'From Fenwater Plant'], [$rule->active, $rule->to, $rule->secret, $rule->agent_id, $rule->words]);
        self::assertSame($this->business->errands()->count(), $to->errands()->count());
        self::assertSame([0, 0, 0], [$to->contacts()->count(), $to->calls()->count(), $to->people()->count()]);
        self::assertNull($to->errands()->whereNotNull('secret')->first());
    }

    public function testOnlyASetUpOneDesignsComesAlong(): void
    {
        $other = Business::query()->create(['key' => 'elsewhere', 'name' => 'Elsewhere', 'country' => 'GB', 'tz' => 'Europe/London']);
        $this->post('/businesses', ['name' => 'A', 'country' => 'GB', 'copy' => 'elsewhere', 'parts' => ['agents']])->assertSessionHasErrors('copy');
        $this->get('/businesses/new')->assertOk()->assertDontSee($other->name);
    }

    public function testPutAwayNobodyEntersAndItsLinesArePausedUntilItIsBroughtBack(): void
    {
        $keep = app(\App\Actions\Lines\KeepLine::class);
        $line = $keep->live($keep->make($this->business->refresh(), ['name' => 'Main', 'number' => '01632 960100', 'agent' => 'maren', 'answers' => ['otherwise' => ['who' => 'agent']]], 'number', $this->owner), $this->agent->releases()->firstOrFail(), $this->owner);
        $this->post('/businesses/pellbrook/archive')->assertRedirect('/businesses');
        self::assertSame(Line::PAUSED, $line->refresh()->state);
        $this->get('/pellbrook')->assertForbidden();
        $this->get('/')->assertOk();
        $this->get('/businesses')->assertSee('put away');
        $this->post('/businesses/pellbrook/restore')->assertRedirect('/pellbrook/lines');
        $this->get('/pellbrook')->assertOk();
        self::assertSame(Line::PAUSED, $line->refresh()->state, 'each line is put live again by somebody');
    }
}
