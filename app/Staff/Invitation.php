<?php

declare(strict_types=1);

namespace App\Staff;

use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** The mail by which somebody comes to a password of their own. Encrypted where it waits: whoever has the link has the account. */
final class Invitation extends Mailable implements ShouldBeEncrypted, ShouldQueue
{
    use Queueable;

    public function __construct(
        public readonly string $called,
        public readonly string $business,
        public readonly string $link,
        public readonly int $days,
    ) {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: "Your way into Linnet at $this->business");
    }

    public function content(): Content
    {
        return new Content(text: 'staff.invitation-mail');
    }
}
