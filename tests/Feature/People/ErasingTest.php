<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Engine\Store\Labels;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Consent;
use App\Models\Delivery;
use App\Models\Import;
use App\Models\Message;
use App\Models\Person;
use App\Models\Record;
use App\Models\RefusedRow;
use App\Models\Role;
use App\Models\Run;
use App\Models\Trace;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\LabelKind;
use Tests\Feature\TestCase;

final class ErasingTest extends TestCase
{
    public function testNothingOfThePersonIsLeftAndTheirStopOutlivesThem(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:03');
        $this->work();
        $this->textFrom(self::WEN, 'STOP');
        $this->work();
        $wen = $this->person(self::WEN);
        foreach (['run_id' => Run::query(), 'message_id' => Message::query()] as $about => $some) {
            Trace::note(new Reason('gate.opted_out', ['who' => 'Wen Li']), now()->toImmutable(), [
                $about => $some->where('person_id', $wen->id)->firstOrFail()->id,
            ]);
        }
        Labels::set($wen->id, LabelKind::Tag, 'member', true, ChangeOrigin::seed('x'), now()->toImmutable());

        $this->actingAs($this->staff(Role::Administrator))->delete("/people/$wen->id")->assertRedirect('/people');

        self::assertNull(Person::query()->find($wen->id));
        foreach (['numbers', 'messages', 'conversations', 'runs', 'consents', 'labels', 'traces', 'changes', 'external_ids'] as $table) {
            self::assertSame(0, DB::table($table)->where('person_id', $wen->id)->count(), $table);
        }
        self::assertSame(0, DB::table('timers')->count());
        self::assertSame(0, DB::table('traces')->whereNotNull('run_id')->orWhereNotNull('message_id')->count());
        self::assertSame('', Delivery::query()->firstOrFail()->body);
        self::assertNull(Record::query()->firstOrFail()->person_id);
        // Nowhere in the database does the number stand any more.
        foreach (Schema::getTableListing(schemaQualified: false) as $table) {
            self::assertStringNotContainsString('7700900301', (string) json_encode(DB::table($table)->get()), $table);
        }

        // The same number comes in again, in another coat.
        DB::transaction(
            fn () => resolve(RecordWriter::class)->person(
                new PersonInput(number: Numbers::read('07700 900301', 'GB'), own: ['first_name' => 'Wendel']),
                ChangeOrigin::seed('a file'),
            ),
        );
        self::assertSame(
            ['withdrawn', 'all', 'erased'],
            array_values(
                Consent::query()
                    ->where('number', self::WEN)
                    ->firstOrFail()
                    ->only(['act', 'scope', 'how']),
            ),
        );
        $this->missedCall(self::WEN);
        $this->work();
        self::assertSame([], $this->textsTo(self::WEN));
    }

    public function testWhatWasRefusedForgetsThemToo(): void
    {
        $wen = $this->person(self::WEN);
        $wen->update(['email' => 'wen@example.org']);
        $file = Import::query()->create(['name' => 'calls.csv', 'state' => 'done', 'file' => 'x', 'refused' => 7, 'at' => now()]);
        foreach (
            [
                '07700 900 301', '+44 (0)7700-900301', '0044 7700/900301', 'WEN@example.org', '07700 900302', '077009003010',
                '+1 208 700 900 301',
            ] as $i => $cell
        ) {
            RefusedRow::query()->create([
                'import_id' => $file->id, 'row' => $i + 2, 'cells' => ['Wen', $cell],
                'reason' => ['code' => 'intake.no_external_id', 'with' => []],
            ]);
        }
        foreach (['{"cli":"0044-7700-900301"', '{"cli":"0044-7700-900302"'] as $body) {
            $this->postPhone($body);
        }

        $this->actingAs($this->staff(Role::Administrator))->delete("/people/$wen->id")->assertRedirect('/people');

        self::assertSame([6, 7, 8], RefusedRow::query()->orderBy('id')->pluck('row')->all());
        self::assertSame(3, $file->refresh()->refused);
        self::assertSame(
            [['left_out', ''], ['refused', '{"cli":"0044-7700-900302"']],
            Delivery::query()->orderBy('id')->get()->map(fn (Delivery $one): array => [$one->state->value, $one->body])->all(),
        );
        $this->get('/sources/phone/deliveries/'.Delivery::query()->min('id'))->assertOk()->assertSee('named somebody who has been erased');
    }

    public function testWhoNeverSaidStopLeavesNoFingerprint(): void
    {
        $this->actingAs($this->staff(Role::Administrator))->delete('/people/'.$this->person(self::WEN)->id);

        self::assertSame(0, DB::table('fingerprints')->count());
    }

    public function testAMessageUnderWayGoesWithThem(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->actingAs($this->staff(Role::Administrator))->delete('/people/'.$this->person(self::WEN)->id);
        $this->travelToMoment('2026-03-02 10:10');

        $this->work();

        self::assertSame(0, Message::query()->count());
        self::assertSame([], $this->handedOver);
    }
}
