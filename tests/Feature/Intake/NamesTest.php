<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Exports\CalendarOf;
use App\Exports\VCardOf;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Calendar;
use App\Models\Import;
use App\Models\Person;
use App\Models\RecordType;
use App\Models\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\Numbers;
use Tests\Feature\TestCase;

/** No number is ever a name, in or out. */
final class NamesTest extends TestCase
{
    protected function tearDown(): void
    {
        Import::query()->get()->each(fn (Import $import) => @unlink($import->table()));
        parent::tearDown();
    }

    public function testOurOwnContactsComeInAsTheyWentOut(): void
    {
        $number = Numbers::read('+447700900911', 'GB');
        DB::transaction(fn () => resolve(RecordWriter::class)->person(new PersonInput(number: $number), ChangeOrigin::text()));
        $before = Person::query()->orderBy('id')->get(['id', 'first_name', 'last_name'])->toArray();
        ob_start();
        VCardOf::people(Person::query())->sendContent();
        $cards = (string) ob_get_clean();
        self::assertStringNotContainsString('FN:+44', $cards);

        $this->actingAs($this->staff(Role::Administrator))
            ->post('/imports', ['file' => UploadedFile::fake()->createWithContent('people.vcf', $cards), 'type' => 'person'])
            ->assertRedirect();
        $import = Import::query()->latest('id')->firstOrFail();
        $this->post("/imports/$import->id/start");
        $this->takeIn();

        self::assertSame($before, Person::query()->orderBy('id')->get(['id', 'first_name', 'last_name'])->toArray());
        self::assertSame([0, 0], [$import->refresh()->added, $import->refused]);
    }

    public function testANumberThatStandsWhereANameShouldIsNotTaken(): void
    {
        DB::transaction(
            fn () => resolve(RecordWriter::class)->person(
                new PersonInput(number: Numbers::read('+447700900912', 'GB'), own: ['first_name' => '+44', 'last_name' => '7700 900912']),
                ChangeOrigin::text(),
            ),
        );

        self::assertSame([null, null], array_values($this->person('+447700900912')->only(['first_name', 'last_name'])));
    }

    public function testACalendarThatOthersSubscribeToShowsNoNumbers(): void
    {
        $this->missedCall('+447700900913');
        $type = RecordType::query()->where('key', 'booking')->with('fields')->firstOrFail();
        $number = Numbers::read('+447700900913', 'GB');
        DB::transaction(
            fn () => resolve(RecordWriter::class)->upsert(
                new Cleaned('booking', 'b1', new PersonInput(number: $number), [
                    'lesson' => '07700 900913',
                    'state' => 'booked',
                    'starts_at' => '2026-03-05T10:00:00Z',
                ]),
                ChangeOrigin::staff($this->staff(Role::Administrator)),
            ),
        );
        $calendar = Calendar::query()->create(['record_type_id' => $type->id, 'name' => 'Lessons', 'secret_hash' => 'x', 'at' => now()]);
        $written = CalendarOf::records($calendar->load('type.fields'), now()->toImmutable());

        self::assertStringContainsString('SUMMARY:', $written);
        self::assertDoesNotMatchRegularExpression('/SUMMARY:[^\r\n]*900\s?913/', $written);
        self::assertSame('Europe/London', Business::ours()->zone);
    }
}
