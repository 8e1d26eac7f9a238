<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Models\Conversation;
use App\Models\Note;
use App\Models\Person;
use App\Models\Staff;
use App\Staff\Telling;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Text\Words\Mentions;
use Psr\Clock\ClockInterface;

/** What staff write to each other about somebody; whoever is meant by name hears of it. */
final readonly class NoteWriter
{
    public function __construct(private ClockInterface $clock, private Telling $telling)
    {
    }

    /** @return list<Staff> who is told of it */
    public function write(Staff $by, Person $person, ?Conversation $conversation, string $words): array
    {
        return DB::transaction(fn (): array => $this->add($by, $person, $conversation, $words));
    }

    /** @return list<Staff> who is told of it */
    public function handOver(Staff $by, Conversation $conversation, ?Staff $to, string $words): array
    {
        return DB::transaction(function () use ($by, $conversation, $to, $words): array {
            // Whoever it is given to hears of it, whatever was chosen before.
            $conversation->update(['staff_id' => $to?->id, 'hears_staff_id' => null, 'line_hears' => false]);
            $to === null || ReplyNotices::taken($conversation->id);

            return $this->add($by, $conversation->person, $conversation, $words, $to);
        });
    }

    /** @return list<Staff> */
    private function add(Staff $by, Person $person, ?Conversation $conversation, string $words, ?Staff $to = null): array
    {
        $isGiven = $to !== null && $to->id !== $by->id;
        if ($words === '' && ! $isGiven) {
            return [];
        }
        $now = $this->clock->now();
        $note = Note::query()->create([
            'person_id' => $person->id, 'conversation_id' => $conversation?->id, 'staff_id' => $by->id,
            'handed_to_id' => $isGiven ? $to->id : null, 'words' => $words, 'at' => $now,
        ]);
        $colleagues = Staff::query()->whereNull('off_at')->whereKeyNot($by->id)->get()->keyBy('id');
        $meant = array_flip(Mentions::in($words, $colleagues->pluck('name', 'id')->all()));
        $hears = fn (Staff $one): bool => isset($meant[$one->id]) || ($isGiven && $one->id === $to->id);
        $told = array_values($colleagues->filter($hears)->all());
        foreach ($told as $one) {
            $what = $isGiven && $one->id === $to->id ? 'handed you the conversation with' : 'wrote to you about';
            $this->telling->tell(
                $one, "note/$note->id/$one->id", "$by->name $what {$person->name()}".($words === '' ? '.' : ": “{$words}”"), $person,
                $conversation, $now,
            );
        }

        return $told;
    }
}
