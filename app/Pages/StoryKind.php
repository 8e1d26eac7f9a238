<?php

declare(strict_types=1);

namespace App\Pages;

/** What a person's story can be narrowed to. */
enum StoryKind: string
{
    case Texts = 'texts';
    case Rules = 'rules';
    case Records = 'records';
    case Notes = 'notes';

    public function says(): string
    {
        return match ($this) {
            self::Texts => 'Texts',
            self::Rules => 'What rules did',
            self::Records => 'Records and changes',
            self::Notes => 'Notes',
        };
    }
}
