<?php

declare(strict_types=1);

namespace App\Inbound;

use App\Staff\Telling;
use ZBateson\MailMimeParser\IMessage;

/**
 * What somebody wrote into a mail that answers a notice: what stands above it, without what their program put between and below.
 * Programs say that in many languages; what they have in common is where it stands.
 */
final class MailedWords
{
    /** A quoted line, or a rule that programs draw above what they quote. */
    private const QUOTED = '/^(>|_{10,}|-{2,} ?[\p{L} ]{4,40} ?-{2,}\s*$)/mu';

    /** "On Monday Linnet wrote:", in whatever language. */
    private const INTRODUCED = '/(^|\n)[^\n]{1,200}(\n[^\n]{1,120})?[:：]\s*$/u';

    /** "From: … Sent: … To: …", in whatever language. */
    private const HEADED = '/(^|\n)([\p{L} -]{2,24} ?: [^\n]*\n?){3,}\s*$/u';

    /** Below the sign of RFC 3676, 4.3, or what telephones add. */
    private const SIGNED = '/^(-- |Sent from my .{2,40})$/m';

    public static function of(IMessage $mail): string
    {
        $text = trim((string) $mail->getTextContent());
        $text = $text === '' ? self::plain((string) $mail->getHtmlContent()) : $text;
        $text = str_replace(["\r\n", "\r", "\u{A0}"], ["\n", "\n", ' '], $text);
        $above = explode(Telling::ABOVE, $text)[0];
        $own = rtrim((preg_split(self::QUOTED, $above) ?: [''])[0]);
        if (strlen($own) < strlen(rtrim($text))) {
            $own = rtrim((string) preg_replace(self::HEADED, '', $own));
            $own = (string) preg_replace(self::INTRODUCED, '', $own);
        }

        return trim((preg_split(self::SIGNED, $own) ?: [''])[0]);
    }

    /** The words of a page, with its lines. */
    private static function plain(string $html): string
    {
        $lines = (string) preg_replace([
            '/<(style|script|head)\b.*?<\/\1>/is', '/\s+/', '/<(br|\/p|\/div|\/tr|\/blockquote)\b[^>]*>/i', '/<blockquote\b[^>]*>/i',
        ], ['', ' ', "\n", "\n> "], $html);
        $words = html_entity_decode(strip_tags($lines), ENT_QUOTES | ENT_HTML5, 'UTF-8');

        return trim((string) preg_replace(['/ *\n */', '/\n{3,}/'], ["\n", "\n\n"], $words));
    }
}
