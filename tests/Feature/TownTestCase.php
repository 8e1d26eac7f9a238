<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
use Tests\Support\Town;

/** Tests that run the real processes and speak real HTTP; the test itself looks into the same database. */
abstract class TownTestCase extends TestCase
{
    public $mockConsoleOutput = false;

    protected Town $town;

    protected function setUp(): void
    {
        parent::setUp();
        $this->town = new Town(base_path(), storage_path('framework/testing/town-'.getmypid()));
        config(['database.connections.sqlite.database' => $this->town->env['DB_DATABASE'], 'linnet.demo.clock_file' => $this->town->env['CLOCK_FILE']]);
        DB::purge();
    }

    protected function tearDown(): void
    {
        DB::disconnect();
        $this->town->close();
        parent::tearDown();
    }
}
