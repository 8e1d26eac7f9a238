<?php

declare(strict_types=1);

namespace Linnet\Core\Document;

use Linnet\Core\CoreError;
use Linnet\Core\Reason;

/** A document that does not follow its format, with everything that was found wrong. */
final class Unreadable extends \DomainException implements CoreError
{
    /** How many are told in the message of the exception itself. */
    private const TOLD = 20;

    /** @param  non-empty-list<Problem>  $problems */
    public function __construct(public readonly array $problems)
    {
        $more = count($problems) - self::TOLD;
        parent::__construct(
            implode('; ', array_map(fn (Problem $p): string => $p->path.': '.$p->reason->code, array_slice($problems, 0, self::TOLD))).
                ($more > 0 ? "; and $more more" : ''),
        );
    }

    /** @param  array<string, scalar|list<string>>  $with */
    public static function at(string $path, string $code, array $with = []): self
    {
        return self::of($path, new Reason("document.$code", $with));
    }

    public static function of(string $path, Reason $reason): self
    {
        return new self([new Problem($path, $reason)]);
    }

    public function reason(): Reason
    {
        return $this->problems[0]->reason->with(['path' => $this->problems[0]->path]);
    }
}
