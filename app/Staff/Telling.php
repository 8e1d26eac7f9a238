<?php

declare(strict_types=1);

namespace App\Staff;

use App\Jobs\OutboundTaskQueue;
use App\Models\Conversation;
use App\Models\OutboundTaskKind;
use App\Models\Person;
use App\Models\Staff;
use App\Outside\Mailbox;
use Illuminate\Support\Facades\DB;

/** Tells one of the staff something: on their screen until they put it away, and by mail where a mailbox is set up. */
final readonly class Telling
{
    /** @param  string  $name  unique: told once, however often it is asked for */
    public function tell(
        Staff $to,
        string $name,
        string $words,
        Person $person,
        ?Conversation $conversation,
        \DateTimeImmutable $now,
    ): void {
        DB::table('notices')->insertOrIgnore([
            'name' => $name, 'staff_id' => $to->id, 'person_id' => $person->id, 'conversation_id' => $conversation?->id,
            'words' => $words, 'at' => $now->format('Y-m-d H:i:s'),
        ]);
        if ($to->mailed && Mailbox::isThere()) {
            $look = $conversation === null ? route('people.show', $person) : route('conversations.show', $conversation);
            OutboundTaskQueue::add($name, OutboundTaskKind::Email, $to->email, [
                'subject' => "About {$person->name()}",
                'words' => "$words\n\nAnswer in Linnet, not to this mail: $look",
            ], null, null, $person->id, $now);
        }
    }
}
