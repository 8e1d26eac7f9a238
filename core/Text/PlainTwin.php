<?php

declare(strict_types=1);

namespace Linnet\Core\Text;

/** The same text in characters of the default alphabet, where typing habits (not the words) forced UCS-2. */
final class PlainTwin
{
    private const TWINS = [
        '‘' => "'", '’' => "'", '‚' => "'", '‛' => "'", '′' => "'", '`' => "'", '´' => "'",
        '“' => '"', '”' => '"', '„' => '"', '‟' => '"', '″' => '"', '«' => '"', '»' => '"',
        '‐' => '-', '‑' => '-', '‒' => '-', '–' => '-', '—' => '-', '―' => '-', '−' => '-',
        '…' => '...', '•' => '-', '·' => '-',
        "\u{00A0}" => ' ', "\u{2009}" => ' ', "\u{200A}" => ' ', "\u{202F}" => ' ', "\u{2007}" => ' ', "\t" => ' ',
        "\u{200B}" => '', "\u{200C}" => '', "\u{200D}" => '', "\u{2060}" => '', "\u{FEFF}" => '', "\u{00AD}" => '',
    ];

    public static function of(string $text): string
    {
        return strtr($text, self::TWINS);
    }
}
