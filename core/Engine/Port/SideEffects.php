<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Port;

use Linnet\Core\Engine\Cause;
use Linnet\Core\Engine\Effect\SetLabel;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\Staff;

/** What a run does besides texting. Each deed is done once by its name. */
interface SideEffects
{
    /**
     * @param  array<string, scalar|null>  $own  of the person, by field
     * @param  array<string, scalar|null>  $values  of the record, by field; empty where none is set
     */
    public function setFields(Run $run, array $own, ?Record $record, array $values, Cause $cause): void;

    public function setLabel(Run $run, SetLabel $effect, Cause $cause): void;

    /** A notice on the screen; to everybody where nobody is named. */
    public function notice(Run $run, string $name, ?Staff $to, string $words): void;

    public function email(Run $run, string $name, string $address, string $words): void;

    public function task(Run $run, string $name, ?Staff $for, string $words, ?\DateTimeImmutable $dueAt): void;

    public function lookUp(Run $run, string $name, string $number): void;

    /** @param  array<array-key, mixed>  $body */
    public function post(Run $run, string $name, string $address, array $body): void;

    public function requestStart(Run $run, Published $rule, Cause $cause): void;
}
