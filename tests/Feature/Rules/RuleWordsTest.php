<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Person;
use App\Models\Record;
use App\Pages\Rules\SpreadOfAll;
use App\Pages\Words\Tokens;
use App\Rules\Reach;
use App\Rules\Vocabularies;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Composed;
use Linnet\Core\Text\Bounds;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** The words of a text while they are written. */
final class RuleWordsTest extends FrontDeskTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->missedByWen();
    }

    public function testThePreviewShowsTheWordsBeingTypedOrWhatIsWrongWithThem(): void
    {
        $preview = fn (string $text) => $this->post(route('rules.words', $this->rule), ['step' => 'first', 'text' => $text])->assertOk();

        $preview('Hi {{ first_name }} “now”')
            ->assertSee('Hi Wen “now”')
            ->assertSee('make it cost more')
            ->assertSee('data-costly="“”"', false);
        $preview('Hi {{ first_name | uper }}')->assertSee('Did you mean “upper”?');
        $preview('Hi {{ nickname }}')->assertSee('There is no value for “nickname”');
        $this->post(route('rules.words', $this->rule), [
            'step' => 'second',
            'text' => 'Hello {{ call.started_at | as: "time" }}',
        ])->assertSee('Hello 09:59');
    }

    public function testWhatIsFilledInIsSaidAsOneReadsIt(): void
    {
        $answer = (string) $this->post(route('rules.words', $this->rule), [
            'step' => 'first',
            'text' => 'Hi {{ first_name | or: "there }}" }}, {{call.started_at|as:"time"}} {{ link: call.whence }} {{ pick: "a" / "b" }} {{ broken | }}',
        ])
            ->assertOk()
            ->getContent();
        preg_match('/data-tokens="([^"]*)"/', $answer, $found);

        self::assertSame(
            [
                '{{ first_name | or: "there }}" }}' => 'first name · or “there }}”', '{{call.started_at|as:"time"}}' => 'start · time',
                '{{ link: call.whence }}' => 'short link to call whence', '{{ pick: "a" / "b" }}' => 'one of a / b',
            ],
            json_decode(html_entity_decode($found[1] ?? ''), true),
        );
        $offered = array_column($this->getJson(route('rules.words.fields', $this->rule))->assertOk()->json(), 'beside', 'whole');
        self::assertSame(
            ['Wen', 'missed', 'Osier Quay Boathouse'],
            [$offered['{{ first_name }}'] ?? null, $offered['{{ call.outcome }}'] ?? null, $offered['{{ business.name }}'] ?? null],
        );
    }

    public function testTwoOfOneNameAreToldApart(): void
    {
        $tokens = new Tokens(Vocabularies::ours(), 'service_plan');

        self::assertSame(
            ['boat', 'their boat', 'town', 'booking lesson'],
            array_map($tokens->field(...), ['service_plan.boat', 'boat', 'town', 'booking.lesson']),
        );
        self::assertSame('boat', (new Tokens(Vocabularies::ours(), 'person'))->field('boat'));
    }

    public function testATagIsChangedInPlaceWithWhatItComesTo(): void
    {
        $choices = fn (array $said): string => html_entity_decode(
            (string) $this->get(route('rules.words.token', [$this->rule, ...$said]))->assertOk()->getContent(),
            ENT_QUOTES,
        );

        $of = $choices(['token' => '{{ call.started_at }}']);
        self::assertStringContainsString('For Wen this says <b>2 March at 09:59</b>', $of);
        self::assertStringContainsString('weekday time <span class="soft">Monday 09:59</span>', $of);
        self::assertStringNotContainsString('value="money"', $of);
        self::assertStringContainsString(
            'data-whole="{{ call.started_at | as: "time" | or: "soon" }}"',
            $choices([
                'token' => '{{ call.started_at }}', 'path' => 'call.started_at', 'as' => 'time', 'missing' => 'words', 'fallback' => 'soon',
            ]),
        );
        self::assertStringContainsString(
            'data-whole="{{ first_name | upper | limit: 9 | or: "" }}"',
            $choices(['token' => '{{ last_name }}', 'path' => 'first_name', 'letters' => 'upper', 'limit' => 9, 'missing' => 'nothing']),
        );
        self::assertStringContainsString(
            'data-whole="{{ pick: "a" / "b c" }}"',
            $choices(['token' => '{{ pick: "x" }}', 'choices' => " a\n\nb c\n"]),
        );
        self::assertStringContainsString('It is empty for Wen, who would get no text for that', $choices(['token' => '{{ email }}']));
        $this->get(route('rules.words.token', [$this->rule, 'token' => 'no tag']))->assertNotFound();
    }

    public function testHowLongItIsForAllWhomItReachesIsCounted(): void
    {
        $this->missedCall('+447700900308');
        $this->work();
        $bounds = fn (string $text): string => (string) $this->post(route('rules.words.bounds', $this->rule), [
            'step' => 'first',
            'text' => $text,
        ])
            ->assertOk()
            ->getContent();

        // The first text says who it is from, and how to stop it.
        self::assertSame(
            'for the 2 it reaches today: 53 to 55 characters, half of them up to 53, one part',
            $bounds('{{ first_name | or: "there" }}'),
        );
        self::assertSame('', $bounds('{{ first_name'));
        self::assertStringContainsString('two parts', $bounds(str_repeat('ł', 50)));
        $this->get(route('rules.checks', $this->rule))->assertOk()->assertSee('hx-swap-oob="true">for the 2 it reaches today', false);
    }

    /** Where they are too many to ask of each, what is filled in is written once a value: the same comes out. */
    public function testOverAllThereAreItIsCountedAsOneByOne(): void
    {
        mt_srand(3);
        $people = ['Zoë' => 'Europe/London', 'Al' => 'America/Toronto', 'Maximiliane' => null, '' => 'Australia/Perth', 'Bo' => null];
        foreach (range(1, 60) as $i) {
            $name = array_keys($people)[$i % 5];
            $this->missedCall(sprintf('+4477009008%02d', $i), ['why_unanswered' => ['rang out', 'busy'][$i % 2]]);
            Person::query()
                ->orderByDesc('id')
                ->firstOrFail()
                ->update([
                    'first_name' => $name === '' ? null : $name,
                    'zone' => $people[$name],
                    'locale' => $i % 7 === 0 ? 'fr_FR' : null,
                ]);
        }
        $unit = UnitOfWork::reading(CarbonImmutable::now()->toDateTimeImmutable(), resolve(DatabaseSideEffects::class));
        foreach (
            [
                'Hello', 'Hi {{ first_name | or: "there" }} – {{ call.started_at | as: "weekday time" }}',
                '{{ first_name | upper }} {{ call.why }} {{ business.name }}',
                '{{ call.started_at | as: "relative day" }} {{ owner.first_name | or: "we" }} {{ line.name | or: "" }}',
                '{{ call.line | or: "x" }}{{ nothing.here }}',
            ] as $words
        ) {
            $template = Template::parse($words);
            $lengths = [];
            $lacking = 0;
            foreach (Record::query()->whereNotNull('person_id')->whereRelation('type', 'key', 'call')->get() as $record) {
                $person = $unit->reader->person((int) $record->person_id) ?? self::fail('it is theirs');
                $context = $unit->contexts->create(new Subject($person->id, $record->id), $unit->reader->lines()[0]->key);
                try {
                    $lengths[] = [
                        Composed::of(
                            $template, $context->facts, $unit->contexts->receiver($person), $unit->reader->business(), $context->now, true,
                            'x',
                        )->length,
                        1,
                    ];
                } catch (TemplateError) {
                    $lacking++;
                }
            }
            $expected = str_contains($words, 'nothing') ? null : Bounds::of($lengths, $lacking);

            self::assertEquals($expected, (new SpreadOfAll($unit, 'call'))->bounds($template, true), $words);
        }
    }

    public function testWhereNotEachIsLookedAtTheChecksSayOverHowMany(): void
    {
        $this->missedByWen();
        $call = (array) DB::table('records')->where('person_id', $this->person(self::WEN)->id)->first();
        $change = (array) DB::table('changes')->where('record_id', $call['id'])->where('kind', 'record_added')->first();
        foreach (range(1, 404) as $n) {
            $id = DB::table('records')->insertGetId(['external_id' => "again-$n"] + array_diff_key($call, ['id' => 1]));
            DB::table('changes')->insert(['record_id' => $id] + array_diff_key($change, ['id' => 1]));
        }

        $many = (new Reach(UnitOfWork::reading(now()->toImmutable(), resolve(DatabaseSideEffects::class)), $this->rule->written()))->many();
        self::assertGreaterThan(400, $many);
        $this->get(route('rules.checks', $this->rule))
            ->assertOk()
            ->assertSee("This was looked at over the newest 400 of the $many it would begin for.")
            ->assertSee('for the 400 newest it reaches today', false);
    }
}
