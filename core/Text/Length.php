<?php

declare(strict_types=1);

namespace Linnet\Core\Text;

/**
 * How long a text is on the air.
 *
 * Source: 3GPP TS 23.038 section 6.2.1 (default alphabet and extension table), TS 23.040 section 9.2.3.24.1 (joining).
 */
final readonly class Length
{
    /** A character class of the default alphabet, the extension table left out. */
    private const BASIC = "@£\$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !\"#¤%&'()*+,\\-.\\/0-9:;<=>?¡A-ZÄÖÑÜ§¿a-zäöñüà";

    /** The extension table: each takes two septets, which stay in one part. */
    private const EXTENDED = "\f\\^{}\\\\\\[~\\]|€";

    /**
     * @param  int  $units  septets (GSM-7) or UTF-16 code units (UCS-2) of the whole text
     * @param  int  $parts  0 for the empty text
     * @param  int  $left  units that can follow before another part is needed
     * @param  list<string>  $culprits  the different characters that forced UCS-2, in order of appearance
     */
    private function __construct(
        public Encoding $encoding,
        public int $units,
        public int $parts,
        public int $left,
        public array $culprits,
    ) {
    }

    public static function of(string $text): self
    {
        if (preg_match('/^['.self::BASIC.']*+$/Du', $text) === 1) {
            return self::even(Encoding::Gsm7, mb_strlen($text, 'UTF-8'));
        }

        $culprits = self::culprits($text);
        $encoding = $culprits === [] ? Encoding::Gsm7 : Encoding::Ucs2;
        $costs = self::costs($text, $encoding);
        $units = array_sum($costs);

        if ($units <= $encoding->alone() || ! in_array(2, $costs, true)) {
            return self::even($encoding, $units, $culprits);
        }

        $parts = 1;
        $used = 0;
        foreach ($costs as $cost) {
            if ($used + $cost > $encoding->joined()) {
                $parts++;
                $used = 0;
            }
            $used += $cost;
        }

        return new self($encoding, $units, $parts, $encoding->joined() - $used, $culprits);
    }

    /**
     * The text as its parts carry it.
     *
     * @return list<string>
     */
    public static function split(string $text): array
    {
        $length = self::of($text);
        if ($length->parts <= 1) {
            return $text === '' ? [] : [$text];
        }

        $parts = [''];
        $used = 0;
        $characters = mb_str_split($text, 1, 'UTF-8');
        foreach (self::costs($text, $length->encoding) as $i => $cost) {
            if ($used + $cost > $length->encoding->joined()) {
                $parts[] = '';
                $used = 0;
            }
            $parts[count($parts) - 1] .= $characters[$i];
            $used += $cost;
        }

        return $parts;
    }

    /**
     * Where no character takes two units, parts fill to the brim.
     *
     * @param  list<string>  $culprits
     */
    private static function even(Encoding $encoding, int $units, array $culprits = []): self
    {
        if ($units <= $encoding->alone()) {
            return new self($encoding, $units, $units === 0 ? 0 : 1, $encoding->alone() - $units, $culprits);
        }

        $parts = intdiv($units + $encoding->joined() - 1, $encoding->joined());

        return new self($encoding, $units, $parts, $parts * $encoding->joined() - $units, $culprits);
    }

    /** @return list<string> */
    private static function culprits(string $text): array
    {
        preg_match_all('/[^'.self::BASIC.self::EXTENDED.']/u', $text, $found);

        return array_values(array_unique($found[0]));
    }

    /** @return list<int> units of each character */
    private static function costs(string $text, Encoding $encoding): array
    {
        $pattern = $encoding === Encoding::Gsm7 ? '/['.self::EXTENDED.']/u' : '/[\x{10000}-\x{10FFFF}]/u';
        $costs = array_fill(0, mb_strlen($text, 'UTF-8'), 1);
        preg_match_all($pattern, $text, $found, PREG_OFFSET_CAPTURE);
        $bytes = $place = 0;
        foreach ($found[0] as [$character, $offset]) {
            $place += mb_strlen(substr($text, $bytes, $offset - $bytes), 'UTF-8');
            $bytes = $offset;
            $costs[$place] = 2;
        }

        return array_values($costs);
    }
}
