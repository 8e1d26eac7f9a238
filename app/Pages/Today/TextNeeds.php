<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Clock\TimeFormatter;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Sentences\Sentence;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Number\Numbers;

/** Texts that somebody decides about: set aside, cut off, failed, not sent. */
final class TextNeeds
{
    /** @return list<Need> */
    public static function all(\DateTimeImmutable $now): array
    {
        return [...self::setAside(), ...self::cutOff(), ...self::unsent($now)];
    }

    /** @return list<Need> */
    private static function setAside(): array
    {
        $texts = Message::query()->where('state', MessageState::SetAside)->with(['person.number', 'rule'])->orderBy('id')->limit(5)->get();

        return array_values($texts->map(fn (Message $text): Need => new Need(
            'held',
            "A text to {$text->person->name()} was set aside",
            ($text->reason === null ? '' : Sentence::of($text->reason)).' “'.$text->rule?->name.'” waits with it.',
            'Fill in',
            route('people.show', $text->person_id),
            $text,
        ))->all());
    }

    /** @return list<Need> texts of which nobody knows whether they have gone */
    private static function cutOff(): array
    {
        $texts = Message::query()->where('state', MessageState::CutOff)->with(['person.number', 'rule'])->orderBy('id')->limit(5)->get();

        return array_values($texts->map(fn (Message $text): Need => new Need(
            'bad',
            "Nobody knows whether a text to {$text->person->name()} has gone",
            ($text->reason === null ? '' : Sentence::of($text->reason)).' “'.mb_strimwidth($text->body, 0, 90, '…', 'UTF-8').'”',
            'Look',
            route('people.show', $text->person_id),
            acts: [
                new Act('Send it again', route('messages.ask-again', $text)), new Act('It has gone', route('messages.went', $text)),
            ],
        ))->all());
    }

    /**
     * What failed or could not go in the last day: one by one where they are few, else together by their reason.
     *
     * @return list<Need>
     */
    private static function unsent(\DateTimeImmutable $now): array
    {
        $groups = Message::query()
            ->whereNotIn('state', [MessageState::SetAside, MessageState::CutOff])
            ->where('origin', '!=', MessageOrigin::Them)
            // Each by its own index: an “or” over both has none.
            ->whereIn('id', self::troubledSince('at', $now)->union(self::troubledSince('status_at', $now)))
            ->groupBy('state', 'reason->code')
            ->selectRaw('state, count(*) as many, max(id) as newest')
            ->orderByRaw('max(id) desc')
            ->limit(8)
            ->toBase()
            ->get();
        $newest = Message::query()
            ->whereKey($groups->pluck('newest')->all())
            ->with(['person.number', 'rule'])
            ->get()
            ->keyBy('id');

        return array_values($groups->map(function (object $row) use ($newest): Need {
            $text = $newest[$row->newest];
            $failed = $text->state === MessageState::Failed;
            $reason = $text->reason === null ? '' : Sentence::of($text->reason);

            return $row->many > 1
                ? new Need(
                    'bad',
                    ucfirst(TimeFormatter::count((int) $row->many, 'text', 'texts')).($failed ? ' failed' : ' were not sent'),
                    "The last, to {$text->person->name()}: $reason", 'Show them',
                    route('sent.index', ['state' => $text->state->value]),
                )
                : new Need(
                    'bad',
                    ($failed ? 'A text failed to reach ' : 'A text was not sent to ').
                        $text->person->name().
                        ($text->number === null || $text->person->name() === Numbers::pretty($text->number)
                            ? ''
                            : ' ('.Numbers::pretty($text->number).')'),
                    $reason,
                    'Look',
                    route('people.show', $text->person_id),
                    $failed ? $text : null,
                );
        })
            ->all(),
        );
    }

    /**
     * Of the few that are troubled, those of the last day: each by the index of its moment.
     *
     * @return Builder<Message>
     */
    private static function troubledSince(string $moment, \DateTimeImmutable $now): Builder
    {
        return Message::query()->troubled()->where($moment, '>=', $now->modify('-1 day'))->select('id');
    }
}
