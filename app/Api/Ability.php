<?php

declare(strict_types=1);

namespace App\Api;

/** What an API token may do. */
enum Ability: string
{
    case ReadPeople = 'people:read';
    case WritePeople = 'people:write';
    case ReadRecords = 'records:read';
    case WriteRecords = 'records:write';
    case ReadChanges = 'changes:read';
    case ReadTexts = 'texts:read';
    case ReadRules = 'rules:read';
    case StartRules = 'rules:start';

    public function says(): string
    {
        return match ($this) {
            self::ReadPeople => 'read people',
            self::WritePeople => 'add and change people',
            self::ReadRecords => 'read records and their types',
            self::WriteRecords => 'add and change records',
            self::ReadChanges => 'read changes',
            self::ReadTexts => 'read texts and their fate',
            self::ReadRules => 'read rules and runs',
            self::StartRules => 'start rules for people',
        };
    }
}
