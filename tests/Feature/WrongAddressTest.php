<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;

/** An address that asks for what a page cannot show, typed again and again: told once, shown without it, never in a circle. */
final class WrongAddressTest extends FeatureTestCase
{
    /** @return array<string, array{string, string}> */
    public static function addresses(): array
    {
        return [
            'figures' => ['/pellbrook/figures?from=x', '2026-03-10'],
            'a span the wrong way round' => ['/pellbrook/figures?from=2026-03-10&to=2026-03-01', 'comes after the last'],
            'capacity' => ['/pellbrook/capacity?weeks=0', 'weeks'],
            'calls' => ['/pellbrook/calls?kind=zz', 'kind'],
            'diary' => ['/pellbrook/diary?day=soon', 'day'],
            'records' => ['/pellbrook/records?show=zz', 'show'],
            'call map' => ['/pellbrook/agents/maren/call-map?days=-1', 'days'],
        ];
    }

    #[DataProvider('addresses')]
    public function test_it_is_told_and_leads_to_a_page(string $address, string $says): void
    {
        $this->actingAs($this->user());
        for ($time = 0; $time < 3; $time++) {
            $this->get($address)->assertRedirect(explode('?', $address)[0]);
        }
        $this->followingRedirects()->get($address)->assertOk()->assertSee('role="alert"', false)->assertSee($says);
        $this->get(explode('?', $address)[0])->assertOk()->assertSessionMissing('errors');
    }

    public function test_one_comes_back_to_the_page_one_was_at_and_a_file_is_not_given_for_another(): void
    {
        $this->actingAs($this->user());
        $before = url('/pellbrook/figures?from=2026-03-01&to=2026-03-10');
        $this->get('/pellbrook/figures?from=2026-03-11&to=2026-03-10', ['referer' => $before])->assertRedirect($before);
        $this->get('/pellbrook/calls', ['referer' => 'https://elsewhere.example/'])->assertOk();
        $this->get('/pellbrook/calls?kind=zz', ['referer' => 'https://elsewhere.example/'])->assertRedirect('/pellbrook/calls');
        $this->get('/pellbrook/calls/records.csv?kind=zz')->assertStatus(422)->assertSee('kind');
    }
}
