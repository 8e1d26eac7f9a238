<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Database\CommitWatch;
use App\Engine\Loop;
use App\Models\Sign;
use Illuminate\Support\Facades\DB;
use Tests\Feature\TestCase;
use Tests\Support\Databases;

/** A worker at rest wakes when somebody else has written, and rests on where nobody has. */
final class LoopTest extends TestCase
{
    public function testWhatOthersCommitIsSeenAndNothingElse(): void
    {
        $seen = $this->watched(function (): array {
            $watch = new CommitWatch;
            $seen = [$watch->hasChanged(), $watch->hasChanged()];
            DB::connection('other')->statement('create table heard (id integer)');
            DB::select('select * from heard');
            $seen = [...$seen, $watch->hasChanged(), $watch->hasChanged()];
            DB::connection('other')->table('heard')->insert(['id' => 1]);

            return [...$seen, $watch->hasChanged(), $watch->hasChanged()];
        });

        // PostgreSQL tells of every write in the whole cluster, of which other tests have databases too.
        Databases::isPostgres()
            ? self::assertSame([true, true], [$seen[2], $seen[4]])
            : self::assertSame([false, false, true, false, true, false], $seen);
    }

    public function testARestEndsWhereSomebodyHasWritten(): void
    {
        $loop = new Loop(Sign::ENGINE, 300_000, false);
        $rounds = 0;
        $began = hrtime(true);
        $round = function () use ($loop, &$rounds): int {
            $rounds++ === 0
                // Too late for this round, and before its rest.
                ? DB::connection('other')->statement('create table heard (id integer)')
                : $loop->end();

            return 0;
        };
        $this->watched(fn () => $loop->run($round));

        self::assertSame(2, $rounds);
        self::assertLessThan(60, (hrtime(true) - $began) / 1e9);
    }

    /** With two connections to one database, which is nobody else's or to which nobody else writes meanwhile. */
    private function watched(\Closure $do): mixed
    {
        Sign::leave(Sign::ENGINE);
        $default = DB::getDefaultConnection();
        $file = (string) tempnam(sys_get_temp_dir(), 'loop');
        $config = config()->array("database.connections.$default");
        $config = Databases::isPostgres() ? $config : ['database' => $file] + $config;
        config(['database.connections.watched' => $config, 'database.connections.other' => $config]);
        DB::setDefaultConnection('watched');
        try {
            return $do();
        } finally {
            DB::connection('other')->statement('drop table if exists heard');
            DB::purge('other');
            DB::purge('watched');
            DB::setDefaultConnection($default);
            unlink($file);
        }
    }
}
