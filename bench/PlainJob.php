<?php

declare(strict_types=1);

namespace Bench;

use App\Models\Conversation;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Person;
use App\Models\Trace;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\TextKind;

/** The yardstick: one text as a plain delayed job that writes the same rows, as one would write it with models and no engine. */
final class PlainJob implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public function __construct(public readonly int $personId)
    {
    }

    public function handle(): void
    {
        DB::transaction(function (): void {
            $person = Person::query()->with('number')->findOrFail($this->personId);
            $now = now()->toImmutable();
            $conversation = Conversation::query()->firstOrCreate(['person_id' => $person->id, 'line_id' => 1], ['last_at' => $now]);
            $message = Message::query()->create([
                'name' => "plain/$this->personId", 'origin' => MessageOrigin::Rule, 'state' => MessageState::Ready,
                'person_id' => $person->id, 'line_id' => 1, 'conversation_id' => $conversation->id, 'kind' => TextKind::Service,
                'number' => $person->number?->e164, 'body' => "Hello {$person->called()}, it is Osier as ever.", 'wanted_at' => $now,
                'left_at' => $now, 'at' => $now,
            ]);
            $conversation->update(['last_message_id' => $message->id, 'last_at' => $now]);
            Trace::note(new Reason('run.finished'), $now, ['person_id' => $person->id, 'message_id' => $message->id]);
        });
    }
}
