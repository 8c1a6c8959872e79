<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;

/** What a page says to an address that asks for something it cannot show: it never leads back to the same address. */
final readonly class WrongAddress
{
    /** The bag that the frame of every page shows. */
    public const BAG = 'address';

    public function answer(ValidationException $problem, Request $request): Response
    {
        $from = (string) $request->headers->get('referer', '');
        $back = str_starts_with($from, $request->getSchemeAndHttpHost().'/') && $from !== $request->fullUrl();
        $file = str_contains(basename($request->path()), '.');
        if (! $back && ($file || $request->query() === [])) {
            return response(implode("\n", $problem->validator->errors()->all())."\n", 422, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }

        return redirect()->to($back ? $from : $request->url())->withErrors($problem->errors(), self::BAG);
    }
}
