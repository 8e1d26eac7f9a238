<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Intake\Door;
use App\Models\Business;
use App\Models\FieldKind;
use App\Models\Line;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Source;
use App\Models\Staff;
use Demo\People;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Gate\Power;
use Linnet\Core\Number\Numbers;
use Psr\Clock\ClockInterface;

/** The world of Osier Quay Boathouse before anything happens in it: the same every time. */
final class DatabaseSeeder extends Seeder
{
    public const PASSWORD = 'boathouse';

    /** The phone system's source; a made-up secret for a made-up business. */
    public const PHONE_SECRET = 'osier-quay-phone-secret';

    public function run(ClockInterface $clock, Door $door): void
    {
        DB::transaction(function () use ($clock, $door): void {
            $now = $clock->now();
            $this->business();
            $this->staff();
            $this->calls();
            foreach (People::all() as $somebody) {
                $person = $door->person(Numbers::read($somebody['number'], 'GB'), array_intersect_key($somebody, ['first_name' => 1, 'last_name' => 1]), $now);
                if (isset($somebody['zone'])) {
                    $person->update(['zone' => $somebody['zone']]);
                }
            }
            foreach (['front-desk-missed-call', 'workshop-missed-call', 'night-missed-call'] as $file) {
                $document = json_decode((string) file_get_contents(base_path("demo/rules/$file.json")), true, 64, JSON_THROW_ON_ERROR);
                $rule = Rule::query()->create(['name' => $document['name'], 'power' => Power::On, 'on_since' => $now]);
                $version = RuleVersion::query()->create(['rule_id' => $rule->id, 'number' => 1, 'document' => $document, 'at' => $now]);
                $rule->update(['version_id' => $version->id]);
            }
        });
    }

    private function business(): void
    {
        $week = fn (string $from, string $to): array => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], [[$from, $to]]);
        Business::query()->create([
            'install' => '0e1d9a52-7f6c-4b58-9c3e-05b0a7e0d1f4',
            'name' => 'Osier Quay Boathouse', 'country' => 'GB', 'zone' => 'Europe/London', 'locale' => 'en_GB', 'sending' => Power::On,
            'opening_hours' => ['week' => $week('09:00', '18:00'), 'closed' => ['2026-12-25', '2026-12-26', '2027-01-01']],
            'policy' => [
                'decent_hours' => [
                    'service' => ['week' => $week('08:00', '20:30'), 'closed' => []],
                    'marketing' => ['week' => $week('09:00', '19:00'), 'closed' => ['2026-12-25', '2026-12-26']],
                ],
                'same_text_seconds' => 3600,
            ],
            'words' => [
                'opt_out' => ['STOP', 'STOPALL', 'UNSUBSCRIBE', 'END', 'QUIT'], 'opt_in' => ['START', 'UNSTOP'], 'help' => ['HELP', 'INFO'],
            ],
            'tariff' => ['currency' => 'GBP', 'per_part' => ['GB' => 32_000, 'CA' => 9_000, 'US' => 9_000, 'AU' => 41_000, 'IE' => 60_000, 'FR' => 58_000], 'elsewhere' => 90_000],
        ]);
        Line::query()->create(['key' => 'front-desk', 'name' => 'front desk', 'number' => '+447700900100', 'power' => Power::On]);
        Line::query()->create(['key' => 'workshop', 'name' => 'workshop', 'number' => '+447700900101', 'power' => Power::On]);
    }

    private function staff(): void
    {
        foreach ([
            ['Mira Okafor', 'mira@osierquay.example', Role::Administrator],
            ['Tom Reyes', 'tom@osierquay.example', Role::Operator],
            ['Nia Sorrell', 'nia@osierquay.example', Role::Agent],
            ['Viv Harte', 'viv@osierquay.example', Role::Viewer],
        ] as [$name, $email, $role]) {
            Staff::query()->create(['name' => $name, 'email' => $email, 'role' => $role, 'password' => self::PASSWORD]);
        }
    }

    private function calls(): void
    {
        $call = RecordType::query()->create(['key' => 'call', 'name' => 'Call', 'plural' => 'Calls']);
        $call->fields()->createMany([
            ['key' => 'outcome', 'name' => 'Outcome', 'kind' => FieldKind::Choice, 'options' => ['missed', 'answered'], 'position' => 1],
            ['key' => 'line', 'name' => 'Line called', 'kind' => FieldKind::Line, 'position' => 2],
            ['key' => 'started_at', 'name' => 'Started', 'kind' => FieldKind::DateTime, 'position' => 3],
            ['key' => 'rang_for', 'name' => 'Rang for (milliseconds)', 'kind' => FieldKind::Number, 'position' => 4],
            ['key' => 'why', 'name' => 'Why unanswered', 'kind' => FieldKind::Text, 'position' => 5],
        ]);
        Source::query()->create([
            'key' => 'phone', 'name' => 'Phone system', 'secret_hash' => hash('sha256', self::PHONE_SECRET),
            'mapping' => [
                'type' => 'call',
                'country' => 'GB',
                'only_if' => [['at' => 'why_unanswered', 'test' => 'not_null', 'otherwise' => 'somebody answered, and only missed calls are taken.']],
                'external_id' => ['at' => 'ref'],
                'number' => ['at' => 'cli'],
                'fields' => [
                    'outcome' => ['always' => 'missed'],
                    'line' => ['at' => 'ddi', 'clean' => 'phone'],
                    'started_at' => ['at' => 't0', 'clean' => 'unix_milliseconds'],
                    'rang_for' => ['at' => 'ring.ms', 'clean' => 'number'],
                    'why' => ['at' => 'why_unanswered'],
                ],
            ],
        ]);
    }
}
