<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** A word, number, sign or quotation of a sentence, and where it stands in it. */
final readonly class Token
{
    /** A quotation, an address on the web, an address of mail, a telephone number, a date, a number, a word, and any other sign. */
    private const PATTERN = '~"(?:\\\\.|[^"\\\\])*"|“(?:\\\\.|[^”\\\\])*”'
        .'|https?://[^\s"“”]*[^\s"“”.,:;)]'
        .'|[\p{L}\p{N}._%+\-]+@[\p{L}\p{N}\-]+(?:\.[\p{L}\p{N}\-]+)+'
        .'|\+\d{6,15}'
        .'|\d{4}-\d\d-\d\d(?:T\d\d:\d\d(?::\d\d)?(?:Z|[+-]\d\d:\d\d)?)?'
        .'|-?\d+(?:,\d{3})*(?:[.:]\d+)?(?:[eE][+-]?\d+)?'
        .'|[\p{L}_](?:[\p{L}\p{M}\p{N}_]|[-\'’](?=[\p{L}\p{N}_]))*’?'
        .'|\S~Su';

    /**
     * @param  string  $text  as it is written
     * @param  string  $folded  as it is compared
     * @param  int  $start  in bytes from the beginning
     */
    private function __construct(public string $text, public string $folded, public int $start, public int $end)
    {
    }

    /** @return list<self> */
    public static function all(string $sentence): array
    {
        preg_match_all(self::PATTERN, $sentence, $found, PREG_OFFSET_CAPTURE);

        $tokens = [];
        foreach ($found[0] as [$text, $start]) {
            foreach (Synonyms::apart(self::fold($text)) as $folded) {
                $tokens[] = new self($text, $folded, $start, $start + strlen($text));
            }
        }

        return $tokens;
    }

    public static function fold(string $text): string
    {
        return str_replace('’', "'", mb_strtolower($text, 'UTF-8'));
    }

    /** What stands between the marks of a quotation; null for anything else. */
    public function quoted(): ?string
    {
        return preg_match('~^(?:"(.*)"|“(.*)”)$~su', $this->text, $part) === 1
            ? str_replace("\0", '\\', str_replace(['\\\\', '\\n', '\\"', '\\”'], ["\0", "\n", '"', '”'], $part[2] ?? $part[1]))
            : null;
    }

    public static function quote(string $text): string
    {
        return '"'.str_replace(['\\', "\n", '"'], ['\\\\', '\\n', '\\"'], $text).'"';
    }
}
