<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Campaign;
use App\Models\Line;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The made-up page of a client that carries a button, with a policy as strict as a careful client's. */
final class SiteController
{
    public function show(Request $request, string $business, string $line): Response
    {
        /** @var Line $row */
        $row = Line::query()->with('business')->where('key', $line)->where('kind', 'button')->whereHas('business', static fn ($query) => $query->where('key', $business))->firstOrFail();
        $app = rtrim((string) config('app.url'), '/');

        return response()->view('site', ['line' => $row, 'business' => $row->business, 'brief' => $row->business->brief(), 'script' => $app.'/button/button.js'], 200, ['Content-Security-Policy' => self::policy($app)]);
    }

    /** The made-up page with a form that a campaign takes. */
    public function form(string $business, string $campaign): Response
    {
        /** @var Campaign $row */
        $row = Campaign::query()->with('business')->where('key', $campaign)->whereHas('business', static fn ($query) => $query->where('key', $business))->firstOrFail();
        abort_if($row->intake === null || $row->intake_token === null, 404);

        return response()->view('site-form', ['business' => $row->business, 'action' => route('form', $row->intake_token)], 200, ['Content-Security-Policy' => "default-src 'none'; style-src 'self'; img-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"]);
    }

    /** What a client's own policy must allow for the button: its script, its questions, its sound and its picture, from where Ringo runs. */
    public static function needs(string $app): string
    {
        return "script-src {$app}; connect-src {$app}; media-src {$app}; img-src 'self' {$app}";
    }

    private static function policy(string $app): string
    {
        return "default-src 'none'; ".self::needs($app)."; style-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
    }
}
