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
    /** What is answered by mail stands above it. */
    public const ABOVE = '--- Write above this line ---';

    /**
     * @param  string  $name  unique: told once, however often it is asked for
     * @param  bool  $answers  what is answered to its mail goes to the person: where they have just written, not where a colleague has
     */
    public function tell(
        Staff $to,
        string $name,
        string $words,
        Person $person,
        ?Conversation $conversation,
        \DateTimeImmutable $now,
        bool $answers = false,
    ): void {
        DB::table('notices')->insertOrIgnore([
            'name' => $name, 'staff_id' => $to->id, 'person_id' => $person->id, 'conversation_id' => $conversation?->id,
            'words' => $words, 'at' => $now->format('Y-m-d H:i:s'),
        ]);
        if ($to->mailed) {
            $answer = $answers && $conversation !== null && $to->role->converses() ? ReplyAddress::of($conversation, $to) : null;
            $this->mail($to->email, $name, $words, $person, $conversation, $now, $answer);
        }
        $line = $to->texted && $to->number !== null && $to->number_confirmed_at !== null ? self::line() : null;
        if ($line !== null) {
            OutboundTaskQueue::add("$name/text", OutboundTaskKind::Text, (string) $to->number, [
                'line' => $line->id, 'words' => Str::limit($words, 200).' '.self::look($person, $conversation),
            ], null, null, $person->id, $now);
        }
    }

    /**
     * By mail alone, to somebody of the staff or a mailbox of theirs.
     *
     * @param  string|null  $answer  the address that takes their answer
     */
    public function mail(
        string $address,
        string $name,
        string $words,
        Person $person,
        ?Conversation $conversation,
        \DateTimeImmutable $now,
        ?string $answer = null,
    ): void {
        if (Mailbox::isThere()) {
            OutboundTaskQueue::add($name, OutboundTaskKind::Email, $address, [
                'subject' => "About {$person->name()}",
                'words' => $answer === null
                    ? "$words\n\nAnswer in Linnet, not to this mail: ".self::look($person, $conversation)
                    : self::ABOVE."\n\n$words\n\nWhat you answer to this mail goes to {$person->name()} as a text. Or answer in Linnet: "
                        .self::look($person, $conversation),
                ...$answer === null ? [] : ['reply_to' => $answer],
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
