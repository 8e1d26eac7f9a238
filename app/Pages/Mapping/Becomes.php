<?php

declare(strict_types=1);

namespace App\Pages\Mapping;

use App\Models\Business;
use App\Models\RecordType;
use App\Records\Shown;
use Linnet\Core\Record\FieldKind;

/** What a value becomes in its field, as a reader would say it. */
final readonly class Becomes
{
    private Shown $shown;

    /** @var array<string, FieldKind> by target */
    private array $kinds;

    public function __construct(RecordType $type, Business $business)
    {
        $this->shown = new Shown($type, [], $business->zone, $business->currency());
        $kinds = [];
        foreach ($type->fields as $field) {
            $kinds["fields.$field->key"] = $field->kind;
        }
        $this->kinds = $kinds;
    }

    public function says(string $target, mixed $value): string
    {
        $kind = $this->kinds[$target] ?? null;
        // What a field refers to is still in the sender's words, and is looked up when it is taken in.
        if ($value !== null && $kind !== null && ! $kind->isReference()) {
            return $this->shown->key(substr($target, strlen('fields.')), $value);
        }

        return self::plain($value);
    }

    public static function plain(mixed $value): string
    {
        return match (true) {
            $value === null => 'nothing',
            is_bool($value) => $value ? 'yes' : 'no',
            is_scalar($value) => mb_strimwidth(mb_scrub((string) $value, 'UTF-8'), 0, 80, '…', 'UTF-8'),
            default => 'a list',
        };
    }
}
