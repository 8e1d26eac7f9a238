<?php

declare(strict_types=1);

namespace App\View;

use App\Engine\Profiles;
use App\Models\Business;
use App\Models\Consent;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Person;
use App\Models\Run;
use Illuminate\Database\Eloquent\Collection;
use Linnet\Core\Record\Receiver;
use Psr\Clock\ClockInterface;

/** Who is this, what have they had, may I text them? */
final class PersonPage
{
    public Person $person;

    public Receiver $receiver;

    public \DateTimeImmutable $now;

    public function __construct(private readonly Profiles $profiles, ClockInterface $clock)
    {
        $this->now = $clock->now();
    }

    public function about(Person $person): self
    {
        $this->person = $person->load('numbers', 'number');
        $this->receiver = $this->profiles->receiver($person, Business::ours());

        return $this;
    }

    /** @return Collection<int, Consent> the newest first */
    public function ledger(): Collection
    {
        return Consent::query()->where('person_id', $this->person->id)->orderByDesc('id')->limit(50)->get();
    }

    /** @return Collection<int, Run> */
    public function underWay(): Collection
    {
        return Run::query()->where('person_id', $this->person->id)->where('live', true)->with(['rule', 'timer', 'version'])->orderBy('id')->get();
    }

    /** @return Collection<int, Message> */
    public function coming(): Collection
    {
        return Message::query()->where('person_id', $this->person->id)->whereIn('state', [MessageState::Waiting, MessageState::SetAside])
            ->with('rule')->orderBy('at')->get();
    }

    /** @return Collection<int, Conversation> */
    public function conversations(): Collection
    {
        return Conversation::query()->where('person_id', $this->person->id)->with('line')->orderByDesc('last_at')->get();
    }

    public function story(): Story
    {
        return Story::of($this->person, Business::ours()->zone);
    }
}
