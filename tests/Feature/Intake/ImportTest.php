<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Intake\Imports;
use App\Intake\Leftovers;
use App\Models\Change;
use App\Models\Consent;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Person;
use App\Models\Record;
use App\Models\RefusedRow;
use App\Models\Role;
use App\Models\Run;
use App\Sentences\Sentence;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\Feature\TestCase;

final class ImportTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
    }

    protected function tearDown(): void
    {
        Import::query()->get()->each(fn (Import $import) => @unlink($import->table()));
        parent::tearDown();
    }

    public function testItGoesOnFromJustWhereItWasStopped(): void
    {
        $import = $this->send($this->calls(1300));
        $this->post("/imports/$import->id/start");
        resolve(Imports::class)->chunk($import->id);
        // The process is gone in the middle of the second lot: nothing of it stands.
        try {
            DB::transaction(function () use ($import): void {
                resolve(Imports::class)->chunk($import->id);
                throw new \RuntimeException('killed');
            });
        } catch (\RuntimeException) {
        }
        self::assertSame([500, 500], [$import->refresh()->done, Record::query()->count()]);
        $this->post("/imports/$import->id/stop");
        $this->takeIn();
        self::assertSame(500, Record::query()->count());
        $this->post("/imports/$import->id/go-on");
        $this->takeIn();

        self::assertSame([ImportState::Done, 1300, 1300], [$import->refresh()->state, $import->done, $import->added]);
        self::assertSame(1300, Record::query()->distinct()->count('external_id'));
        self::assertSame(1300, Change::query()->where('import_id', $import->id)->count());
    }

    public function testFilesThatNobodyDeletedGo(): void
    {
        $waits = $this->send($this->calls(3));
        $done = $this->send($this->calls(3, 'L'));
        $this->post("/imports/$done->id/start");
        $this->takeIn();
        foreach ([$done->table(), $waits->raw()] as $left) {
            file_put_contents($left, 'Ann');
        }
        foreach ([$done->table(), $waits->raw(), $waits->table()] as $file) {
            self::assertFileExists($file);
            touch($file, time() - 86_400);
        }
        Leftovers::clear();

        self::assertFileExists($waits->table());
        self::assertFileDoesNotExist($waits->raw());
        self::assertFileDoesNotExist($done->table());
    }

    public function testRulesActOnItOnlyIfSomebodySaidSo(): void
    {
        $quiet = $this->send($this->calls(3));
        $this->post("/imports/$quiet->id/start");
        $this->takeIn();
        $this->work();
        self::assertSame(0, Run::query()->count());

        $loud = $this->send($this->calls(3, 'L'));
        $this->post("/imports/$loud->id/start", ['rules_act' => '1']);
        $this->takeIn();
        $this->work();
        self::assertSame(3, Run::query()->count());
    }

    public function testARefusedRowSaysWhyAtItsNumberAndTheRestIsTaken(): void
    {
        $import = $this->send(
            "ref,mobile,line,when,Agreed,Words\nA,07700 900601,07700900100,2026-03-01 10:00,yes,form 7\nB,07700 900602,desk,2026-03-01 10:00,,\nA,07700 900601,07700900100,2026-03-01 10:00,yes,form 7\nC,WITHHELD,07700900100,2026-03-01 10:00,,\nD,07700 900603,07700900100,2026-03-01 10:00,perhaps,\n",
        );
        $this->map($import, ['Agreed' => 'consent.marketing', 'Words' => 'consent.wording']);
        $this->post("/imports/$import->id/start");
        $this->takeIn();

        self::assertSame([2, 1, 2], [$import->refresh()->added, $import->same, $import->refused]);
        self::assertSame(
            [
                3 => 'At “line” stands “desk”, which is no telephone number.',
                6 => 'At “Agreed” stands “perhaps”, which is neither yes nor no. Add a table that says which words mean which.',
            ],
            RefusedRow::query()
                ->orderBy('id')
                ->get()
                ->mapWithKeys(fn (RefusedRow $row): array => [$row->row => Sentence::of($row->reason)])
                ->all(),
        );
        self::assertNull(Record::query()->where('external_id', 'C')->sole()->person_id);
        self::assertSame('form 7 (from the file “calls.csv”)', Consent::query()->sole()->wording);
        self::assertStringContainsString(
            '"At “line” stands “desk”, which is no telephone number.",B,"07700 900602",desk',
            (string) $this->get("/imports/$import->id/refused.csv")
                ->assertOk()
                ->streamedContent(),
        );
    }

    public function testItIsTakenBackWholeWhileNothingHasActedOnIt(): void
    {
        $this->missedCall(self::WEN, ['ref' => 'A']);
        $wen = $this->person(self::WEN);
        $before = [Record::query()->get()->toArray(), Person::query()->count()];
        $import = $this->send(
            "ref,mobile,line,when,Agreed\nA,07700 900301,07700900101,2026-03-01 10:00,yes\nB,07700 900602,07700900100,2026-03-01 10:00,\nC,07700 900602,07700900100,2026-03-01 11:00,\n",
        );
        $this->map($import, ['Agreed' => 'consent.marketing']);
        $this->post("/imports/$import->id/start");
        $this->takeIn();
        self::assertSame([2, 1], [$import->refresh()->added, $import->changed]);
        self::assertSame('+447700900101', Record::query()->where('external_id', 'A')->sole()->values['line']);

        $this->get("/imports/$import->id")
            ->assertOk()
            ->assertSee('Take it back…');
        $this->post("/imports/$import->id/take-back")->assertSessionHas(
            'done',
            'The file is being taken back: everything becomes as it was before.',
        );
        self::assertSame(ImportState::TakingBack, $import->refresh()->state);
        $this->get("/imports/$import->id")->assertSee('being taken back');
        $this->takeIn();
        self::assertSame([ImportState::TakenBack, $before[1]], [Import::query()->findOrFail($import->id)->state, Person::query()->count()]);
        $known = Record::query()->sole();
        self::assertEquals($before[0][0]['values'], $known->values);
        self::assertSame(['granted', 'withdrawn'], Consent::query()->where('person_id', $wen->id)->orderBy('id')->pluck('act')->all());
        $this->post("/imports/$import->id/take-back")->assertStatus(409);
    }

    public function testTakingItBackUndoesWhatItSaidOfWhatWasKnown(): void
    {
        $this->send("ref,title,Mobile,First name\nD1,Harbour day,07700 900301,\n", 'deal');
        $known = Import::query()->latest('id')->firstOrFail();
        $this->map($known, ['ref' => 'external_id', 'title' => 'fields.title']);
        $this->post("/imports/$known->id/start");
        $this->takeIn();
        $wen = $this->person(self::WEN);
        $wen->update(['email' => 'wen@example.org', 'last_name' => null]);

        $import = $this->send("ref,title,Mobile,Email,Last name\nD1,Quay day,07700 900666,wen@example.org,Liu\n", 'deal');
        $this->map($import, ['ref' => 'external_id', 'title' => 'fields.title']);
        $this->post("/imports/$import->id/start");
        $this->takeIn();
        $deal = Record::query()->where('external_id', 'D1')->sole();
        self::assertSame(['quay day', 'Liu', 2], [$deal->title, $wen->refresh()->last_name, $wen->numbers()->count()]);

        $this->post("/imports/$import->id/take-back")->assertSessionHas(
            'done',
            'The file is being taken back: everything becomes as it was before.',
        );
        $this->takeIn();
        self::assertSame(
            ['harbour day', 'Harbour day', null, 1],
            [$deal->refresh()->title, $deal->values['title'], $wen->refresh()->last_name, $wen->numbers()->count()],
        );
        self::assertSame('Mira Okafor', Change::query()->where('record_id', $deal->id)->latest('id')->firstOrFail()->via);
    }

    public function testItIsNotTakenBackOnceSomethingHasActedOnIt(): void
    {
        $import = $this->send($this->calls(2));
        $this->post("/imports/$import->id/start", ['rules_act' => '1']);
        $this->takeIn();
        $this->work();
        $this->post("/imports/$import->id/take-back")->assertSessionHas(
            'done',
            'It cannot be taken back any more: a rule has begun for one of its records.',
        );

        $other = $this->send("ref,mobile,line,when\nX,07700 900650,07700900100,2026-03-01 10:00\n");
        $this->post("/imports/$other->id/start");
        $this->takeIn();
        $record = Record::query()->where('external_id', 'X')->sole();
        $this->put("/records/call/$record->id", ['fields' => ['why' => 'line busy']])->assertRedirect();
        $this->post("/imports/$other->id/take-back")->assertSessionHas(
            'done',
            'It cannot be taken back any more: one of its records has been changed since.',
        );
        self::assertSame(3, Record::query()->count());
    }

    public function testPeopleComeInAndGoOutAndComeInAgainTheSame(): void
    {
        $import = $this->send(
            "First name,Last name,Mobile,Email,Town,Agreed to offers,When they agreed,The words they agreed to\n".
                "=Ann,Øst,07700 900601,ann@example.org,Quayham,yes,2026-01-05T10:00:00+00:00,\"Yes; texts, please\nEND:VCARD\"\nBo,,07700 900602,,,,,\n",
            'person',
        );
        $this->post("/imports/$import->id/start");
        $this->takeIn();
        self::assertSame(2, $import->refresh()->added);
        $csv = (string) $this->get('/people?find=900601&as=csv')->assertOk()->streamedContent();
        self::assertStringContainsString("'=Ann,Øst,+447700900601,mobile", $csv);

        $again = $this->send($csv, 'person');
        $this->post("/imports/$again->id/start");
        $this->takeIn();
        self::assertSame([0, 0, 0], [$again->refresh()->added, $again->changed, $again->refused]);
        self::assertSame(['=Ann', 'Quayham'], [$this->person('+447700900601')->first_name, $this->person('+447700900601')->fields['town']]);
        $cards = (string) $this->get('/people?find=900601&as=vcard')->assertOk()->streamedContent();
        self::assertStringContainsString('TEL;VALUE=uri;TYPE=cell:tel:+447700900601', $cards);
        $third = $this->send($cards, 'person');
        $this->post("/imports/$third->id/start");
        $this->takeIn();
        self::assertSame([1, 0, 0], [$third->refresh()->same, $third->added, $third->refused]);

        $agreed = Consent::query()->sole();
        Consent::query()->delete();
        $fourth = $this->send($cards, 'person');
        $this->post("/imports/$fourth->id/start");
        $this->takeIn();
        $taken = Consent::query()->sole();
        self::assertEquals($agreed->only(['number', 'act', 'scope', 'how', 'at']), $taken->only(['number', 'act', 'scope', 'how', 'at']));
        self::assertStringContainsString((string) $agreed->wording, (string) $taken->wording);
    }

    public function testALargeFileIsReadByTheWorkerAndSurvivesItsDeath(): void
    {
        $import = $this->send($this->calls(9000, str_repeat('C', 40)));
        self::assertSame([ImportState::Reading, 0], [$import->state, $import->rows]);
        $this->get("/imports/$import->id")->assertOk()->assertSee('being read')->assertSee('It goes on if you leave this page.');
        $this->get("/imports/$import->id", ['HX-Request' => 'true', 'HX-Target' => 'progress'])->assertHeaderMissing('HX-Refresh');
        // A worker that died over it has left half a table.
        file_put_contents($import->table(), 'ref,mob');

        $this->takeIn();
        self::assertSame([ImportState::ToMap, 9000], [$import->refresh()->state, $import->rows]);
        self::assertSame(['ref', 'mobile', 'line', 'when', 'outcome'], $import->columns);
        self::assertFileDoesNotExist($import->raw());
        $this->get("/imports/$import->id", ['HX-Request' => 'true', 'HX-Target' => 'progress'])->assertHeader('HX-Refresh', 'true');
        $this->get("/imports/$import->id")->assertOk()->assertSee(str_repeat('C', 40).'0');
        self::assertNotSame([], $import->readMapping()?->taken);
    }

    public function testAFileThatCannotBeReadIsKeptWithItsReason(): void
    {
        $import = $this->send('%PDF-1.4');
        self::assertSame(ImportState::Failed, $import->state);
        $this->get("/imports/$import->id")->assertOk()->assertSee('it is a PDF');
        $this->delete("/imports/$import->id")->assertRedirect('/imports');
        $this->post('/imports', ['type' => 'call'])->assertSessionHasErrors(['file' => 'Choose a file first.']);
    }

    private function calls(int $many, string $prefix = 'C'): string
    {
        $csv = "ref,mobile,line,when,outcome\n";
        for ($i = 0; $i < $many; $i++) {
            $csv .= sprintf("%s%d,+447700900%03d,+447700900100,2026-03-02 09:59,missed\n", $prefix, $i, 200 + $i % 700);
        }

        return $csv;
    }

    private function send(string $csv, string $type = 'call'): Import
    {
        $this->post('/imports', ['type' => $type, 'file' => UploadedFile::fake()->createWithContent('calls.csv', $csv)])
            ->assertSessionHasNoErrors()
            ->assertRedirect();
        $import = Import::query()->orderByDesc('id')->firstOrFail();
        if ($type === 'call' && $import->state === ImportState::ToMap) {
            $this->map($import, [
                'ref' => 'external_id', 'mobile' => 'person.number', 'line' => 'fields.line', 'when' => 'fields.started_at',
            ]);
        }

        return $import;
    }

    /** @param  array<string, string>  $columns */
    private function map(Import $import, array $columns): void
    {
        foreach ($columns as $column => $target) {
            $this->patch("/imports/$import->id", ['at' => $column, 'into' => $target])->assertSessionHasNoErrors();
        }
    }
}
