<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Person;
use App\Models\Source;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\Numbers;
use Tests\Feature\TestCase;

final class DoorTest extends TestCase
{
    public function testWhatIsKnownOfAPersonStaysAndWhatWasEmptyIsFilledIn(): void
    {
        $this->take('A1', ['first_name' => 'Wendy', 'email' => 'wen@example.org', 'boat' => 'sea kayak'], ['why' => 'rang out']);
        $this->take('A2', ['boat' => 'canoe', 'club' => 'Tuesday'], []);
        $wen = $this->person(self::WEN);

        self::assertSame(['Wen', 'Li', 'wen@example.org'], [$wen->first_name, $wen->last_name, $wen->email]);
        self::assertEquals(['boat' => 'sea kayak', 'club' => 'Tuesday'], $wen->fields);
    }

    public function testSomebodyNewIsMadeKnownOnce(): void
    {
        $before = Person::query()->count();
        foreach (['B1', 'B2'] as $ref) {
            $this->take($ref, ['first_name' => 'Ottoline'], [], '+447700900777');
        }

        self::assertSame($before + 1, Person::query()->count());
        self::assertSame('Ottoline', $this->person('+447700900777')->first_name);
    }

    public function testAChangeSaysWhatWasAndWhatIsAndNothingElse(): void
    {
        $this->take('C1', [], ['why' => 'rang out', 'rang_for' => 5]);
        $this->take('C1', [], ['why' => 'rang out', 'rang_for' => 5]);
        $this->take('C1', [], ['why' => 'line busy', 'rang_for' => 5]);
        $changes = Change::query()->whereNotNull('record_id')->with('record')->orderBy('id')->get();

        self::assertSame([ChangeKind::RecordAdded, ChangeKind::RecordChanged], $changes->pluck('kind')->all());
        self::assertSame([['why' => 'rang out'], ['why' => 'line busy']], [$changes[1]?->from, $changes[1]?->to]);
        self::assertSame(['why' => 'line busy', 'rang_for' => 5], $changes[1]?->record?->values);
    }

    public function testARecordOfNobodyIsKeptAndBelongsToNobody(): void
    {
        $record = resolve(RecordWriter::class)->upsert(
            new Cleaned('call', 'D1', new PersonInput, ['why' => 'rang out']),
            ChangeOrigin::seed('test'),
        );

        self::assertNull($record->personId);
        $this->work();
        self::assertSame([], $this->handedOver);
    }

    /**
     * @param  array<string, string>  $person
     * @param  array<string, scalar|null>  $fields
     */
    private function take(string $ref, array $person, array $fields, string $number = self::WEN): void
    {
        $own = array_intersect_key($person, array_flip(PersonInput::OWN));
        $said = new PersonInput(
            null, Numbers::read($number, 'GB'), $person['email'] ?? null, $own, array_diff_key($person, $own, ['email' => 1]),
        );
        resolve(RecordWriter::class)->upsert(
            new Cleaned('call', $ref, $said, $fields),
            ChangeOrigin::delivery(Source::query()->firstOrFail(), null),
        );
    }
}
