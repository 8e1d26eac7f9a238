<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\CoreError;
use Linnet\Core\Reason;

/** Something that came and cannot be used as it is. */
final class Refused extends \DomainException implements CoreError
{
    private function __construct(private readonly Reason $reason)
    {
        parent::__construct($reason->code);
    }

    /** @param  array<string, scalar|list<string>>  $with */
    public static function because(string $code, array $with = []): self
    {
        return new self(new Reason("intake.$code", $with));
    }

    /**
     * A value that is not what was expected at its place.
     *
     * @param  array<string, scalar|list<string>>  $more
     */
    public static function value(string $code, string $path, mixed $written, array $more = []): self
    {
        $text = is_scalar($written) ? (is_bool($written) ? ($written ? 'true' : 'false') : (string) $written) : gettype($written);

        return self::because($code, ['path' => $path, 'written' => mb_substr(mb_scrub($text, 'UTF-8'), 0, 80, 'UTF-8')] + $more);
    }

    public static function of(Reason $reason): self
    {
        return new self($reason);
    }

    public function reason(): Reason
    {
        return $this->reason;
    }
}
