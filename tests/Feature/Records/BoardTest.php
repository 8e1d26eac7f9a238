<?php

declare(strict_types=1);

namespace Tests\Feature\Records;

use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Change;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Pages\Records\BoardPage;
use Database\Seeders\OldRecordsSeeder;
use Illuminate\Support\Facades\DB;
use Tests\Feature\TestCase;

final class BoardTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        DB::transaction(fn () => (new OldRecordsSeeder)->run(resolve(RecordWriter::class)));
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testColumnsFollowTheChoicesInTheirOrderAndCountWhatTheyHold(): void
    {
        $type = RecordType::query()->where('key', 'deal')->with('fields')->firstOrFail();
        $deal = Record::query()->where('record_type_id', $type->id)->firstOrFail();
        $deal->update(['values' => array_diff_key($deal->values, ['stage' => 1])]);
        $board = new BoardPage($type, $type->fields->firstWhere('key', 'stage') ?? self::fail('no stage'), Business::ours());

        self::assertSame(['asked', 'talked', 'offered', 'agreed', 'lost', ''], array_column($board->columns, 'value'));
        self::assertSame(46, array_sum(array_map(intval(...), array_column($board->columns, 'count'))));
        self::assertSame([$deal->id], $board->columns[5]['cards']->pluck('id')->all());
        self::assertContains('£'.number_format((float) $deal->values['value']), $board->says($deal));
    }

    public function testACardIsMovedToAChoiceThereIsAndToNoOther(): void
    {
        $deal = Record::query()->where('external_id', 'D001')->firstOrFail();
        $this->patch("/records/deal/$deal->id/move?by=stage", ['to' => 'won'])->assertSessionHasErrors('to');
        $this->patch("/records/job/$deal->id/move?by=stage", ['to' => 'ready'])->assertNotFound();
        $to = $deal->values['stage'] === 'agreed' ? 'lost' : 'agreed';
        $this->withHeader('HX-Request', 'true')
            ->patch("/records/deal/$deal->id/move?by=stage", ['to' => $to])
            ->assertOk()
            ->assertSee('id="board"', false)
            ->assertDontSee('<html', false);

        self::assertSame($to, $deal->refresh()->values['stage']);
        self::assertSame(
            [['stage' => $to], 'Mira Okafor'],
            [
                Change::query()->where('record_id', $deal->id)->orderByDesc('id')->firstOrFail()->to,
                Change::query()->where('record_id', $deal->id)->orderByDesc('id')->firstOrFail()->via,
            ],
        );
        RecordType::query()->create(['key' => 'plain', 'name' => 'Plain', 'plural' => 'Plains']);
        $this->get('/records/plain/board')->assertRedirect('/records/plain');
        $this->get('/records/plain')->assertOk()->assertSee('No plains here yet');
    }

    public function testPicksOfferPeopleByNameAndRecordsByTitle(): void
    {
        $this->get('/picks?of=person&name=who&fields[who]=Noor')->assertOk()->assertSee('Noor Haddad (#')->assertSee('+44 7700 900343');
        $this->get('/picks?of=deal&name=deal&fields[deal]=harbour')->assertOk()->assertSee('Harbour Mutual, summer day (#');
        $this->get('/picks?of=deal&name=deal&fields[deal]=')->assertOk()->assertDontSee('option');
        $this->get('/picks?of=deal&name=deal&fields[deal]=%25')->assertOk()->assertDontSee('option');
        $this->get('/picks?of=person')->assertSessionHasErrors('name');
    }
}
