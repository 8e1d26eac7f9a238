<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Due;

use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Published;

/** A rule may begin by itself for a subject. */
final readonly class DueStart implements Due
{
    /** @param  string  $id  of what comes of it, which nothing else has */
    public function __construct(public Published $published, public Subject $subject, public \DateTimeImmutable $at, public string $id)
    {
    }
}
