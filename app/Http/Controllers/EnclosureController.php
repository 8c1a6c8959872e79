<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Deliveries\KeepEnclosure;
use App\Models\Business;
use App\Models\Enclosure;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** The files of a business that go with e-mails. */
final class EnclosureController
{
    public function store(Request $request, Business $business, KeepEnclosure $keep): RedirectResponse
    {
        $request->validate(['enclosure' => ['required', 'file', 'max:5120']], ['enclosure.required' => 'Choose a file.', 'enclosure.max' => 'An e-mail takes a file of up to 5 MB.']);
        $file = $request->file('enclosure');
        /** @var User $user */
        $user = $request->user();
        try {
            $kept = $keep->keep($business, $file instanceof UploadedFile ? $file->getClientOriginalName() : '', $file instanceof UploadedFile ? (string) $file->get() : '', $user);
        } catch (\DomainException $problem) {
            throw ValidationException::withMessages(['enclosure' => $problem->getMessage()]);
        }

        return redirect()->route('post', $business)->with('notice', "“{$kept->name}” is there for send steps and rules, {$kept->size()}.");
    }

    public function show(Business $business, Enclosure $enclosure): Response
    {
        $content = $enclosure->content();
        abort_if($content === null, 404);

        return new Response($content, 200, ['Content-Type' => $enclosure->mime, 'Content-Disposition' => 'attachment; filename="'.addcslashes($enclosure->name, '"\\').'"', 'X-Content-Type-Options' => 'nosniff']);
    }

    public function destroy(Business $business, Enclosure $enclosure): RedirectResponse
    {
        $enclosure->delete();

        return redirect()->route('post', $business)->with('undo', ['text' => "The file “{$enclosure->name}” is taken out. E-mails that name it are given up until it is back.", 'action' => route('enclosure.restore', [$business, $enclosure])]);
    }

    public function restore(Business $business, Enclosure $enclosure): RedirectResponse
    {
        $enclosure->restore();

        return redirect()->route('post', $business)->with('notice', "“{$enclosure->name}” is back.");
    }
}
