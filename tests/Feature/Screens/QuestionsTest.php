<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Record;
use App\Models\Role;
use App\Models\Rule;
use Illuminate\Support\Facades\DB;
use Tests\Feature\TestCase;

/** What the pages ask of the database. */
final class QuestionsTest extends TestCase
{
    use EveryRoute;

    public function testNoPageAsksTheSameTwice(): void
    {
        $this->oneOfEach();
        $twice = [];
        foreach ($this->asked() as $page => $questions) {
            foreach (array_count_values($questions) as $question => $times) {
                // What two lists name is fetched by its key for each; and what also works without a page asks for the business itself.
                $may = match (true) {
                    preg_match('/"(id|key)" = \?|_?id" in \(\d|where 0 = 1/', $question) === 1 => 9,
                    str_contains($question, 'from "businesses"') => 2,
                    default => 1,
                };
                $times <= $may || $twice[] = "$page asks $times times: $question";
            }
        }

        self::assertSame([], $twice);
    }

    public function testNoPageAsksOnceMoreForEachRowMore(): void
    {
        $this->oneOfEach();
        $this->more(1, 3);
        $this->asked();
        $few = array_map(count(...), $this->asked());
        $this->more(4, 13);

        self::assertSame($few, array_map(count(...), $this->asked()));
    }

    /** @return array<string, list<string>> by page, every query it ran with its values */
    private function asked(): array
    {
        $this->actingAs($this->staff(Role::Administrator));
        $asked = [];
        foreach ($this->ownRoutes() as $route) {
            if (in_array('GET', $route->methods(), true)) {
                DB::flushQueryLog();
                DB::enableQueryLog();
                $this->get($this->urlOf($route));
                $asked[(string) $route->getName()] = array_values(array_map(
                    fn (array $query): string => $query['query'].' '.json_encode($query['bindings']),
                    DB::getQueryLog(),
                ));
            }
        }

        return $asked;
    }

    /** People who rang or wrote, more of one of them, and more of whatever else is listed. */
    private function more(int $from, int $to): void
    {
        foreach (range($from, $to) as $n) {
            $rule = Rule::query()->whereNotNull('version_id')->firstOrFail()->replicate();
            $rule->fill(['key' => "again-$n", 'name' => "Again $n"])->save();
            $listed = ['sources' => 'key', 'forms' => 'key', 'pools' => 'name', 'notices' => 'name', 'tasks' => 'name'];
            foreach ($listed as $table => $unique) {
                $row = (array) DB::table($table)->first();
                DB::table($table)->insert([$unique => "more-$n"] + array_diff_key($row, ['id' => 1]));
            }
            $deal = Record::query()->whereKey($this->named['record'])->firstOrFail()->replicate();
            $deal->fill(['external_id' => "more-$n"])->save();
            $this->missedCall(sprintf('+447700900%03d', 500 + $n));
            $this->textFrom(sprintf('+447700900%03d', 400 + $n), 'Do you open on Sunday?');
            $this->missedCall(self::WEN);
            $this->textFrom(self::WEN, "And on day $n?");
        }
        $this->work();
        $this->forecast();
    }
}
