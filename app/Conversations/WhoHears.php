<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Models\Conversation;
use App\Models\Record;
use App\Models\Staff;

/** Who hears of a reply, as whoever writes chooses it: themselves, the owner of the record it is about, or everybody on the line. */
final class WhoHears
{
    /** Its owner, else the people of its line. */
    public const USUAL = 'usual';

    private const ME = 'me';

    private const RECORD = 'record';

    private const LINE = 'line';

    /** As it was chosen before. */
    private const BEFORE = '';

    /** @return array<string, string> what each choice says */
    public static function offered(Staff $me, ?Conversation $conversation, ?Record $record): array
    {
        $owner = self::ownerOf($record);
        $chosen = $conversation?->hears;
        $usual = $conversation === null
            ? 'whose the conversation is'
            : ($conversation->owner->name ?? $conversation->person->hears->name ?? 'whom the rule names, or everybody on the line');

        return [
            ...$conversation === null ? [self::BEFORE => 'as before'] : [],
            ...$chosen !== null && $chosen->id !== $me->id ? [self::BEFORE => "$chosen->name, as before"] : [],
            self::USUAL => "as usual: $usual",
            self::ME => 'me',
            ...$owner === null || $owner->id === $me->id || $record === null
                ? []
                : [self::RECORD => "$owner->name, whose ".mb_strtolower($record->type->name).' it is'],
            self::LINE => 'everybody on the line',
        ];
    }

    public static function chosen(Staff $me, ?Conversation $conversation): string
    {
        return match (true) {
            $conversation === null => self::BEFORE,
            $conversation->line_hears => self::LINE,
            $conversation->hears_staff_id === null => self::USUAL,
            default => $conversation->hears_staff_id === $me->id ? self::ME : self::BEFORE,
        };
    }

    /** @return list<string> */
    public static function choices(): array
    {
        return [self::USUAL, self::ME, self::RECORD, self::LINE];
    }

    public static function choose(Conversation $conversation, string $choice, Staff $me, ?Record $record): void
    {
        $conversation->update([
            'line_hears' => $choice === self::LINE,
            'hears_staff_id' => match ($choice) {
                self::ME => $me->id,
                self::RECORD => self::ownerOf($record)?->id,
                default => null,
            },
        ]);
    }

    private static function ownerOf(?Record $record): ?Staff
    {
        $field = $record?->type->read()->ownerField();
        $id = $field === null ? null : ($record->values[$field] ?? null);

        return is_int($id) ? Staff::query()->whereNull('off_at')->find($id) : null;
    }
}
