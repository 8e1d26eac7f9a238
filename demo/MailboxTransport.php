<?php

declare(strict_types=1);

namespace Demo;

use Illuminate\Support\Facades\Http;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Message;
use Symfony\Component\Mime\MessageConverter;

/** Carries mail to the mailbox among the stand-ins, over HTTP. */
final class MailboxTransport extends AbstractTransport
{
    public function __construct(private readonly string $url)
    {
        parent::__construct();
    }

    protected function doSend(SentMessage $message): void
    {
        $sent = $message->getOriginalMessage();
        $mail = $sent instanceof Message ? MessageConverter::toEmail($sent) : throw new \LogicException('a mail has a head and a body');
        Http::timeout(10)->post("$this->url/mail", [
            'to' => implode(', ', array_map(fn (Address $to): string => $to->getAddress(), $mail->getTo())),
            'subject' => (string) $mail->getSubject(), 'words' => (string) $mail->getTextBody(),
            'reply_to' => ($mail->getReplyTo()[0] ?? null)?->getAddress(),
        ])->throw();
    }

    public function __toString(): string
    {
        return 'mailbox';
    }
}
