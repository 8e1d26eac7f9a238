<?php

declare(strict_types=1);

namespace App\Staff;

use App\Models\Conversation;
use App\Models\Staff;

/**
 * Where one of us answers a notice by mail: the connected mailbox's address with what it is about behind a plus (RFC 5233), signed, so
 * that nobody can make one up.
 */
final class ReplyAddress
{
    private const SIGNED = 20;

    /** Null where no mailbox is connected. */
    public static function of(Conversation $conversation, Staff $staff): ?string
    {
        $mailbox = self::mailbox();
        $at = $mailbox === null ? false : strrpos($mailbox, '@');
        $about = "$conversation->id.$staff->id";

        return $at === false ? null : substr((string) $mailbox, 0, $at)."+$about.".self::sign($about).substr((string) $mailbox, $at);
    }

    /** @return array{int, int}|null the conversation and the member of staff it was made for; null where it is none of ours */
    public static function read(string $address): ?array
    {
        if (self::mailbox() === null || preg_match('/\+(\d{1,12})\.(\d{1,9})\.([0-9a-f]{'.self::SIGNED.'})@/', $address, $part) !== 1) {
            return null;
        }

        return hash_equals(self::sign("$part[1].$part[2]"), $part[3]) ? [(int) $part[1], (int) $part[2]] : null;
    }

    /** The connected mailbox; null where there is none. */
    public static function mailbox(): ?string
    {
        $address = config('linnet.mailbox.address');

        return is_string($address) && $address !== '' && (string) config('linnet.mailbox.secret') !== '' ? $address : null;
    }

    private static function sign(string $about): string
    {
        return substr(hash_hmac('sha256', "reply by mail $about", config()->string('app.key')), 0, self::SIGNED);
    }
}
