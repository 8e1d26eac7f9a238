<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Role;
use App\Models\Rule;
use App\Models\Staff;
use Tests\Feature\TestCase;

/** An administrator at the rule that answers a missed call. */
abstract class FrontDeskTestCase extends TestCase
{
    protected Rule $rule;

    protected Staff $staff;

    protected function setUp(): void
    {
        parent::setUp();
        $this->rule = Rule::query()->where('name', 'like', 'Front desk%')->firstOrFail();
        $this->staff = $this->staff(Role::Administrator);
        $this->actingAs($this->staff);
    }

    /** Wen calls and nobody takes it: the rule has somebody in it. */
    protected function missedByWen(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
    }
}
