<?php

declare(strict_types=1);

namespace App\Records;

use App\Clock\TimeFormatter;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\RecordType;
use Linnet\Core\Number\Numbers;

/** A change in a sentence: what was, what is, and where it came from. */
final class ChangeSentence
{
    public static function of(Change $change, ?RecordType $type, ?Shown $shown): string
    {
        $from = $change->way->says($change->via);
        $noun = $type === null ? '' : mb_strtolower($type->name);
        if ($change->kind === ChangeKind::RecordAdded || $change->kind === ChangeKind::PersonAdded) {
            return ($change->kind === ChangeKind::PersonAdded ? 'Made known' : ucfirst($noun).' added').($from === '' ? '' : ", $from").'.';
        }
        $parts = [];
        foreach ($change->to ?? [] as $key => $value) {
            $name =
                $type?->field($key)->name ??
                ([
                    'first_name' => 'First name', 'last_name' => 'Last name', 'email' => 'Email', 'zone' => 'Time zone',
                    'number' => 'Number',
                ][$key] ??
                    str_replace('_', ' ', ucfirst($key)));
            $before = self::value($type, $shown, $key, $change->from[$key] ?? null);
            $after = self::value($type, $shown, $key, $value);
            $parts[] = match (true) {
                $after === '' => "$name taken out (was “{$before}”)",
                $before === '' => "$name: “{$after}”",
                default => "$name from “{$before}” to “{$after}”",
            };
        }

        return ucfirst(implode('; ', $parts)).", $from.";
    }

    private static function value(?RecordType $type, ?Shown $shown, string $key, mixed $value): string
    {
        $said = match (true) {
            $shown === null => is_scalar($value) ? (string) $value : '',
            // What everybody has is no field of theirs.
            $key === 'number' && is_string($value) && $type?->field($key) === null => Numbers::pretty($value),
            $key === 'zone' && is_string($value) && $type?->field($key) === null => TimeFormatter::place($value),
            default => $shown->key($key, $value),
        };

        return mb_strimwidth($said, 0, 120, '…', 'UTF-8');
    }
}
