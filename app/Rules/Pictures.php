<?php

declare(strict_types=1);

namespace App\Rules;

use Illuminate\Support\Facades\Storage;
use Linnet\Core\Reason;

/** Pictures that go with texts: kept by what is in them, and fetched by whoever has their address. */
final class Pictures
{
    /** What carriers take, and telephones show without waiting. */
    public const MOST_BYTES = 600_000;

    public const MOST_SIDE = 2000;

    private const KINDS = [IMAGETYPE_JPEG => 'jpg', IMAGETYPE_PNG => 'png', IMAGETYPE_GIF => 'gif'];

    /** @return string|Reason its name, or why it is not kept */
    public static function store(string $content): string|Reason
    {
        $size = @getimagesizefromstring($content);
        $kind = $size === false ? null : self::KINDS[$size[2]] ?? null;
        if ($size === false || $kind === null) {
            return new Reason('picture.no_picture');
        }
        $content = $kind === 'jpg' ? self::bare($content) : $content;
        if (strlen($content) > self::MOST_BYTES || max($size[0], $size[1]) > self::MOST_SIDE) {
            return new Reason('picture.too_large', [
                'size' => (int) ceil(strlen($content) / 1000), 'most' => intdiv(self::MOST_BYTES, 1000), 'wide' => $size[0],
                'high' => $size[1], 'side' => self::MOST_SIDE,
            ]);
        }
        $name = substr(hash('sha256', $content), 0, 32).".$kind";
        Storage::put("pictures/$name", $content);

        return $name;
    }

    /** A photograph without what its camera wrote into it, such as where it was taken: the APP1 segments of JPEG (ITU-T T.81, B.2.4.6). */
    private static function bare(string $content): string
    {
        $bare = substr($content, 0, 2);
        $at = 2;
        while (
            $at + 4 <= strlen($content) &&
            $content[$at] === "\xFF" &&
            ord($content[$at + 1]) >= 0xE0 &&
            ord($content[$at + 1]) <= 0xFE
        ) {
            /** @var array{1: int} $length */
            $length = unpack('n', $content, $at + 2);
            if ($content[$at + 1] !== "\xE1") {
                $bare .= substr($content, $at, $length[1] + 2);
            }
            $at += $length[1] + 2;
        }

        return $bare.substr($content, $at);
    }
}
