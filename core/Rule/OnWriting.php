<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

/** What becomes of a run where one of us writes to its person. */
enum OnWriting: string
{
    case Stop = 'stop';
    /** It keeps its place and does nothing until it is given back. */
    case StandAside = 'stand_aside';
}
