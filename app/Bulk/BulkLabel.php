<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Engine\Store\Labels;
use App\Intake\ChangeOrigin;
use App\Models\Label;
use App\Models\Person;
use Linnet\Core\Record\Change\LabelChanged;
use Linnet\Core\Record\Change\LabelKind;

/** A tag or list, given or taken away. */
final readonly class BulkLabel implements BulkChange
{
    public function __construct(private LabelKind $kind, private string $name, private bool $added)
    {
    }

    public function question(): string
    {
        $what = ($this->kind === LabelKind::Tag ? 'the tag' : 'the list')." “{$this->name}”";

        return match (true) {
            $this->added && $this->kind === LabelKind::Tag => "Give $what?",
            $this->added => "Put them onto $what?",
            $this->kind === LabelKind::Tag => "Take $what away?",
            default => "Take them off $what?",
        };
    }

    public function alreadySo(array $people): int
    {
        $have = Label::query()->whereIn('person_id', $people)->where('kind', $this->kind->value)
            ->where('folded', mb_strtolower($this->name, 'UTF-8'))->distinct()->count('person_id');

        return $this->added ? $have : count($people) - $have;
    }

    public function change(): LabelChanged
    {
        return new LabelChanged($this->kind, $this->name, $this->added);
    }

    public function do(Person $person, ChangeOrigin $origin, \DateTimeImmutable $now): bool
    {
        return Labels::set($person->id, $this->kind, $this->name, $this->added, $origin, $now);
    }
}
