<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

use Linnet\Core\CoreError;
use Linnet\Core\Reason;

/** A text that cannot be read or cannot be filled in, and the place where. */
final class TemplateError extends \DomainException implements CoreError
{
    /** @param  int  $at characters (code points) before the place */
    private function __construct(public readonly int $at, private readonly Reason $reason)
    {
        parent::__construct($reason->code);
    }

    /** @param  array<string, scalar|list<string>>  $with */
    public static function at(int $at, string $code, array $with = []): self
    {
        return new self($at, new Reason("template.$code", $with));
    }

    public function reason(): Reason
    {
        return $this->reason;
    }
}
