<?php

declare(strict_types=1);

namespace App\Gateways\Post;

use Illuminate\Contracts\Mail\Factory as Mail;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Storage;

/**
 * Sends links to accounts: by the configured mail, or into a file of the stand-in mail where none is configured.
 *
 * They never show in a post room: whoever reads such a link is in.
 */
final readonly class AccountMail
{
    /** Folder of the stand-in mail, below storage/app. */
    public const FOLDER = 'mail';

    public function __construct(private Mail $mail)
    {
    }

    public function send(string $to, string $subject, string $body): void
    {
        if (config('ringo.post.email') === 'mail') {
            $this->mail->mailer()->raw($body, static fn (Message $message) => $message->to($to)->subject($subject));

            return;
        }
        Storage::disk('local')->put(self::FOLDER.'/'.now()->format('Ymd-His-u').'.txt', "To: {$to}\nSubject: {$subject}\n\n{$body}\n");
    }
}
