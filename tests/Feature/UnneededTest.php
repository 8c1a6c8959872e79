<?php

declare(strict_types=1);

namespace Tests\Feature;

/** What nobody came to is taken out of the draft where the figures tell of it, and comes back with one click. */
final class UnneededTest extends FeatureTestCase
{
    public function testATransferRuleIsTakenOutAndBack(): void
    {
        $this->actingAs($this->user());
        $rules = fn (): array => array_column($this->agent->refresh()->draft->refresh()->scriptText->script()->transfers->rules, 'key');
        $before = $rules();
        $version = $this->agent->draft->version;

        $this->from('/pellbrook/figures')->post('/pellbrook/agents/maren/unneeded', ['kind' => 'transfer rule', 'key' => $before[1]])->assertRedirect('/pellbrook/figures')->assertSessionHas('undo');
        self::assertSame(array_values(array_diff($before, [$before[1]])), $rules());
        self::assertSame($version + 1, $this->agent->draft->version);
        $this->post(session('undo')['action'])->assertRedirect();
        self::assertSame($before, $rules());
    }

    public function testWhatIsNotThereOrNoKindIsRefusedAndNothingChanges(): void
    {
        $this->actingAs($this->user());
        $version = $this->agent->draft->version;

        $this->from('/pellbrook/figures')->post('/pellbrook/agents/maren/unneeded', ['kind' => 'step', 'key' => 'no_such_step'])->assertSessionHasErrors(['key' => 'the step “no such step” stays: there is no step “no_such_step” any more.']);
        $this->from('/pellbrook/figures')->post('/pellbrook/agents/maren/unneeded', ['kind' => 'agent', 'key' => 'maren'])->assertSessionHasErrors('kind');
        $this->from('/pellbrook/figures')->post('/pellbrook/agents/maren/unneeded', ['kind' => 'topic', 'key' => ['reserve']])->assertSessionHasErrors('key');
        self::assertSame($version, $this->agent->refresh()->draft->refresh()->version);
    }
}
