<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\RecordType;
use Demo\Records;
use Illuminate\Database\Seeder;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\Targets;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Place;

/** What the boathouse had written down before, through the same door as everything else. */
final class OldRecordsSeeder extends Seeder
{
    public function run(RecordWriter $writer): void
    {
        $people = RecordType::people()->read();
        $place = new Place('GB', 'Europe/London');
        foreach (Records::all() as $key => $records) {
            $targets = Targets::of(RecordType::query()->where('key', $key)->with('fields')->firstOrFail()->read(), $people);
            $cleaned = [];
            foreach ($records as $record) {
                $fields = [];
                foreach ($record['fields'] as $name => $value) {
                    $fields[$name] = FieldNormalizer::into($targets["fields.$name"], $value, $place, $name);
                }
                $cleaned[] = new Cleaned($key, $record['id'], new PersonInput(number: Numbers::read($record['number'], 'GB')), $fields);
            }
            foreach ($cleaned === [] ? [] : $writer->upsertMany($cleaned, ChangeOrigin::seed('the old card index')) as $written) {
                if ($written instanceof Refused) {
                    throw $written;
                }
            }
        }
    }
}
