<?php

declare(strict_types=1);

namespace App\Inbound;

use App\Clock\TimeFormatter;
use App\Engine\DirectTexts;
use App\Engine\ScheduledTexts;
use App\Jobs\OutboundTaskQueue;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\OutboundTask;
use App\Models\OutboundTaskKind;
use App\Models\Staff;
use App\Sentences\Sentence;
use App\Staff\ReplyAddress;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use ZBateson\MailMimeParser\Header\AddressHeader;
use ZBateson\MailMimeParser\IMessage;
use ZBateson\MailMimeParser\MailMimeParser;

/**
 * One of us answers a notice by mail (RFC 5322): what stands above the notice goes out as the text, once its line is open. Whoever answers
 * is told by mail where it does not go, or has to wait.
 */
final readonly class MailedReplies
{
    private const LONGEST = 1600;

    public function __construct(private ClockInterface $clock, private DirectTexts $texts, private ScheduledTexts $scheduled)
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
            $this->tell($conversation, $staff, "$name/back", 'Not sent', "Your answer by mail was not sent. $refused\n\nAnswer in Linnet");
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
        if (self::waits($name)) {
            return null;
        }
        $number = Message::query()->where('conversation_id', $conversation->id)->where('origin', MessageOrigin::Them)
            ->orderByDesc('at')->orderByDesc('id')->value('number');
        $number = is_string($number) ? $number : null;
        $refused = $this->texts->fromStaff($conversation->person_id, $conversation->line, $number, $staff, $words, name: $name);
        if ($refused?->until !== null) {
            $this->wait($conversation, $staff, $words, $name, $number, $refused->until);

            return null;
        }

        return $refused === null ? null : Sentence::of($refused->reason);
    }

    /** The line is closed or busy, and nobody can be asked whether it is to go even so: it takes its turn as what is typed for a moment. */
    private function wait(Conversation $in, Staff $staff, string $words, string $name, ?string $number, \DateTimeImmutable $until): void
    {
        DB::transaction(function () use ($in, $staff, $words, $name, $number, $until): void {
            if (self::waits($name)) {
                return;
            }
            $number ??= (string) $in->person->number?->e164;
            $this->scheduled->add($in->person, $in->line, $number, $staff, $words, $this->clock->now());
            $when = TimeFormatter::momentIn($until, Business::current()->zone);
            $told = "The {$in->line->name} is closed or busy until then: your answer leaves on $when.\n\nChange it, or take it back";
            $this->tell($in, $staff, "$name/waits", 'Waits', $told);
        });
    }

    /** The mail came before, and its text waits, or has left since. */
    private static function waits(string $name): bool
    {
        return OutboundTask::query()->where('name', "$name/waits")->exists();
    }

    private function tell(Conversation $in, Staff $staff, string $name, string $what, string $words): void
    {
        OutboundTaskQueue::add($name, OutboundTaskKind::Email, $staff->email, [
            'subject' => "$what: your answer to {$in->person->name()}", 'words' => "$words: ".route('conversations.show', $in),
        ], null, null, $in->person_id, $this->clock->now());
    }
}
