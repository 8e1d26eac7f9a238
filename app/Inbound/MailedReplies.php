<?php

declare(strict_types=1);

namespace App\Inbound;

use App\Engine\DirectTexts;
use App\Jobs\OutboundTaskQueue;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\OutboundTaskKind;
use App\Models\Staff;
use App\Sentences\Sentence;
use App\Staff\ReplyAddress;
use Psr\Clock\ClockInterface;
use ZBateson\MailMimeParser\Header\AddressHeader;
use ZBateson\MailMimeParser\IMessage;
use ZBateson\MailMimeParser\MailMimeParser;

/**
 * One of us answers a notice by mail (RFC 5322): what stands above the notice goes out as the text. Whoever answers is told by mail where
 * it does not.
 */
final readonly class MailedReplies
{
    private const LONGEST = 1600;

    public function __construct(private ClockInterface $clock, private DirectTexts $texts)
    {
    }

    /** @return bool false where it answers no notice of ours, or is written by somebody else than the notice was for */
    public function take(string $raw): bool
    {
        $mail = (new MailMimeParser)->parse($raw, false);
        [$conversation, $staff] = $this->answers($mail) ?? [null, null];
        if ($conversation === null || $staff === null) {
            return false;
        }
        // A machine that answers by itself is not one of us.
        if (! in_array(mb_strtolower((string) $mail->getHeaderValue('Auto-Submitted', 'no')), ['', 'no'], true)) {
            return true;
        }
        $name = 'mail/'.sha1((string) ($mail->getHeaderValue('Message-ID') ?? $raw));
        $words = MailedWords::of($mail);
        $refused = match (true) {
            $words === '' => 'Nothing was written above the notice.',
            mb_strlen($words, 'UTF-8') > self::LONGEST => 'It is longer than '.number_format(self::LONGEST).' characters.',
            default => $this->send($conversation, $staff, $words, $name),
        };
        if ($refused !== null) {
            OutboundTaskQueue::add("$name/back", OutboundTaskKind::Email, $staff->email, [
                'subject' => "Not sent to {$conversation->person->name()}",
                'words' => "Your answer by mail was not sent. $refused\n\nAnswer in Linnet: ".route('conversations.show', $conversation),
            ], null, null, $conversation->person_id, $this->clock->now());
        }

        return true;
    }

    /** @return array{Conversation, Staff}|null */
    private function answers(IMessage $mail): ?array
    {
        foreach (['To', 'Cc', 'Delivered-To', 'X-Original-To'] as $header) {
            foreach ($mail->getAllHeadersByName($header) as $one) {
                $addresses = $one instanceof AddressHeader
                    ? array_map(fn ($address): string => (string) $address->getValue(), $one->getAddresses())
                    : [(string) $one->getValue()];
                foreach (array_filter(array_map(ReplyAddress::read(...), $addresses)) as [$conversation, $member]) {
                    $staff = Staff::query()->whereNull('off_at')->find($member);
                    $from = mb_strtolower((string) $mail->getHeaderValue('From'), 'UTF-8');
                    $about = Conversation::query()->with(['person.number', 'line'])->find($conversation);

                    return $about !== null && $staff?->role->converses() === true && $from === mb_strtolower($staff->email, 'UTF-8')
                        ? [$about, $staff]
                        : null;
                }
            }
        }

        return null;
    }

    /** @return string|null why it was not sent */
    private function send(Conversation $conversation, Staff $staff, string $words, string $name): ?string
    {
        $number = Message::query()->where('conversation_id', $conversation->id)->where('origin', MessageOrigin::Them)
            ->orderByDesc('at')->orderByDesc('id')->value('number');
        $refused = $this->texts->fromStaff(
            $conversation->person_id, $conversation->line, is_string($number) ? $number : null, $staff, $words, name: $name,
        );

        return $refused === null ? null : Sentence::of($refused);
    }
}
