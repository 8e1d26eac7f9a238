<?php

declare(strict_types=1);

namespace Tests\Feature\View;

use App\View\Rules\RecurrenceSaid;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class RecurrenceSaidTest extends TestCase
{
    #[TestWith(['FREQ=DAILY', 'every day'])]
    #[TestWith(['FREQ=WEEKLY;BYDAY=MO,TH', 'every week on Monday and Thursday'])]
    #[TestWith(['FREQ=MONTHLY;BYDAY=1MO', 'every month on the first Monday'])]
    #[TestWith(['FREQ=MONTHLY;BYDAY=-1FR', 'every month on the last Friday'])]
    #[TestWith(['FREQ=MONTHLY;BYMONTHDAY=1,15', 'every month on day 1 and 15'])]
    #[TestWith(['freq=monthly;interval=3', 'every 3 months'])]
    #[TestWith(['FREQ=YEARLY;COUNT=5', 'every year, 5 times'])]
    #[TestWith(['FREQ=YEARLY;BYSETPOS=2;BYDAY=MO', 'by the rule FREQ=YEARLY;BYSETPOS=2;BYDAY=MO'])]
    public function testARecurrenceInWords(string $rule, string $says): void
    {
        self::assertSame($says, RecurrenceSaid::of($rule));
    }
}
