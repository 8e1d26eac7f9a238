<?php

declare(strict_types=1);

namespace App\Pages\Conversations;

use App\Database\SaidIndex;
use App\Models\Message;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\HtmlString;
use Illuminate\Support\Str;

/** Everything that was said, by its words: each begins so, all of them stand in one text, the newest first. */
final readonly class SaidSearch
{
    private const AT_ONCE = 20;

    /** A word as short as this is meant as it stands: too many begin so. */
    private const SHORT = 2;

    /** Among so many of the newest it is looked first; among more where the first say it often enough. */
    private const NEWEST = [120, 500];

    /** Of what is said more often than that a page is soon full. */
    private const MANY = 20_000;

    private const CATCH_UP = 4;

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
        if ($this->words === []) {
            return null;
        }
        $page = Paginator::resolveCurrentPage('said');
        $past = ($page - 1) * self::AT_ONCE;
        $ids = DB::getDriverName() === 'pgsql' ? $this->onPostgres($past) : $this->onSqlite($past);
        $texts = Message::query()->whereKey($ids)->with(['person.number', 'line'])->orderByDesc('id')->get();

        return (new Paginator($texts, self::AT_ONCE, $page, ['path' => Paginator::resolveCurrentPath(), 'pageName' => 'said']))
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

    /** @return list<int> one more than a page, the newest first: the index's rows come in their order */
    private function onSqlite(int $past): array
    {
        // What was said just now too; where much is left, the newest of it.
        for ($i = 0; $i < self::CATCH_UP && SaidIndex::catchUp() > 0; $i++);

        return self::ids(DB::select('select rowid as id from said where said match ? order by rowid desc limit ? offset ?', [
            $this->asked(' ', '"%s"', '*'), self::AT_ONCE + 1, $past,
        ]));
    }

    /**
     * Among the newest, where what many say fills a page; else all that the index finds, in order; else the newest first, until it is full.
     *
     * @return list<int> one more than a page, the newest first
     */
    private function onPostgres(int $past): array
    {
        // As the index says it that holds those alone.
        $said = "left_at is not null or origin = 'them'";
        $match = "to_tsvector('simple', said_plainly(body)) @@ to_tsquery('simple', said_plainly(?))";
        $words = $this->asked(' & ', "'%s'", ':*');
        $page = [self::AT_ONCE + 1, $past];
        foreach (self::NEWEST as $among) {
            $newest = DB::select("select id from (select id, body from messages where $said order by id desc limit ?) as newest
                where $match order by id desc limit ? offset ?", [$among, $words, ...$page]);
            if (count($newest) > self::AT_ONCE) {
                return self::ids($newest);
            }
            if ($newest === [] || ($past + count($newest)) * max(self::NEWEST) < $among * ($past + self::AT_ONCE)) {
                break;
            }
        }
        $found = DB::select("with hits as materialized (select id from messages where ($said) and $match limit ?)
            select id, (select count(*) from hits) as many from hits order by id desc limit ? offset ?", [
            $words, self::MANY + 1, ...$page,
        ]);

        return self::ids((int) ($found[0]->many ?? 0) <= self::MANY ? $found : DB::select(
            "select id from messages where ($said) and $match order by id desc limit ? offset ?", [$words, ...$page],
        ));
    }

    /**
     * @param  array<array-key, mixed>  $rows
     * @return list<int>
     */
    private static function ids(array $rows): array
    {
        return array_values(array_map(intval(...), array_column($rows, 'id')));
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
