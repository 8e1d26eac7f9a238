<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** Somebody sent a form in. */
final readonly class FormSent implements Change
{
    public function __construct(public string $form)
    {
    }
}
