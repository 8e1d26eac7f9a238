<?php

declare(strict_types=1);

namespace App\Exports;

use App\Models\Message;
use App\Sentences\Sentence;
use Illuminate\Database\Eloquent\Builder;

/** Texts, out and in, as rows of a file: each with its fate, its price and the reason. */
final class MessageRows
{
    public const HEADINGS = [
        'When', 'Direction', 'Person', 'Number', 'Line', 'Text', 'What became of it', 'Why', 'By', 'Parts', 'Price', 'Currency', 'Wanted',
        'Left', 'Fate',
    ];

    /**
     * @param  Builder<Message>  $query  ordered
     * @return \Generator<int, list<string|int|float|null>>
     */
    public static function of(Builder $query, string $zone): \Generator
    {
        $in = new \DateTimeZone($zone);
        $time = fn (?\DateTimeImmutable $at): ?string => $at?->setTimezone($in)->format(DATE_ATOM);
        foreach ($query->with(['person.number', 'line', 'rule', 'staff'])->lazy(500) as $text) {
            yield [
                $time($text->at), $text->isInbound() ? 'in' : 'out', $text->person->name(), $text->number, $text->line->name, $text->body,
                $text->state->word(), $text->reason === null ? null : Sentence::of($text->reason),
                $text->staff->name ?? ($text->rule->name ?? null), $text->parts,
                $text->currency === null ? null : $text->price_micros / 1e6, $text->currency, $time($text->wanted_at),
                $time($text->left_at), $time($text->status_at),
            ];
        }
    }
}
