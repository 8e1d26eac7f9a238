<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Line;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Run;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

/** Which word does what; what is said of a text that is tried is what becomes of it when it comes. */
final class KeywordsTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Artisan::call('linnet:rules', [
            'what' => 'import', 'paths' => [base_path('demo/rules/word-kayak.json'), base_path('demo/rules/word-level.json')],
        ]);
        Rule::query()->whereIn('key', ['word-kayak', 'word-level'])->update(['power' => 'on']);
        $this->actingAs($this->staff(Role::Viewer));
    }

    public function testWordsAreListedWithWhatTheyBroughtAndWhoseTheyAreToo(): void
    {
        $kayak = Rule::query()->where('key', 'word-kayak')->sole();
        $this->textFrom(self::WEN, 'kayak');
        $this->work();
        $began = Run::query()->where('rule_id', $kayak->id)->count();
        self::assertGreaterThan(0, $began);
        $this->get('/keywords')->assertSee($kayak->name)->assertSee('KAYAK')->assertDontSee('only one of them can be on');

        $other = $kayak->replicate(['key']);
        $other->fill(['name' => 'Kayaks, again', 'power' => 'paused', 'key' => null])->save();
        $this->get('/keywords')->assertSee('only one of them can be on')->assertSee('Kayaks, again');
    }

    #[DataProvider('texts')]
    public function testWhatATextWouldBeTakenForIsWhatItIsTakenFor(string $text, string $says, string $meaning): void
    {
        $this->tried($text)->assertSee($says)->assertSee('Nothing was sent');
        self::assertSame(0, Run::query()->count());
        $this->textFrom(self::WEN, $text);
        $this->assertDatabaseHas('messages', ['body' => $text, 'meaning' => $meaning]);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function texts(): iterable
    {
        yield 'a stop' => ['Stop', 'It is a stop: nothing is sent to them any more', 'opt_out'];
        yield 'the end of a stop' => ['START', 'It ends a stop', 'opt_in'];
        yield 'help' => ['help', 'It asks for help', 'help'];
        yield 'what reads like a stop' => ['please stop texting me', 'It reads like a stop', 'likely_opt_out'];
        yield 'a keyword' => ['kayak', 'It starts “', 'keyword'];
        yield 'talk' => ['Is the quay open?', 'It starts nothing, and waits for one of the staff', 'talk'];
    }

    public function testANumberThatNobodyHasIsSaidAtItsField(): void
    {
        $try = fn (string $number): TestResponse => $this->get(route('keywords', ['text' => 'kayak', 'number' => $number]));
        $try('soon')->assertSessionHasErrors(['number' => 'That is no telephone number.']);
        $try('07700 900999')->assertSessionHasErrors(['number' => 'Nobody we know has that number. Leave it empty for a stranger.']);
        $try(self::WEN)->assertOk()->assertSee('It starts “');
    }

    /** @return TestResponse<Response> */
    private function tried(string $text): TestResponse
    {
        $line = Line::query()->where('number', self::FRONT_DESK)->value('id');

        return $this->get(route('keywords', ['text' => $text, 'line' => $line]))->assertOk();
    }
}
