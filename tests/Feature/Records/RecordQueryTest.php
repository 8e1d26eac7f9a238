<?php

declare(strict_types=1);

namespace Tests\Feature\Records;

use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Pages\Records\Belonging;
use App\Pages\Records\RecordsPage;
use App\Records\FieldColumn;
use App\Records\FilterTest;
use Database\Seeders\OldRecordsSeeder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\FieldKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Tests\Feature\TestCase;

final class RecordQueryTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        DB::transaction(fn () => (new OldRecordsSeeder)->run(resolve(RecordWriter::class)));
    }

    /** @param  array<string, mixed>  $asked */
    #[DataProvider('lists')]
    public function testAListHoldsJustWhatWasAskedFor(string $type, array $asked, \Closure $passes): void
    {
        $page = $this->list($type, $asked);
        $expected = Record::query()
            ->where('record_type_id', $page->type->id)
            ->with('person')
            ->get()
            ->filter($passes)
            ->pluck('id')
            ->sort()
            ->values()
            ->all();

        self::assertNotSame([], $expected);
        self::assertSame($expected, collect($page->query->page(100)->items())->pluck('id')->sort()->values()->all());
        self::assertSame(count($expected), $page->query->count());
        self::assertSame($expected, $page->query->matching()->orderBy('id')->pluck('id')->all());
    }

    /** @return iterable<string, array{string, array<string, mixed>, \Closure(Record): bool}> */
    public static function lists(): iterable
    {
        $f = fn (string ...$filters): array => [
            'f' => array_map(fn (string $one): array => array_combine(['field', 'test', 'value'], explode('|', $one)), $filters),
        ];
        yield 'everything' => ['deal', [], fn (Record $r) => true];
        yield 'a stage' => ['deal', $f('stage|is|Offered'), fn (Record $r) => $r->values['stage'] === 'offered'];
        yield 'any other stage' => ['deal', $f('stage|is_not|offered'), fn (Record $r) => $r->values['stage'] !== 'offered'];
        yield 'the beginning of a title, whatever its letters' => [
            'deal',
            $f('title|begins|harbour MUT'),
            fn (Record $r) => str_starts_with((string) $r->values['title'], 'Harbour Mut'),
        ];
        yield 'more than' => ['deal', $f('value|more|£1,500'), fn (Record $r) => $r->values['value'] > 1500];
        yield 'more than a part of one' => ['deal', $f('value|more|1499.5'), fn (Record $r) => $r->values['value'] > 1499.5];
        yield 'less than a part of one' => ['deal', $f('value|less|1499.5'), fn (Record $r) => $r->values['value'] < 1499.5];
        yield 'two at once' => [
            'deal',
            $f('value|less|1500', 'stage|is|asked'),
            fn (Record $r) => $r->values['value'] < 1500 && $r->values['stage'] === 'asked',
        ];
        yield 'from here to there' => [
            'deal',
            $f('value|more|900', 'value|less|2500', 'stage|is_not|lost'),
            fn (Record $r) => $r->values['value'] > 900 && $r->values['value'] < 2500 && $r->values['stage'] !== 'lost',
        ];
        yield 'between two days' => [
            'deal',
            $f('offered_on|after|2025-06-30', 'offered_on|before|2026-06-01', 'offered_on|filled|'),
            fn (Record $r) => ($r->values['offered_on'] ?? '') > '2025-06-30' && $r->values['offered_on'] < '2026-06-01',
        ];
        yield 'empty, and not this' => [
            'deal',
            $f('offered_on|empty|', 'stage|is_not|lost', 'stage|is_not|won'),
            fn (Record $r) => ! isset($r->values['offered_on']) && ! in_array($r->values['stage'], ['lost', 'won'], true),
        ];
        yield 'a member of staff' => ['deal', $f('owner|is|#1 Mira'), fn (Record $r) => $r->values['owner'] === 1];
        yield 'nothing there' => ['deal', $f('offered_on|empty|'), fn (Record $r) => ! isset($r->values['offered_on'])];
        yield 'something there' => ['deal', $f('offered_on|filled|'), fn (Record $r) => isset($r->values['offered_on'])];
        yield 'yes' => ['job', $f('may_we_call|is|yes'), fn (Record $r) => $r->values['may_we_call'] === true];
        yield 'no' => ['job', $f('may_we_call|is|no'), fn (Record $r) => $r->values['may_we_call'] === false];
        yield 'before a day' => ['invoice', $f('due|before|2026-03-01'), fn (Record $r) => $r->values['due'] < '2026-03-01'];
        yield 'within the next days' => [
            'job',
            $f('promised|next_days|7'),
            fn (Record $r) => $r->values['promised'] >= '2026-03-02' && $r->values['promised'] <= '2026-03-09',
        ];
        yield 'within the last days' => [
            'booking',
            $f('starts_at|last_days|20'),
            fn (Record $r) => $r->values['starts_at'] >= '2026-02-10T00:00:00Z' && $r->values['starts_at'] < '2026-03-03',
        ];
        yield 'a person by name' => ['invoice', ['find' => 'noor'], fn (Record $r) => $r->person?->first_name === 'Noor'];
        yield 'by the other system’s name' => ['deal', ['find' => 'D007'], fn (Record $r) => $r->external_id === 'D007'];
        yield 'found and filtered' => [
            'deal',
            ['find' => 'millrace'] + $f('stage|is_not|lost'),
            fn (Record $r) => str_starts_with((string) $r->values['title'], 'Millrace') && $r->values['stage'] !== 'lost',
        ];
    }

    public function testItIsOrderedByAnyFieldBothWays(): void
    {
        foreach ([['value', 'value'], ['-value', 'value'], ['day', 'day'], ['-title', 'title']] as [$order, $key]) {
            $values = array_map(
                fn (Record $record): mixed => is_string($record->values[$key])
                    ? mb_strtolower($record->values[$key])
                    : $record->values[$key],
                $this->list('deal', ['order' => $order])
                    ->query->page(100)
                    ->items(),
            );
            $sorted = $values;
            $order[0] === '-' ? rsort($sorted) : sort($sorted);
            self::assertSame($sorted, $values, $order);
        }
    }

    /** By the plan SQLite says it has: PostgreSQL takes no index of a table as small as these. */
    #[Group('sqlite')]
    public function testEveryTestOfEveryFieldIsServedByAnIndex(): void
    {
        $values = [
            FieldKind::Number->value => '5', FieldKind::Money->value => '5', FieldKind::YesNo->value => 'yes',
            FieldKind::Phone->value => self::WEN, FieldKind::Line->value => self::FRONT_DESK,
        ];
        $tried = 0;
        foreach (RecordType::query()->where('key', '!=', 'person')->with('fields')->get() as $type) {
            foreach ($type->fields->filter(fn (Field $field): bool => FieldColumn::isListed($field)) as $field) {
                foreach (FilterTest::for($field->kind) as $test) {
                    if ($test === FilterTest::IsNot || $test === FilterTest::Filled) {
                        continue;
                    }
                    $value = in_array($test, [FilterTest::NextDays, FilterTest::LastDays], true)
                        ? '5'
                        : $values[$field->kind->value] ??
                            (in_array($field->kind, [FieldKind::Date, FieldKind::DateTime], true)
                                ? '2026-03-02'
                                : $field->options[0] ?? ($field->kind->isReference() ? '#1' : 'a@b.example'));
                    $page = $this->list($type->key, ['f' => [['field' => $field->key, 'test' => $test->value, 'value' => $value]]]);
                    self::assertSame([], $page->wrong, "$type->key $field->key $test->value");
                    $query = $page->query->matching()->toBase();
                    if (str_contains($query->toSql(), ' in ')) {
                        // The ids were found by the filter's index; what found them is what is asked here.
                        $filter = $page->filters[0];
                        $sql = preg_replace('/ and "id" in \([^)]*\)/', '', $query->toSql());
                        $query = DB::query()->selectRaw("* from ($sql)")->addBinding($query->getBindings());
                        self::assertSame($field->key, $filter['field']);
                    }
                    $plan = implode(
                        ' ',
                        array_column(
                            array_map(
                                fn (object $row): array => (array) $row,
                                DB::select(
                                    'explain query plan '.preg_replace('/^select \* from \((.*)\)$/s', '$1', $query->toSql()),
                                    $query->getBindings(),
                                ),
                            ),
                            'detail',
                        ),
                    );
                    self::assertStringContainsString("records_field_$field->id", $plan, "$type->key $field->key $test->value");
                    $tried++;
                }
            }
        }
        self::assertGreaterThan(150, $tried);
    }

    public function testWhatContradictsItselfFindsNothing(): void
    {
        $page = $this->list('deal', [
            'f' => [['field' => 'value', 'test' => 'less', 'value' => '900'], ['field' => 'value', 'test' => 'empty']],
        ]);

        self::assertSame([[], 0, 0], [$page->query->page(100)->items(), $page->query->count(), $page->query->matching()->count()]);
    }

    public function testWhatCannotBeAskedIsSaidAndNotAsked(): void
    {
        $page = $this->list('deal', [
            'f' => [
                ['field' => 'value', 'test' => 'more', 'value' => 'lots'], ['field' => 'stage', 'test' => 'begins', 'value' => 'a'],
                ['field' => 'nothing', 'test' => 'is', 'value' => '1'], 'x', ['field' => ['a']],
            ],
            'order' => 'drop table',
            'cols' => ['x', ['y']],
        ]);

        self::assertSame(['At “Value” stands “lots”, which is no number.'], $page->wrong);
        self::assertCount(46, $page->query->page(100)->items());
    }

    public function testColumnsAreRememberedForWhoeverChoseThem(): void
    {
        $columns = fn (Role $role, string $asked = ''): array => array_column(
            $this->actingAs($this->staff($role))->get("/records/deal$asked")->viewData('columns'), 'key',
        );
        $usual = $columns(Role::Administrator);
        $this->put('/records/deal/columns?find=Day', ['cols' => ['value', 'no such']])->assertRedirect('/records/deal?find=Day');
        self::assertSame(['value'], $columns(Role::Administrator));
        self::assertSame(['stage'], $columns(Role::Administrator, '?cols[]=stage'));
        self::assertSame($usual, $columns(Role::Operator));
        $this->put('/records/deal/columns', [])->assertSessionHasErrors(['cols' => 'Leave at least one column.']);
    }

    /** Where it stands, what the list shows of a record is changed, nothing else; a mistake stands at its field with what was typed. */
    public function testARecordIsChangedInItsRow(): void
    {
        $deal = Record::query()->where('record_type_id', RecordType::query()->where('key', 'deal')->value('id'))->firstOrFail();
        $row = "/records/deal/$deal->id/row";
        $this->actingAs($this->staff(Role::Operator))->get("$row?cols[]=title&cols[]=value")
            ->assertSee('fields[value]')
            ->assertDontSee('fields[stage]');
        $this->put($row, ['cols' => ['title', 'value'], 'fields' => ['title' => 'Late "day"', 'value' => 'plenty']])
            ->assertOk()
            ->assertHeaderMissing('HX-Refresh')
            ->assertSee('Late &quot;day&quot;', false)
            ->assertSee('value="plenty"', false)
            ->assertSee('fields.value-error');
        self::assertSame($deal->values, Record::query()->findOrFail($deal->id)->values);
        $this->put($row, ['cols' => ['title', 'value'], 'fields' => ['title' => 'Late day', 'value' => '12.50']])
            ->assertHeader('HX-Refresh', 'true');
        self::assertEquals(['title' => 'Late day', 'value' => 12.5] + $deal->values, Record::query()->findOrFail($deal->id)->values);
    }

    /** @param  array<string, mixed>  $asked */
    private function list(string $type, array $asked): RecordsPage
    {
        return new RecordsPage(
            RecordType::query()->where('key', $type)->with('fields')->firstOrFail(), $asked, Business::ours(), now()->toImmutable(),
            resolve(Belonging::class),
        );
    }
}
