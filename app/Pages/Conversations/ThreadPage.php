<?php

declare(strict_types=1);

namespace App\Pages\Conversations;

use App\Conversations\Writers;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\Staff;
use App\Pages\Story;
use App\Pages\StoryReader;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;

/** What was said in a conversation, and who is writing there now: the part of its page that is asked for again and again. */
final readonly class ThreadPage
{
    /** Read over all lines of the person. */
    public bool $isWhole;

    /** The text that is looked for. */
    public ?Message $sought;

    public Story $story;

    /** @var list<string> who else is writing there at this moment */
    public array $writers;

    /** @param  Collection<int, Staff>  $colleagues */
    public function __construct(
        public Conversation $conversation,
        Request $request,
        Staff $me,
        Writers $writers,
        Collection $colleagues,
    ) {
        $zone = Business::current()->zone;
        $conversation->load('person.number', 'line', 'owner', 'hears');
        $this->isWhole = $request->query('lines') === 'all';
        $text = $request->integer('text');
        $this->sought = $this->isWhole || $text === 0 ? null : $conversation->messages()->find($text);
        $this->story = $this->isWhole
            ? StoryReader::ofPerson($conversation->person, $zone)
            : StoryReader::ofConversation($conversation, $zone, $this->sought);
        $this->writers = $writers->others($conversation, $me, $colleagues);
    }

    /** Where it is asked for again: who is first of those who wait may change meanwhile, whom one writes to does not. */
    public function here(): string
    {
        return route('conversations.show', array_filter([
            'conversation' => $this->conversation, 'lines' => $this->isWhole ? 'all' : null, 'text' => $this->sought?->id,
        ]), false);
    }

    /** "Tom Reyes is writing here." */
    public function writing(): string
    {
        return match (count($this->writers)) {
            0 => '',
            1 => "{$this->writers[0]} is writing here too.",
            default => implode(' and ', $this->writers).' are writing here too.',
        };
    }
}
