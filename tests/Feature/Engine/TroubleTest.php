<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Database\Trouble;
use App\Models\PutAside;
use App\Models\Role;
use App\Models\Run;
use App\Models\Sign;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;
use Tests\Support\Databases;

/** What the database is to blame for is waited for; what fails by itself, alone, twice, is put aside and can be tried again. */
final class TroubleTest extends TestCase
{
    private const PRIYA = '+447700900308';

    /** @param  array{string, int, string}|null  $info */
    #[DataProvider('errors')]
    public function testWhoIsToBlame(?array $info, string $says, bool $passes): void
    {
        $e = new \PDOException($says);
        $e->errorInfo = $info;

        self::assertSame($passes, Trouble::passes($e));
        self::assertSame($passes, Trouble::passes(new QueryException('sqlite', 'update x', [], $e)), 'whatever layer it comes from');
        self::assertSame($passes, Trouble::passes(new \RuntimeException('while it was at work', 0, $e)));
    }

    /** @return iterable<string, array{array{string, int, string}|null, string, bool}> */
    public static function errors(): iterable
    {
        yield 'busy' => [['HY000', 5, 'database is locked'], 'SQLSTATE[HY000]: General error: 5 database is locked', true];
        yield 'busy, at BEGIN' => [null, 'SQLSTATE[HY000]: General error: 5 database is locked', true];
        yield 'full' => [['HY000', 13, 'database or disk is full'], 'SQLSTATE[HY000]: General error: 13 database or disk is full', true];
        yield 'read-only' => [
            ['HY000', 8, 'attempt to write a readonly database'],
            'SQLSTATE[HY000]: General error: 8 attempt to write a readonly database',
            true,
        ];
        yield 'trouble of writing, by its extended code' => [
            ['HY000', 778, 'disk I/O error'],
            'SQLSTATE[HY000]: General error: 778 disk I/O error',
            true,
        ];
        yield 'not to be opened' => [
            ['HY000', 14, 'unable to open database file'],
            'SQLSTATE[HY000] [14] unable to open database file',
            true,
        ];
        yield 'deadlock' => [['40P01', 7, 'deadlock detected'], 'SQLSTATE[40P01]: Deadlock detected', true];
        yield 'a full disk of PostgreSQL' => [['53100', 7, 'could not extend file'], 'SQLSTATE[53100]: Disk full', true];
        yield 'lost' => [
            ['08006', 7, 'server closed the connection unexpectedly'],
            'SQLSTATE[08006] [7] server closed the connection unexpectedly',
            true,
        ];
        yield 'taken down' => [['57P01', 7, 'terminating connection'], 'SQLSTATE[57P01]: Admin shutdown', true];
        yield 'a value that is there twice' => [
            ['23000', 19, 'UNIQUE constraint failed'],
            'SQLSTATE[23000]: Integrity constraint violation: 19 UNIQUE constraint failed',
            false,
        ];
        yield 'no such table' => [['HY000', 1, 'no such table'], 'SQLSTATE[HY000]: General error: 1 no such table', false];
        yield 'too large a number' => [['22003', 7, 'out of range'], 'SQLSTATE[22003]: Numeric value out of range', false];
    }

    public function testWhatFailsAloneTwiceIsPutAsideAndTheRestIsDone(): void
    {
        $this->breakFor(self::PRIYA);
        foreach ([self::WEN, self::PRIYA, '+447700900315'] as $caller) {
            $this->missedCall($caller);
        }
        $this->work();

        self::assertSame([2, 1], [Run::query()->count(), PutAside::query()->count()]);
        $this->actingAs($this->staff(Role::Administrator))
            ->get('/today')
            ->assertSee('What happened about Priya')
            ->assertSee('It was tried twice and put aside')
            ->assertSee('the ink has run')
            ->assertDontSee('insert into');
        // Tried again while it still fails, it comes back; once it is mended, it is done.
        $this->post(route('put-asides.again', PutAside::query()->sole()))->assertRedirect();
        $this->work();
        self::assertSame([2, 1], [Run::query()->count(), PutAside::query()->count()]);
        Databases::mend('runs');
        $this->post(route('put-asides.again', PutAside::query()->sole()))->assertRedirect();
        $this->work();
        self::assertSame([3, 0], [Run::query()->count(), PutAside::query()->count()]);
    }

    public function testADueMomentThatFailsIsKeptWithItsMoment(): void
    {
        foreach ([self::WEN, self::PRIYA] as $caller) {
            $this->missedCall($caller);
        }
        $this->work();
        Databases::break('messages', 'the ink has run', $this->person(self::PRIYA)->id);
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));
        self::assertSame('timer', PutAside::query()->sole()->kind);

        Databases::mend('messages');
        PutAside::query()->sole()->tryAgain();
        $this->work();
        self::assertSame([self::WEN, self::PRIYA], array_column($this->handedOver, 'to'));
    }

    public function testTodaySaysWhatIsLateAndThatTheWorkerIsGone(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        DB::table('signs')->insert(['worker' => Sign::ENGINE, 'at' => gmdate('Y-m-d H:i:s', time() - 600)]);
        $this->travelToMoment('2026-03-02 10:30');

        $this->actingAs($this->staff(Role::Administrator))
            ->get('/today')
            ->assertSeeText('one thing is late')
            ->assertDontSee('nothing more is to come')
            ->assertSee('Linnet’s worker has not been seen for')
            ->assertSee('Rules start nothing and no text is made')
            ->assertSee('the oldest since 10:02')
            ->assertSee('php artisan linnet:work');
        DB::table('signs')->update(['at' => gmdate('Y-m-d H:i:s')]);
        $this->get('/today')->assertSee('Linnet is behind')->assertDontSee('has not been seen');
        $this->work();
        $this->get('/today')->assertDontSee('late')->assertDontSee('Linnet is behind');
    }

    private function breakFor(string $number): void
    {
        Databases::break('runs', 'the ink has run', $this->person($number)->id);
    }
}
