<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Counts\AccountOffsets;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Line;
use App\Models\Proof;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Source;
use App\Models\SourceKind;
use App\Models\Staff;
use App\Records\FieldColumn;
use Demo\People;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\ActivationState;
use Psr\Clock\ClockInterface;

/** The world of Osier Quay Boathouse before anything happens in it: the same every time. */
final class DatabaseSeeder extends Seeder
{
    public const PASSWORD = 'boathouse';

    /** The phone system's source; a made-up secret for a made-up business. */
    public const PHONE_SECRET = 'osier-quay-phone-secret';

    public const SHOP_SECRET = 'whsec_b3NpZXItcXVheS1zaG9wLXNlY3JldC1tYWRlLXVw';

    public const BOOKINGS_SECRET = 'osier-quay-bookings-secret';

    public function run(ClockInterface $clock, RecordWriter $writer): void
    {
        DB::transaction(function () use ($clock, $writer): void {
            $now = $clock->now();
            $this->business();
            $this->staff();
            $this->recordTypes();
            $this->sources($now);
            $people = array_map(
                fn (array $somebody): Cleaned => new Cleaned(
                    'person',
                    null,
                    new PersonInput(
                        number: Numbers::read($somebody['number'], 'GB'),
                        own: array_intersect_key($somebody, ['first_name' => 1, 'last_name' => 1, 'zone' => 1]),
                    ),
                    [],
                ),
                People::named(),
            );
            if ($people !== []) {
                $writer->upsertMany($people, ChangeOrigin::seed('people of the boathouse'));
            }
            foreach (['front-desk-missed-call', 'workshop-missed-call', 'night-missed-call'] as $file) {
                $document = json_decode((string) file_get_contents(base_path("demo/rules/$file.json")), true, 64, JSON_THROW_ON_ERROR);
                $rule = Rule::query()->create([
                    'name' => $document['name'], 'key' => $document['key'], 'power' => ActivationState::On, 'on_since' => $now,
                ]);
                $version = RuleVersion::query()->create(['rule_id' => $rule->id, 'number' => 1, 'document' => $document, 'at' => $now]);
                $rule->update(['version_id' => $version->id]);
            }
        });
    }

    private function business(): void
    {
        $week = fn (string $from, string $to): array => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], [[$from, $to]]);
        Business::query()->create([
            'install' => '0e1d9a52-7f6c-4b58-9c3e-05b0a7e0d1f4', 'name' => 'Osier Quay Boathouse', 'country' => 'GB',
            'zone' => 'Europe/London', 'locale' => 'en_GB', 'sending' => ActivationState::On,
            'opening_hours' => ['week' => $week('09:00', '18:00'), 'closed' => ['2026-12-25', '2026-12-26', '2027-01-01']],
            'policy' => [
                'decent_hours' => [
                    'service' => ['week' => $week('08:00', '20:30'), 'closed' => []],
                    'marketing' => ['week' => $week('09:00', '19:00'), 'closed' => ['2026-12-25', '2026-12-26']],
                ],
                'same_text_seconds' => 3600,
            ],
            'words' => [
                'opt_out' => ['STOP', 'STOPALL', 'UNSUBSCRIBE', 'END', 'QUIT'],
                'opt_in' => ['START', 'UNSTOP'],
                'help' => ['HELP', 'INFO'],
            ],
            'tariff' => [
                'currency' => 'GBP',
                'per_part' => ['GB' => 32_000, 'CA' => 9_000, 'US' => 9_000, 'AU' => 41_000, 'IE' => 60_000, 'FR' => 58_000],
                'elsewhere' => 90_000, 'picture' => ['GB' => 110_000, 'CA' => 30_000, 'US' => 30_000, 'AU' => 160_000],
                'picture_elsewhere' => 240_000,
            ],
        ]);
        AccountOffsets::fill(Business::query()->firstOrFail()->zone);
        Line::query()->create(['key' => 'front-desk', 'name' => 'front desk', 'number' => '+447700900100', 'power' => ActivationState::On]);
        Line::query()->create(['key' => 'workshop', 'name' => 'workshop', 'number' => '+447700900101', 'power' => ActivationState::On]);
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

    private function recordTypes(): void
    {
        /**
         * @var list<array{
         *   key: string, name: string, plural: string, person_noun?: string, person?: string, title?: string, start?: string,
         *   end?: string, stage?: string, fields: list<array<string, mixed>>}> $types
         */
        $types = json_decode((string) file_get_contents(base_path('demo/record-types.json')), true, 16, JSON_THROW_ON_ERROR);
        foreach ($types as $written) {
            $type = RecordType::query()->create([
                'key' => $written['key'], 'name' => $written['name'], 'plural' => $written['plural'],
                'person_noun' => $written['person_noun'] ?? null, 'person_field' => $written['person'] ?? null,
                'title_field' => $written['title'] ?? null, 'start_field' => $written['start'] ?? null,
                'end_field' => $written['end'] ?? null, 'stage_field' => $written['stage'] ?? null,
            ]);
            foreach ($written['fields'] as $i => $field) {
                $made = $type->fields()->create($field + ['position' => $i + 1]);
                if (! $type->isPeople()) {
                    FieldColumn::index($made);
                }
            }
        }
    }

    private function sources(\DateTimeImmutable $now): void
    {
        foreach ([
            ['phone', 'Phone system', Proof::Secret, self::PHONE_SECRET],
            ['shop', 'Shop: baskets', Proof::Signature, self::SHOP_SECRET],
            ['shop-orders', 'Shop: orders', Proof::Signature, self::SHOP_SECRET],
            ['bookings', 'Booking page', Proof::Secret, self::BOOKINGS_SECRET],
        ] as [$key, $name, $proof, $secret]) {
            Source::query()->create([
                'key' => $key, 'name' => $name, 'kind' => SourceKind::Feed, 'power' => ActivationState::On, 'proof' => $proof,
                'secret' => $secret,
                'mapping' => json_decode((string) file_get_contents(base_path("demo/sources/$key.json")), true, 32, JSON_THROW_ON_ERROR),
            ]);
        }
        $standins = config('demo.standins_url');
        if (is_string($standins) && $standins !== '') {
            Source::query()->create([
                'key' => 'racks', 'name' => 'Rack list', 'kind' => SourceKind::Watched, 'power' => ActivationState::On,
                'proof' => Proof::Secret, 'address' => "$standins/racks.csv", 'every_minutes' => 60, 'look_at' => $now,
                'mapping' => json_decode((string) file_get_contents(base_path('demo/sources/racks.json')), true, 32, JSON_THROW_ON_ERROR),
            ]);
        }
    }
}
