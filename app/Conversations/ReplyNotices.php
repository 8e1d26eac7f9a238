<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Models\Business;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\Staff;
use App\Staff\Telling;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Record\Member;
use Linnet\Core\Record\WhoIsTold;

/** Tells those whom it concerns that somebody waits for an answer: once for all that is written until then, each when they are there. */
final readonly class ReplyNotices
{
    /** How its notices are named, as a pattern. */
    public const NAMED = 'reply/%';

    private const AT_ONCE = 100;

    public function __construct(private Telling $telling)
    {
    }

    /**
     * Somebody wrote what a person is to answer.
     *
     * @param  int|null  $ruleStaff  which of us the rule names that they answer
     * @param  string|null  $ruleAddress  the mailbox it names
     */
    public function heard(Conversation $conversation, \DateTimeImmutable $now, ?int $ruleStaff = null, ?string $ruleAddress = null): void
    {
        $theirs = [$conversation->hears_staff_id, $conversation->staff_id, $conversation->person->hears_staff_id];
        $alone = $conversation->line_hears ? [] : [...$theirs, $ruleStaff];
        $address = $conversation->line_hears ? null : $ruleAddress;
        if (array_filter($alone) === []) {
            $this->tellAMailbox($address ?? $conversation->line->tells, $conversation, $now);
            if ($address !== null) {
                return;
            }
        }
        $line = DB::table('line_staff')->where('line_id', $conversation->line_id)->orderBy('staff_id')->pluck('staff_id')->all();
        // Where nobody is on the line, its owner.
        $first = [...$alone, ...$line === [] ? [$conversation->staff_id] : []];
        $told = WhoIsTold::of(
            $first, array_values(array_map(intval(...), $line)), self::members(), $now,
            new \DateTimeZone(Business::current()->zone),
        );
        foreach ($told as $id => $due) {
            DB::table('reply_notices')->insertOrIgnore([
                'conversation_id' => $conversation->id, 'staff_id' => $id, 'due_at' => self::at($due),
            ]);
        }
        $this->tell($this->due($now, $conversation->id), $now);
    }

    /** The rule's mailbox, or the line's, hears at once of what is for nobody alone; once until it is answered. */
    private function tellAMailbox(?string $address, Conversation $conversation, \DateTimeImmutable $now): void
    {
        $since = $conversation->waiting_since;
        if ($address !== null && $since !== null) {
            $conversation->loadMissing('person.number', 'line', 'last');
            $this->telling->mail(
                $address, "reply/line/$conversation->id/{$since->getTimestamp()}", self::says($conversation), $conversation->person,
                $conversation, $now,
            );
        }
    }

    private static function says(Conversation $conversation): string
    {
        $last = self::lastOf($conversation);

        return "{$conversation->person->name()} wrote to the {$conversation->line->name}".($last === '' ? '.' : ": “{$last}”");
    }

    /** Those who are there by now. @return int how many were told */
    public function sendDue(\DateTimeImmutable $now): int
    {
        return DB::transaction(fn (): int => $this->tell($this->due($now), $now));
    }

    /** Nobody waits there any more. */
    public static function answered(int $conversation, \DateTimeImmutable $now): void
    {
        if (DB::table('reply_notices')->where('conversation_id', $conversation)->delete() > 0) {
            DB::table('notices')
                ->where('conversation_id', $conversation)
                ->where('name', 'like', self::NAMED)
                ->whereNull('put_away_at')
                ->update(['put_away_at' => self::at($now)]);
        }
    }

    /** It is somebody's now, who knows of it: whoever would have been told when they are there next is not. */
    public static function taken(int $conversation): void
    {
        DB::table('reply_notices')->where('conversation_id', $conversation)->whereNull('told_at')->delete();
    }

    /** @return list<\stdClass> */
    private function due(\DateTimeImmutable $now, ?int $conversation = null): array
    {
        return array_values(DB::table('reply_notices')
            ->whereNull('told_at')
            ->where('due_at', '<=', self::at($now))
            ->when($conversation !== null, fn ($query) => $query->where('conversation_id', $conversation))
            ->orderBy('due_at')
            ->orderBy('id')
            ->limit(self::AT_ONCE)
            ->lock('for update skip locked')
            ->get()
            ->all());
    }

    /** @param  list<\stdClass>  $due */
    private function tell(array $due, \DateTimeImmutable $now): int
    {
        $conversations = Conversation::query()
            ->whereKey(array_column($due, 'conversation_id'))
            ->with(['person.number', 'line', 'last'])
            ->get()
            ->keyBy('id');
        $staff = Staff::query()->whereKey(array_column($due, 'staff_id'))->whereNull('off_at')->get()->keyBy('id');
        foreach ($due as $one) {
            DB::table('reply_notices')->where('id', $one->id)->update(['told_at' => self::at($now)]);
            $conversation = $conversations[$one->conversation_id] ?? null;
            if ($conversation?->waiting_since !== null && isset($staff[$one->staff_id])) {
                $this->telling->tell(
                    $staff[$one->staff_id], "reply/$one->id", self::says($conversation), $conversation->person, $conversation, $now,
                    answers: true,
                );
            }
        }

        return count($due);
    }

    private static function lastOf(Conversation $conversation): string
    {
        $last = $conversation->last;

        return $last instanceof Message && $last->isInbound() ? Str::limit($last->body, 160) : '';
    }

    /** @return array<int, Member> */
    private static function members(): array
    {
        /** @var Collection<int, Staff> $all */
        $all = Staff::query()->whereNull('off_at')->get()->keyBy('id');

        return $all->map(fn (Staff $one): Member => $one->asMember())->all();
    }

    private static function at(\DateTimeImmutable $moment): string
    {
        return $moment->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s');
    }
}
