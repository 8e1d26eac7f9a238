<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Intake\Door;
use App\Intake\Origin;
use App\Models\RecordType;
use Demo\Records;
use Illuminate\Database\Seeder;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\Fit;
use Linnet\Core\Intake\PersonSaid;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\Targets;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Place;

/** What the boathouse had written down before, through the same door as everything else. */
final class OldRecordsSeeder extends Seeder
{
    public function run(Door $door): void
    {
        $people = RecordType::people()->read();
        $place = new Place('GB', 'Europe/London');
        foreach (Records::all() as $key => $records) {
            $targets = Targets::of(RecordType::query()->where('key', $key)->with('fields')->firstOrFail()->read(), $people);
            $cleaned = [];
            foreach ($records as $record) {
                $fields = [];
                foreach ($record['fields'] as $name => $value) {
                    $fields[$name] = Fit::into($targets["fields.$name"], $value, $place, $name);
                }
                $cleaned[] = new Cleaned($key, $record['id'], new PersonSaid(number: Numbers::read($record['number'], 'GB')), $fields);
            }
            foreach ($cleaned === [] ? [] : $door->takeAll($cleaned, Origin::seed('the old card index')) as $written) {
                if ($written instanceof Refused) {
                    throw $written;
                }
            }
        }
    }
}
