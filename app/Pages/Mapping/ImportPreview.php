<?php

declare(strict_types=1);

namespace App\Pages\Mapping;

use App\Intake\Deliveries;
use App\Models\Business;
use App\Models\RecordType;
use App\Sentences\Sentence;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\LeftOut;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Record\Field;

/** The first rows of a file as they will be. */
final class ImportPreview
{
    /** @var list<string> */
    public readonly array $headings;

    /** @var list<array{cells: list<string>, taken: bool, says: string|null}> */
    public readonly array $rows;

    /** @param  list<array<string, string|null>>  $trees */
    public function __construct(Mapping $mapping, RecordType $type, array $trees)
    {
        $becomes = new Becomes($type, Business::current());
        $targets = Deliveries::targets($mapping);
        $taken = array_intersect_key($targets, $mapping->taken);
        $this->headings = array_values(array_map(fn (Field $field): string => $field->name, $taken));
        $this->rows = array_map(function (array $tree) use ($mapping, $targets, $taken, $becomes): array {
            $tried = $mapping->trial($tree, $targets);
            try {
                $cleaned = $mapping->clean($tree, $targets);
                $isTaken = $cleaned instanceof Cleaned;
                $says = match (true) {
                    $cleaned instanceof LeftOut => Sentence::of($cleaned->reason),
                    $cleaned->note !== null => Sentence::of($cleaned->note),
                    default => null,
                };
            } catch (Refused $e) {
                $isTaken = false;
                $says = Sentence::of($e->reason());
            }

            return [
                'cells' => array_map(
                    fn (string $target): string => ($value = $tried[$target]->value ?? null) === null
                        ? ''
                        : $becomes->says($target, $value),
                    array_keys($taken),
                ),
                'taken' => $isTaken,
                'says' => $says,
            ];
        }, $trees);
    }
}
