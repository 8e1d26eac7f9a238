<?php

declare(strict_types=1);

namespace App\Outside;

/** Whether mail goes anywhere: a mailer that only writes to a log, or keeps it in memory, sends nothing. */
final class Mailbox
{
    private const NOWHERE = ['log', 'array', 'null'];

    public static function isThere(): bool
    {
        $mailer = config()->string('mail.default');
        $transport = config("mail.mailers.$mailer.transport", $mailer);
        // Several behind one another are there if one of them is.
        $behind = array_map(
            fn (mixed $name): mixed => config("mail.mailers.$name.transport", $name),
            in_array($transport, ['failover', 'roundrobin'], true) ? (array) config("mail.mailers.$mailer.mailers") : [$mailer],
        );

        return array_diff($behind, self::NOWHERE) !== [];
    }
}
