<?php

declare(strict_types=1);

namespace App\Pages\Conversations;

use App\Models\Message;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\HtmlString;
use Illuminate\Support\Str;

/** Everything that was said, by its words: each begins so, all of them stand in one text, the newest first. */
final readonly class SaidSearch
{
    private const AT_ONCE = 20;

    /** A word as short as this is meant as it stands: too many begin so. */
    private const SHORT = 2;

    private const AROUND = 40;

    /** @var list<string> */
    private array $words;

    public function __construct(string $typed)
    {
        preg_match_all('/[\p{L}\p{N}]+/u', mb_strtolower($typed, 'UTF-8'), $found);
        $this->words = array_slice($found[0], 0, 10);
    }

    /** @return Paginator<int, Message>|null null where there is no word to look for */
    public function find(): ?Paginator
    {
        return $this->words === [] ? null : $this->said()
            ->with(['person.number', 'line'])
            ->simplePaginate(self::AT_ONCE, pageName: 'said')
            ->withQueryString();
    }

    /** A text where its first hit stands, the hits marked. */
    public function marked(string $body): HtmlString
    {
        $any = '(?<![\p{L}\p{N}])('.implode('|', array_map(fn (string $word): string => preg_quote($word, '/'), $this->words)).')';
        $first = preg_match("/$any/iu", $body, $hit) === 1 ? $hit[1] : '';
        $shown = Str::excerpt($body, $first, ['radius' => self::AROUND]) ?? $body;
        $pieces = preg_split("/$any/iu", $shown, flags: PREG_SPLIT_DELIM_CAPTURE) ?: [$shown];

        return new HtmlString(implode('', array_map(
            fn (string $piece, int $i): string => $i % 2 === 1 ? '<mark>'.e($piece).'</mark>' : e($piece), $pieces, array_keys($pieces),
        )));
    }

    /** @return Builder<Message> */
    private function said(): Builder
    {
        if (DB::getDriverName() === 'pgsql') {
            return Message::query()
                // As the index says it that holds those alone.
                ->whereRaw("(left_at is not null or origin = 'them')")
                ->whereRaw("to_tsvector('simple', said_plainly(body)) @@ to_tsquery('simple', said_plainly(?))", [
                    $this->asked(' & ', "'%s'", ':*'),
                ])
                ->orderByDesc('id');
        }

        // The index leads: its rows come in their order, and no more of them are read than are shown.
        return Message::query()
            ->fromRaw('said cross join messages on messages.id = said.rowid')
            ->whereRaw('said match ?', [$this->asked(' ', '"%s"', '*')])
            ->select('messages.*')
            ->orderByDesc('said.rowid');
    }

    /** The words as a database is asked for them: letters and digits alone, none of which means anything to it. */
    private function asked(string $and, string $word, string $beginsSo): string
    {
        return implode($and, array_map(
            fn (string $one): string => sprintf($word, $one).(mb_strlen($one, 'UTF-8') > self::SHORT ? $beginsSo : ''),
            $this->words,
        ));
    }
}
