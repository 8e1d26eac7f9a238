<?php

declare(strict_types=1);

namespace App\Engine\Store;

use Illuminate\Support\Facades\DB;

/** What runs will be called that begin in this transaction: they are written once, when it is known how far they came. */
final class RunIds
{
    /** More than are likely to begin together are not asked for. */
    private const MOST = 200;

    /** @var list<int> */
    private array $free = [];

    private int $many = 1;

    /** The last one given out, where they are counted here. */
    private ?int $last = null;

    public function next(): int
    {
        if ($this->free === []) {
            $this->free = $this->ask();
            $this->many = min(self::MOST, 10 * $this->many);
        }

        return array_shift($this->free) ?? throw new \LogicException('there are always more');
    }

    /** @return list<int> */
    private function ask(): array
    {
        if (DB::getDriverName() === 'pgsql') {
            $ids = DB::select("select nextval(pg_get_serial_sequence('runs', 'id')) as id from generate_series(1, ?)", [$this->many]);

            return array_values(array_map(intval(...), array_column($ids, 'id')));
        }
        // Whoever writes is alone here until the transaction ends.
        $this->last ??= (int) DB::table('sqlite_sequence')->where('name', 'runs')->value('seq');
        $first = $this->last + 1;
        $this->last += $this->many;

        return range($first, $this->last);
    }
}
