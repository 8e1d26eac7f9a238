<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** Somebody texted, and it was taken for a keyword of one rule. */
final readonly class TextReceived implements Change
{
    /**
     * @param  string|null  $ruleId  the rule whose keyword it is; null for none
     * @param  string  $line  key of the line it came to
     * @param  string  $remark  what follows the word
     */
    public function __construct(public ?string $ruleId, public string $line, public string $text, public string $remark = '')
    {
    }
}
