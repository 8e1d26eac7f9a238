<?php

declare(strict_types=1);

namespace Tests\Feature\Records;

use App\Intake\RecordWriter;
use App\Models\Calendar;
use App\Models\Change;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Way;
use Database\Seeders\OldRecordsSeeder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\FieldKind;
use Tests\Feature\TestCase;

final class RecordScreensTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        DB::transaction(fn () => (new OldRecordsSeeder)->run(resolve(RecordWriter::class)));
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testWhatAPageAsksByItselfDoesNotUseUpTheWordOfARefusal(): void
    {
        $this->from('/records/invoice/new')
            ->post('/records/invoice', ['fields' => ['number' => '2026-0900', 'amount' => 'twelve']])
            ->assertRedirect('/records/invoice/new');
        $this->withCookie(config()->string('session.cookie'), session()->getId())
            ->get(route('records.picks', ['of' => 'person', 'name' => 'who', 'fields' => ['who' => 'Noor']]), ['HX-Request' => 'true'])
            ->assertOk();

        $this->get('/records/invoice/new')->assertSee('which is no number')->assertSee('2026-0900');
    }

    public function testOpeningAFormAndKeepingItUnchangedChangesNothing(): void
    {
        foreach (['deal', 'job', 'invoice', 'booking'] as $key) {
            $record = $this->of($key)->firstOrFail();
            $html = (string) $this->get("/records/$key/$record->id/edit")->assertOk()->getContent();
            $this->put("/records/$key/$record->id", ['fields' => $this->typed($html)])->assertSessionHasNoErrors();
            self::assertSame(1, Change::query()->where('record_id', $record->id)->count(), $key);
        }
    }

    public function testManyAreChangedTogetherEachAsAChangeOfItsOwn(): void
    {
        $sent = $this->of('invoice')->get()->filter(fn (Record $record): bool => $record->values['state'] === 'sent');
        $query = http_build_query(['f' => [['field' => 'state', 'test' => 'is', 'value' => 'sent']]]);
        $this->post("/records/invoice/bulk?$query", ['which' => 'all', 'field' => 'state', 'value' => 'reminded'])->assertSessionHas(
            'done',
            $sent->count().' are changed.',
        );

        self::assertSame($sent->count(), Change::query()->where('way', Way::Hand)->where('via', 'Mira Okafor')->count());
        self::assertFalse($this->of('invoice')->get()->contains(fn (Record $record): bool => $record->values['state'] === 'sent'));
        $this->post('/records/invoice/bulk', ['which' => 'ticked', 'field' => 'state', 'value' => 'paid'])->assertSessionHasErrors([
            'bulk' => 'Tick some first.',
        ]);
        $this->post('/records/invoice/bulk', ['which' => 'all', 'field' => 'amount', 'value' => 'x'])->assertSessionHasErrors('bulk');
    }

    public function testAFieldOfEveryKindIsMadeTypedShownFilteredAndGivenOut(): void
    {
        $this->post('/settings/record-types', ['name' => 'Odd thing', 'plural' => 'Odd things'])->assertRedirect(
            '/settings/record-types/odd_thing',
        );
        $typed = [
            'text' => ['a <b>', 'a <b>'], 'long_text' => ["two\nlines", "two\nlines"], 'number' => ['1,234.5', '1,234.5'],
            'money' => ['12.5', '£12.50'], 'date' => ['2026-03-14', 'Sat 14 Mar 2026'],
            'date_time' => ['2026-07-14T10:30', 'Tue 14 Jul 2026, 10:30'], 'choice' => ['red', 'red'], 'yes_no' => ['no', 'no'],
            'phone' => ['07700 900343', '+44 7700 900343'], 'email' => ['A@B.example', 'a@b.example'],
            'link' => ['osierquay.example', 'https://osierquay.example'], 'staff' => ['#2', 'Tom Reyes'],
            'person' => ['Wen Li (#'.$this->person(self::WEN)->id.')', 'Wen Li'],
            'record' => ['D001', $this->of('deal')->firstOrFail()->called()], 'line' => [self::FRONT_DESK, 'front desk'],
        ];
        foreach (FieldKind::cases() as $kind) {
            $this->post('/settings/record-types/odd_thing/fields', [
                'name' => $kind->value, 'kind' => $kind->value, 'options' => "red\nblue", 'of' => 'deal',
            ])->assertSessionHasNoErrors();
        }
        self::assertEqualsCanonicalizing(array_column(FieldKind::cases(), 'value'), array_keys($typed));
        $this->put('/settings/record-types/odd_thing', [
            'name' => 'Odd thing', 'plural' => 'Odd things', 'person_field' => 'phone', 'title_field' => 'text', 'start_field' => 'date',
            'stage_field' => 'choice',
        ])->assertSessionHasNoErrors();
        $this->put('/settings/record-types/odd_thing', [
            'name' => 'Odd thing',
            'plural' => 'Odd things',
            'stage_field' => 'date',
        ])->assertSessionHasErrors('stage_field');
        $form = (string) $this->get('/records/odd_thing/new')->assertOk()->getContent();
        self::assertEqualsCanonicalizing(array_keys($typed), array_keys($this->typed($form)));
        $fields = array_map(fn (array $pair): string => $pair[0], $typed);
        $this->post('/records/odd_thing', ['fields' => $fields])->assertSessionHasNoErrors();
        $thing = $this->of('odd_thing')->sole();

        self::assertSame($this->person('+447700900343')->id, $thing->person_id, 'the field that leads to the person');
        self::assertSame(
            [1234.5, 12.5, '2026-07-14T09:30:00Z', false],
            array_map(fn (string $key): mixed => $thing->values[$key], ['number', 'money', 'date_time', 'yes_no']),
        );
        $page = $this->get("/records/odd_thing/$thing->id")->assertOk();
        $csv = (string) $this->get('/records/odd_thing?as=csv')->streamedContent();
        foreach ($typed as $key => [, $shown]) {
            $page->assertSee($shown);
            self::assertStringContainsString($key, $csv);
        }
        self::assertStringContainsString('2026-07-14T10:30:00+01:00', $csv);
        $this->get(
            '/records/odd_thing?'.
                http_build_query([
                    'f' => [
                        ['field' => 'date_time', 'test' => 'on', 'value' => '2026-07-14'],
                        ['field' => 'yes_no', 'test' => 'is', 'value' => 'no'],
                    ],
                ]),
        )
            ->assertSee('1 odd thing')
            ->assertSee('a &lt;b&gt;', false);
        $this->put("/records/odd_thing/$thing->id", [
            'fields' => $this->typed((string) $this->get("/records/odd_thing/$thing->id/edit")->getContent()),
        ])->assertSessionHasNoErrors();
        self::assertEquals($thing->values, $thing->refresh()->values);
    }

    public function testRemovingAFieldKeepsItsValuesAndItCanBeBroughtBack(): void
    {
        $field = Field::query()->where('key', 'rang_for')->firstOrFail();
        $this->missedCall(self::WEN);
        $call = $this->of('call')->sole();
        $this->get('/settings/record-types/call')->assertOk()->assertSee('Phone system');
        $this->delete("/settings/record-types/call/fields/$field->id")->assertRedirect();
        $this->get("/records/call/$call->id")
            ->assertOk()
            ->assertDontSee('20,000');
        $this->missedCall(self::WEN)
            ->assertStatus(422)
            ->assertJson(['says' => 'Its mapping fills “fields.rang_for”, which is no longer a field. Change the mapping.']);
        $this->post("/settings/record-types/call/fields/$field->id/bring-back")->assertRedirect();
        $this->get("/records/call/$call->id")->assertSee('20,000');
        $this->put("/settings/record-types/deal/fields/$field->id", ['name' => 'x'])->assertNotFound();
    }

    public function testAChoiceInUseStaysAndAKeyNeverChanges(): void
    {
        $stage = Field::query()
            ->where('key', 'stage')
            ->where('record_type_id', RecordType::query()->where('key', 'deal')->value('id'))
            ->firstOrFail();
        $this->put("/settings/record-types/deal/fields/$stage->id", [
            'name' => 'Step',
            'options' => "asked\ntalked",
        ])->assertSessionHasErrors("options-$stage->id");
        $this->put("/settings/record-types/deal/fields/$stage->id", [
            'name' => 'Step',
            'options' => "asked\ntalked\noffered\nhaggled\nagreed\nlost",
        ])->assertSessionHasNoErrors();
        self::assertSame(['stage', 'Step', 'haggled'], [$stage->refresh()->key, $stage->name, $stage->options[3] ?? '']);
        $this->post('/settings/record-types/deal/fields', ['name' => 'Stage', 'kind' => 'text'])->assertSessionHasNoErrors();
        self::assertTrue(Field::query()->where('key', 'stage_2')->exists());
        $this->post('/settings/record-types', ['name' => 'Person', 'plural' => 'People'])->assertSessionHasErrors('name');
        $this->post('/settings/record-types/deal/fields', [
            'name' => 'Colour',
            'kind' => 'choice',
            'options' => ' ',
        ])->assertSessionHasErrors('options');
    }

    public function testALessonStandsInTheCalendarAndItsAddressCanBeEnded(): void
    {
        $this->post('/settings/calendars', ['name' => 'Lessons', 'type' => 'booking'])->assertSessionHas('calendar');
        $address = (string) session('calendar');
        $booking =
            $this->of('booking')->get()->filter(fn (Record $record): bool => $record->values['starts_at'] > '2026-02-15')->first() ??
            self::fail('no lesson');
        $calendar = (string) $this->get($address)->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=UTF-8')->getContent();

        self::assertStringContainsString('DTSTART:'.str_replace(['-', ':'], '', (string) $booking->values['starts_at']), $calendar);
        self::assertStringContainsString("UID:record-$booking->id@", $calendar);
        self::assertStringNotContainsString('+447700', $calendar);
        self::assertStringContainsString('STATUS:CANCELLED', $calendar);
        $this->get(str_replace(substr($address, -10, 6), '000000', $address))->assertNotFound();
        $this->delete('/settings/calendars/'.Calendar::query()->sole()->id);
        $this->get($address)->assertNotFound();
    }

    public function testAListAsAFileIsSafeInASpreadsheetProgram(): void
    {
        $deal = $this->of('deal')->firstOrFail();
        $deal->update([
            'values' => ['title' => '=HYPERLINK("http://evil.example")', 'notes' => "@SUM(1)\n-2", 'value' => -5.5] + $deal->values,
            'title' => '=hyperlink',
        ]);
        $csv = (string) $this->get('/records/deal?find=%3Dhyper&as=csv')
            ->assertOk()
            ->assertHeader('Content-Type', 'text/csv; charset=UTF-8')
            ->streamedContent();

        self::assertStringStartsWith("\xEF\xBB\xBF\"Linnet id\",", $csv);
        self::assertStringContainsString('"\'=HYPERLINK(""http://evil.example"")"', $csv);
        self::assertStringContainsString("\"'@SUM(1)\n-2\"", $csv);
        self::assertStringContainsString(',-5.5,', $csv);
        self::assertCount(3, explode("\r\n", $csv));
        foreach (
            ['/sent', '/people', '/rules', '/conversations', '/imports', '/sources', '/sources/phone', '/safeguards/consent'] as $list
        ) {
            $this->get("$list?as=csv")
                ->assertOk()
                ->assertHeader('Content-Type', 'text/csv; charset=UTF-8')
                ->streamedContent();
        }
    }

    public function testScreensOfRecordsAskNoQueryForEachRow(): void
    {
        $queries = 0;
        $this->app->make('db')->listen(function () use (&$queries): void {
            $queries++;
        });
        $deal = $this->of('deal')->firstOrFail();
        foreach (
            [
                '/records/deal' => 20, '/records/booking?order=starts_at' => 20, '/records/deal/board' => 25,
                "/records/deal/$deal->id" => 45, '/settings' => 20, '/imports' => 10,
            ] as $page => $most
        ) {
            $queries = 0;
            $this->get($page)->assertOk();
            self::assertLessThan($most, $queries, $page);
        }
    }

    /** @return \Illuminate\Database\Eloquent\Builder<Record> */
    private function of(string $key): \Illuminate\Database\Eloquent\Builder
    {
        return Record::query()->where('record_type_id', RecordType::query()->where('key', $key)->firstOrFail()->id)->orderBy('id');
    }

    /** @return array<string, string> what a form's controls hold */
    private function typed(string $html): array
    {
        $document = new \DOMDocument;
        @$document->loadHTML('<?xml encoding="UTF-8">'.$html);
        $path = new \DOMXPath($document);
        $values = [];
        foreach ($path->query('//*[starts-with(@name, "fields[")]') ?: [] as $control) {
            if ($control instanceof \DOMElement) {
                $chosen = $path->query('.//option[@selected]', $control);
                $chosen = $chosen === false ? null : $chosen->item(0);
                $values[substr($control->getAttribute('name'), 7, -1)] = match ($control->tagName) {
                    'select' => $chosen instanceof \DOMElement ? $chosen->getAttribute('value') : '',
                    'textarea' => $control->textContent,
                    default => $control->getAttribute('value'),
                };
            }
        }

        return $values;
    }
}
