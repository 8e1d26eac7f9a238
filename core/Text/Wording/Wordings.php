<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Wording;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Reason;

/** 1 to 100 wordings of a text, its own or a shared pool's, and how they take turns. */
final readonly class Wordings
{
    /**
     * @param  list<Wording>  $own  empty where a pool gives them
     * @param  Wording|null  $closing  what is said when all are used up: by everybody, and with no repeat by this person; null for
     *   nothing, or with no repeat for beginning anew
     */
    private function __construct(public array $own, public ?string $pool, public Turns $turns, public ?Wording $closing)
    {
    }

    /** Reads "wordings" or "pool", "turns" and "closing" of a step. */
    public static function read(Doc $doc): self
    {
        if ($doc->has('wordings') && $doc->has('pool')) {
            throw Unreadable::at("$doc->path.pool", 'wordings_or_pool');
        }
        /** @var array{list<Wording>, string|null, Turns, Wording|null} $read */
        $read = $doc->gather([
            fn (): array => $doc->has('pool') ? [] : self::list($doc, 'wordings'),
            fn (): ?string => $doc->has('pool') ? $doc->name('pool') : null,
            fn (): Turns => $doc->has('turns') ? $doc->choice('turns', Turns::class) : Turns::First,
            fn (): ?Wording => $doc->has('closing') ? Wording::read($doc->object('closing')) : null,
        ]);

        return new self(...$read);
    }

    /** @return non-empty-list<Wording> each with an id of its own */
    public static function list(Doc $doc, string $key): array
    {
        /** @var non-empty-list<Wording> $list */
        $list = $doc->each($key, Wording::read(...), 1, 100);
        $problems = [];
        foreach (array_count_values(array_column($list, 'id')) as $id => $times) {
            if ($times > 1) {
                $problems[] = new Problem("$doc->path.$key", new Reason('document.wording_twice', ['id' => (string) $id]));
            }
        }

        return $problems === [] ? $list : throw new Unreadable($problems);
    }

    /**
     * The wording of one text: the same seed and use give the same.
     *
     * @param  list<Wording>  $pool  those of the shared pool, where the text has none of its own
     * @param  int  $round  how often the run has come past here, from 1
     * @return Wording|null null where all are used up and nothing closes
     */
    public function choose(array $pool, Used $used, string $seed, int $round): ?Wording
    {
        $all = $this->pool === null ? $this->own : $pool;
        $left = array_values(
            array_filter($all, fn (Wording $one): bool => $one->most === null || ($used->times[$one->id] ?? 0) < $one->most),
        );
        if ($this->turns === Turns::NoRepeat && $this->closing !== null) {
            $left = array_values(array_filter($left, fn (Wording $one): bool => ($used->byPerson[$one->id] ?? 0) === 0));
        }
        if ($left === []) {
            return $this->closing;
        }

        return match ($this->turns) {
            Turns::First => $left[0],
            Turns::InTurn => self::least($left, $used->times)[0],
            Turns::ByRound => $left[($round - 1) % count($left)],
            Turns::ByWeight => self::byWeight($left, $seed),
            Turns::NoRepeat => self::byWeight(self::least($left, $used->byPerson), $seed),
        };
    }

    /**
     * Whether one of them may be sent so often and no more.
     *
     * @param  list<Wording>  $pool  as for choosing
     */
    public function isLimited(array $pool): bool
    {
        return array_filter($this->pool === null ? $this->own : $pool, fn (Wording $one): bool => $one->most !== null) !== [];
    }

    /** Whether the choice depends on what was sent before. */
    public function counts(): bool
    {
        return $this->turns === Turns::InTurn || $this->turns === Turns::NoRepeat || $this->pool !== null || $this->isLimited([]);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ($this->pool === null
            ? ['wordings' => array_map(fn (Wording $one): array => $one->toDocument(), $this->own)]
            : ['pool' => $this->pool]) +
            ($this->turns === Turns::First ? [] : ['turns' => $this->turns->value]) +
            ($this->closing === null ? [] : ['closing' => $this->closing->toDocument()]);
    }

    /**
     * Those used least, in their order.
     *
     * @param  non-empty-list<Wording>  $wordings
     * @param  array<string, int>  $times
     * @return non-empty-list<Wording>
     */
    private static function least(array $wordings, array $times): array
    {
        $least = min(array_map(fn (Wording $one): int => $times[$one->id] ?? 0, $wordings));

        /** @var non-empty-list<Wording> */
        return array_values(array_filter($wordings, fn (Wording $one): bool => ($times[$one->id] ?? 0) === $least));
    }

    /** @param  non-empty-list<Wording>  $wordings */
    private static function byWeight(array $wordings, string $seed): Wording
    {
        $total = array_sum(array_column($wordings, 'weight'));
        if ($total === 0) {
            return $wordings[0];
        }
        $point = crc32("wording $seed") % $total;
        foreach ($wordings as $one) {
            $point -= $one->weight;
            if ($point < 0) {
                return $one;
            }
        }

        return $wordings[0];
    }
}
