<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\TestCase;
use Tests\Support\Town;

/** Tests that run the real processes and speak real HTTP; the test itself looks into the same database. */
abstract class TownTestCase extends TestCase
{
    public $mockConsoleOutput = false;

    protected Town $town;

    protected function setUp(): void
    {
        parent::setUp();
        $this->town = new Town;
    }

    protected function tearDown(): void
    {
        $this->town->close();
        parent::tearDown();
    }
}
