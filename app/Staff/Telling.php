<?php

declare(strict_types=1);

namespace App\Staff;

use App\Jobs\OutboundTaskQueue;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\OutboundTaskKind;
use App\Models\Person;
use App\Models\Staff;
use App\Outside\Mailbox;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Record\ActivationState;

/** Tells one of the staff something: on their screen until they put it away, by mail where that is set up, and by text if they like. */
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
        if ($to->mailed) {
            $this->mail($to->email, $name, $words, $person, $conversation, $now);
        }
        $line = $to->texted && $to->number !== null && $to->number_confirmed_at !== null ? self::line() : null;
        if ($line !== null) {
            OutboundTaskQueue::add("$name/text", OutboundTaskKind::Text, (string) $to->number, [
                'line' => $line->id, 'words' => Str::limit($words, 200).' '.self::look($person, $conversation),
            ], null, null, $person->id, $now);
        }
    }

    /** By mail alone, to somebody of the staff or a mailbox of theirs. */
    public function mail(
        string $address,
        string $name,
        string $words,
        Person $person,
        ?Conversation $conversation,
        \DateTimeImmutable $now,
    ): void {
        if (Mailbox::isThere()) {
            OutboundTaskQueue::add($name, OutboundTaskKind::Email, $address, [
                'subject' => "About {$person->name()}",
                'words' => "$words\n\nAnswer in Linnet, not to this mail: ".self::look($person, $conversation),
            ], null, null, $person->id, $now);
        }
    }

    /** Where they look at it. */
    private static function look(Person $person, ?Conversation $conversation): string
    {
        return $conversation === null ? route('people.show', $person) : route('conversations.show', $conversation);
    }

    private static function line(): ?Line
    {
        return Line::query()->where('power', ActivationState::On)->whereNotNull('number')->orderBy('id')->first();
    }
}
