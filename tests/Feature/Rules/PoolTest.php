<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Pool;
use App\Models\Role;
use App\Models\Rule;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

/** Shared wordings and codes, in and out as files. */
final class PoolTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testWordingsComeInAndGoOutAsTheyWereAndAreSentInTurn(): void
    {
        $this->post('/settings/wordings', [
            'name' => 'water-level',
            'file' => self::file("Text;Maximum\r\n\"Low; keep left\";2\r\nThe gauge says {{ pick: \"0.8\" / \"0.9\" }} m;\r\n"),
        ])->assertSessionHas('done', '2 wordings stand in “water-level” now.');
        self::assertSame(
            "\xEF\xBB\xBFtext,maximum\r\n\"Low; keep left\",2\r\n\"The gauge says {{ pick: \"\"0.8\"\" / \"\"0.9\"\" }} m\",\r\n",
            $this->get('/settings/wordings/water-level.csv')->streamedContent(),
        );
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules/word-level.json')], '--on' => true]);
        foreach ([self::WEN, '+447700900308', '+447700900315', '+447700900322', '+447700900329'] as $number) {
            $this->textFrom($number, 'LEVEL');
            $this->work();
        }

        // Two of the first, as many as it may; the gauge takes the rest.
        $sent = array_map(fn (array $text): string => str_contains($text['text'], 'Low') ? 'low' : 'gauge', $this->handedOver);
        self::assertSame(['low', 'gauge', 'low', 'gauge', 'gauge'], $sent);
        $this->delete('/settings/wordings/water-level')->assertSessionHasErrors('pool');
        self::assertSame(1, DB::table('pools')->count());
    }

    #[DataProvider('wrong')]
    public function testAFileThatCannotBeUsedSaysWhereAndChangesNothing(string $content, string $says): void
    {
        $this->post('/settings/wordings', ['name' => 'greetings', 'file' => self::file($content)])->assertSessionHasErrors([
            'file' => $says,
        ]);

        self::assertSame(0, DB::table('pools')->count());
    }

    /** @return iterable<string, array{string, string}> */
    public static function wrong(): iterable
    {
        yield 'no heading' => ["Hello there\n", 'The first row has to name the columns: text, and maximum where there is one.'];
        yield 'no number' => ["text,maximum\nHello,often\n", 'Row 2: “often” is no maximum. A whole number is expected, or nothing.'];
        yield 'words that cannot be read' => [
            "text\nGood\nHello {{ first_name\n",
            'Row 3: This field begins with {{ and never ends. Close it with }}.',
        ];
        yield 'nothing in it' => ["text\n", 'Between 1 and 100 items are expected here.'];
    }

    public function testWordingsAreAddedChangedAndPutInOrderOnScreen(): void
    {
        $this->post('/settings/wordings', ['new' => 'Greetings', 'text' => 'Hello'])->assertSessionHasErrors('new');
        $this->post('/settings/wordings', ['new' => 'greetings', 'text' => 'Hello {{ first_name'])->assertSessionHasErrors('text');
        $this->post('/settings/wordings', ['new' => 'greetings', 'text' => 'Hello'])->assertSessionHasNoErrors();
        $do = fn (array $said) => $this->post('/settings/wordings/greetings', $said);
        $do(['do' => 'add', 'text' => 'Good day', 'most' => 3, 'weight' => 2])->assertSessionHasNoErrors();
        $do(['do' => 'add', 'text' => 'Hello'])->assertSessionHasErrors('text');
        $do(['do' => 'add', 'text' => 'Hi', 'most' => 'often'])->assertSessionHasErrors('most');
        $pool = Pool::query()->where('name', 'greetings')->firstOrFail();
        [$hello, $day] = array_column($pool->wordings, 'id');
        $do(['do' => 'down', 'wording' => $hello]);
        self::assertSame(['Good day', 'Hello'], array_column($pool->refresh()->wordings, 'text'));
        // The same words keep their name, and what was counted for them; others are others.
        $do(['do' => 'change', 'wording' => $day, 'text' => 'Good day', 'most' => 5]);
        $do(['do' => 'change', 'wording' => $hello, 'text' => 'Hello there']);
        self::assertSame(
            [['id' => $day, 'text' => 'Good day', 'most' => 5], ['Hello there', false]],
            [$pool->refresh()->wordings[0], [$pool->wordings[1]['text'], $pool->wordings[1]['id'] === $hello]],
        );
        $do(['do' => 'out', 'wording' => $hello])->assertSessionHasErrors('text');
        $do(['do' => 'out', 'wording' => $pool->wordings[1]['id']])->assertSessionHasNoErrors();
        $do(['do' => 'out', 'wording' => $day])->assertSessionHasErrors('text');
        $this->get('/settings/wordings/greetings')->assertOk()->assertSee('at most 5 times');
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules/word-level.json')]]);
        $this->post('/settings/wordings', ['new' => 'water-level', 'text' => 'Low, {{ first_name | or: "you" }}']);
        $this->get('/settings/wordings/water-level')->assertOk()->assertSee('first name · or “you”');
    }

    public function testCodesAreAddedOnceAndSayWhomTheyWereGivenTo(): void
    {
        $this->post('/settings/codes', ['list' => 'welcome', 'codes' => self::file("code\nQUAY-1\nQUAY-2\nQUAY-1\n")])->assertSessionHas(
            'done',
            '2 codes were added to “welcome”; 0 were there already.',
        );
        DB::table('codes')
            ->where('code', 'QUAY-1')
            ->update(['person_id' => $this->person(self::WEN)->id]);
        $this->post('/settings/codes', ['list' => 'welcome', 'codes' => self::file("QUAY-1\nQUAY-3\n")])->assertSessionHas(
            'done',
            '1 codes were added to “welcome”; 1 were there already.',
        );
        $this->post('/settings/codes', ['list' => 'Welcome!', 'codes' => self::file("A\n")])->assertSessionHasErrors('list');
        $this->post('/settings/codes', ['list' => 'welcome', 'codes' => self::file("two words\n")])->assertSessionHasErrors('codes');

        $this->get('/settings/wordings')->assertSee('2 left of 3');
        self::assertSame(
            "\xEF\xBB\xBFcode,\"given to\"\r\nQUAY-1,+447700900301\r\nQUAY-2,\r\nQUAY-3,\r\n",
            $this->get('/settings/codes/welcome.csv')->streamedContent(),
        );
    }

    public function testARulesPageShowsTheCodeThatWouldBeGivenAndGivesNone(): void
    {
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules/joined-list.json')]]);
        $page = fn (string $number): string => route('rules.show', [
            Rule::query()->firstWhere('key', 'joined-list'),
            'sample' => $this->person($number)->id,
        ]);
        $this->get($page(self::WEN))->assertOk()->assertSee('No code of the list');
        DB::table('codes')->insert([
            ['list' => 'welcome', 'code' => 'QUAY-1', 'person_id' => null],
            ['list' => 'welcome', 'code' => 'QUAY-2', 'person_id' => $this->person(self::WEN)->id],
            ['list' => 'welcome', 'code' => 'QUAY-3', 'person_id' => null],
        ]);

        $this->get($page(self::WEN))->assertSee('a fifth off with QUAY-2.');
        $this->get($page('+447700900308'))->assertSee('a fifth off with QUAY-1.');
        self::assertSame(2, DB::table('codes')->whereNull('person_id')->count());
    }

    private static function file(string $content): UploadedFile
    {
        return UploadedFile::fake()->createWithContent('file.csv', $content);
    }
}
