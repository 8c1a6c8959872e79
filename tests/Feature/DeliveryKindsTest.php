<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Deliveries\Kinds\DeliveryKinds;
use App\Actions\Deliveries\RecordValues;
use App\Models\Call;
use App\Models\DeliveryRule;
use Ringo\Delivery\Means;
use Ringo\Script\Steps\Send\SendStep;

/** Every kind of delivery stands whole: whatever can be named has its kind, and its page shows the parts it has and no others. */
final class DeliveryKindsTest extends FeatureTestCase
{
    public function testEveryMeansHasItsKindAndTheOthersAreNone(): void
    {
        self::assertSame(array_column(Means::cases(), 'value'), array_keys(DeliveryKinds::all()));
        foreach (DeliveryKinds::all() as $name => $kind) {
            self::assertSame($name, $kind->means()->value);
        }
        self::assertSame(array_column(Means::inCalls(), 'value'), SendStep::BY, 'what a step can send');
        self::assertSame(['email', 'text', 'web'], array_keys(DeliveryKinds::travelling()));
    }

    public function testEachKindShowsItsPartsMakesAnExampleAndRefusesAnEmptyRule(): void
    {
        $this->actingAs($this->user());
        $ref = (string) $this->ring()->json('ref');
        $this->happens($ref, 1, 'said', 'I want to hire a cement mixer tomorrow for three days, my name is Rosa Lindqvist');
        $this->happens($ref, 2, 'hung_up');
        $call = Call::query()->where('ref', $ref)->sole()->load('record', 'business', 'agent', 'contact');
        foreach (DeliveryKinds::all() as $name => $kind) {
            self::assertNotSame([], $kind->problems('', '', []), "{$name}: an empty rule is refused");
            $rule = DeliveryRule::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'name' => $name, 'kind' => $name, 'to' => $name === 'web' ? 'https://hooks.pellbrook.example/calls' : 'boss@example.com', 'subject' => '', 'words' => '[caller_name] called', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => $kind->has('columns') ? ['Name' => 'caller_name'] : [], 'active' => true]);
            self::assertStringContainsString('Rosa Lindqvist', $kind->body($rule, new RecordValues($call)), $name);
            $page = (string) $this->get("/pellbrook/post/rules/{$rule->id}")->assertOk()->getContent();
            foreach (['subject' => 'subject', 'words' => 'words', 'file' => 'file', 'columns' => 'mapping'] as $part => $input) {
                $hidden = preg_match('~<label[^>]*\bhidden[^>]*>(?:(?!</label>).)*name="'.$input.'"~s', $page) === 1;
                self::assertSame(! $kind->has($part), $hidden, "{$name}: {$part}");
            }
        }
    }
}
