<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Wording;

/** How the wordings of a text take turns. */
enum Turns: string
{
    /** Always the first there is. */
    case First = 'first';
    /** One after the other, over everybody. */
    case InTurn = 'in_turn';
    /** By chance, the weightier the oftener. */
    case ByWeight = 'by_weight';
    /** By chance, none twice for one person until all have been used. */
    case NoRepeat = 'no_repeat';
    /** The next one each time round a repeat. */
    case ByRound = 'by_round';
}
