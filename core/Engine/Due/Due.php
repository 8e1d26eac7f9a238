<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Due;

/**
 * A moment that was waited for and is there.
 *
 * @phpstan-sealed DueRun|DueText|DueStart|DueBroadcast
 */
interface Due
{
}
