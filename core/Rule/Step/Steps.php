<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;

final class Steps
{
    public static function read(Doc $doc): Step
    {
        return $doc->oneOf('do', [
            'text' => Text::read(...),
            'wait' => Wait::read(...),
            'go_on_only_if' => GoOnlyIf::read(...),
            'end' => End::read(...),
        ]);
    }
}
