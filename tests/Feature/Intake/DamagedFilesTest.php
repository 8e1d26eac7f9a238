<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Models\Import;
use App\Models\ImportState;
use App\Models\Role;
use App\Models\Source;
use App\Sentences\Sentence;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Http;
use Tests\Feature\TestCase;
use Tests\Support\Workbook;

/** Two hundred damaged files of every kind: each in its place with what is wrong, none the end of anything. */
final class DamagedFilesTest extends TestCase
{
    private const MANY = 200;

    private string $workbook;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
        $this->workbook = (string) tempnam(sys_get_temp_dir(), 'book');
        Workbook::write(
            $this->workbook,
            [
                '<row r="1"><c r="A1" t="s"><v>0</v></c><c r="B1" t="s"><v>1</v></c></row>',
                '<row r="2"><c r="A2" t="s"><v>0</v></c><c r="B2" s="1"><v>46083</v></c></row>',
            ],
            '<si><t>Name</t></si><si><t>When</t></si>',
        );
    }

    protected function tearDown(): void
    {
        Import::query()->get()->each(fn (Import $import) => @unlink($import->table()));
        @unlink($this->workbook);
        parent::tearDown();
    }

    public function testEachStandsInItsPlaceWithWhatIsWrong(): void
    {
        mt_srand(8);
        for ($i = 0; $i < self::MANY; $i++) {
            $bytes = $this->damaged($i);
            $response = $this->post('/imports', [
                'file' => UploadedFile::fake()->createWithContent("file-$i", $bytes),
                'type' => 'booking',
            ]);
            self::assertContains($response->getStatusCode(), [302], "file $i: ".substr($bytes, 0, 60));
        }
        $this->takeIn();

        $imports = Import::query()->get();
        self::assertGreaterThan(self::MANY - 20, $imports->count());
        self::assertSame(
            [],
            array_diff($imports->map(fn (Import $import): string => $import->state->value)->unique()->values()->all(), [
                ImportState::Failed->value,
                ImportState::ToMap->value,
            ]),
        );
        foreach ($imports->where('state', ImportState::Failed) as $import) {
            self::assertNotSame('', Sentence::of($import->problem ?? ['code' => '', 'with' => []]));
        }
        foreach ($imports->random(25) as $import) {
            $this->get("/imports/$import->id")->assertOk();
        }
        self::assertGreaterThan(60, $imports->where('state', ImportState::Failed)->count());
    }

    public function testOneSourcesTroubleIsThatSourcesAlone(): void
    {
        Http::swap(new Factory);
        $files = [
            'torn' => substr((string) file_get_contents($this->workbook), 0, 300),
            'spins' => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:a\r\nSUMMARY:Regatta\r\nDTSTART:20260301T100000Z\r\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
            'x' => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:a\r\nSUMMARY:Regatta\r\nDTSTART:20260301T100000Z\r\nRRULE:x\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
            'well' => "Ref,When\nA,2026-03-04\n",
        ];
        Http::fake(fn (Request $request) => Http::response($files[basename((string) parse_url($request->url(), PHP_URL_PATH))] ?? '', 200));
        $this->app->bind(\App\Outside\Resolver::class, fn () => new class extends \App\Outside\Resolver
        {
            public function addresses(string $host): array
            {
                return ['93.184.216.34'];
            }
        });
        foreach (array_keys($files) as $name) {
            $this->post('/sources', [
                'name' => $name, 'kind' => 'watched', 'type' => 'booking', 'address' => "https://files.example/$name",
                'every_minutes' => '60',
            ])->assertSessionHasNoErrors();
        }
        $this->takeIn();

        $problem = fn (string $key): string => ($reason = Source::query()->where('key', $key)->sole()->problem) === null
            ? ''
            : Sentence::of($reason);
        self::assertStringContainsString('workbook', $problem('torn'));
        self::assertSame(
            'The event “Regatta” comes back by a rule that cannot be followed (FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30). Only its first time is taken; everything else is.',
            $problem('spins'),
        );
        self::assertStringContainsString('cannot be followed (x)', strtolower($problem('x')));
        self::assertSame('', $problem('well'));
        $this->get('/today')->assertSee('There is trouble with torn')->assertSee('There is trouble with spins');
    }

    /** A whole file of some kind, cut, flipped, doubled or stuffed. */
    private function damaged(int $i): string
    {
        $whole = match ($i % 4) {
            0 => (string) file_get_contents($this->workbook),
            1 => "Ref,Guest,Mobile,When\nA1,Noor,07700 900343,2026-03-14 10:00\nA2,\"Tom \"\"T\"\" Reyes\",07700 900350,2026-03-15 10:00\n",
            2 => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VTIMEZONE\r\nTZID:Quay\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nTZOFFSETFROM:+0530\r\nTZOFFSETTO:+0530\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\nBEGIN:VEVENT\r\nUID:w\r\nDTSTART;TZID=Quay:20260307T100000\r\nDURATION:PT2H\r\nRRULE:FREQ=WEEKLY;BYDAY=SA\r\nEXDATE;TZID=Quay:20260314T100000\r\nSUMMARY:Taster\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
            default => "BEGIN:VCARD\r\nVERSION:3.0\r\nN:Haddad;Noor;;;\r\nFN:Noor Haddad\r\nTEL;TYPE=CELL:07700 900 343\r\nEND:VCARD\r\n",
        };
        $at = mt_rand(0, strlen($whole) - 1);

        return match (mt_rand(0, 7)) {
            0 => substr($whole, 0, $at),
            1 => substr_replace($whole, chr(mt_rand(0, 255)), $at, 1),
            2 => substr_replace($whole, str_repeat(chr(mt_rand(0, 255)), mt_rand(1, 400)), $at, 0),
            3 => substr($whole, 0, $at).substr($whole, 0, $at).$whole,
            4 => str_replace(
                ['SA', '20260307', '+0530', '46083', ','],
                [
                    ['XX', 'SA;BYMONTH=13', ''][mt_rand(0, 2)], ['00000000', '99999999', 'soon'][mt_rand(0, 2)],
                    ['+9999', ''][mt_rand(0, 1)], ['-1', '1e400', ''][mt_rand(0, 2)], [';', "\0"][mt_rand(0, 1)],
                ],
                $whole,
            ),
            5 => (string) mb_convert_encoding($whole, 'UTF-16LE', 'ISO-8859-1'),
            6 => implode("\r\n", array_reverse(explode("\r\n", $whole))),
            default => (string) gzencode($whole),
        };
    }
}
