<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;

final class Cleans
{
    /** @throws \Linnet\Core\Document\Unreadable */
    public static function read(Doc $doc): Clean
    {
        return $doc->oneOf('do', [
            'empty_words' => EmptyWords::read(...), 'map' => Map::read(...), 'phone' => Phone::read(...), 'find' => Find::read(...),
            'date' => Written::read(...), 'unix' => Unix::read(...), 'number' => Decimal::read(...), 'cut' => Cut::read(...),
            'letters' => Letters::read(...),
        ]);
    }
}
