<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Intake\ChangeOrigin;
use App\Models\Person;
use Linnet\Core\Record\Change\Change;

/** What is done to many people at once. */
interface BulkChange
{
    /** As it is asked: "Give the tag “member”?" */
    public function question(): string;

    /**
     * @param  list<int>  $people
     * @return int for how many of them it is so already
     */
    public function alreadySo(array $people): int;

    /** What it is to rules, for whomever it is done. */
    public function change(): Change;

    /** @return bool whether it was otherwise before */
    public function do(Person $person, ChangeOrigin $origin, \DateTimeImmutable $now): bool;
}
