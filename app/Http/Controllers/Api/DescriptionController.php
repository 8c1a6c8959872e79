<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Api\Description;
use Illuminate\Http\JsonResponse;

/** The interface's own description, for whoever wants to know it: it tells nothing of any business. */
final readonly class DescriptionController
{
    public function show(): JsonResponse
    {
        return response()->json(Description::document(url('/api/v1')), 200, [], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
