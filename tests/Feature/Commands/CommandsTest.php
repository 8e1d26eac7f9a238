<?php

declare(strict_types=1);

namespace Tests\Feature\Commands;

use App\Console\Commands\Reference;
use Illuminate\Support\Facades\Artisan;
use Tests\Feature\TestCase;

final class CommandsTest extends TestCase
{
    public function testLength(): void
    {
        self::assertSame(
            ['encoding' => 'UCS-2', 'units' => 2, 'parts' => 1, 'left' => 68, 'culprits' => ['’'], 'as_sent' => ['a’']],
            $this->print('linnet:length', ['text' => 'a’']),
        );
    }

    public function testNumber(): void
    {
        self::assertSame(
            ['e164' => '+14165550142', 'kind' => 'either', 'zones' => ['America/Toronto'], 'problem' => null],
            $this->print('linnet:number', ['text' => '416 555 0142', '--country' => 'CA']),
        );
        self::assertSame(
            ['e164' => null, 'kind' => 'unknown', 'zones' => [], 'problem' => '“12” is too short or too long for a telephone number.'],
            $this->print('linnet:number', ['text' => '12']),
        );
    }

    public function testRender(): void
    {
        $facts = tempnam(sys_get_temp_dir(), 'facts');
        file_put_contents(
            (string) $facts,
            '{"first_name": "Ana", "lesson": {"starts": {"at": "2026-03-14T10:00:00Z", "zone": "Europe/London"}}}',
        );
        $with = ['--facts' => $facts, '--at' => '2026-03-13T20:00:00-05:00', '--zone' => 'America/Toronto', '--locale' => 'en_GB'];

        self::assertSame(
            ['text' => 'Ana, tomorrow at 10:00'],
            $this->print(
                'linnet:render',
                [
                    'template' => '{{ first_name }}, {{ lesson.starts | as: "relative day" }} at {{ lesson.starts | as: "time" }}',
                ] + $with,
            ),
        );
        self::assertSame(
            ['problem' => ['at' => 6, 'says' => 'There is no value for “last name”, and the text gives nothing to say instead.']],
            $this->print(
                'linnet:render',
                [
                    'template' => 'Hi {{ last_name }}',
                ] + $with,
            ),
        );
        self::assertSame(2, Artisan::call('linnet:render', ['template' => 'Hi', '--at' => 'noon']));
    }

    public function testThePagesOfTheFormatsAreThoseOfTheirSchemas(): void
    {
        foreach (Reference::PAGES as $page) {
            self::assertSame(
                Reference::page($page),
                file_get_contents(base_path("docs/formats/$page.md")),
                'Run php artisan linnet:reference.',
            );
        }
    }

    /**
     * @param  array<string, mixed>  $with
     * @return array<string, mixed>
     */
    private function print(string $command, array $with): array
    {
        Artisan::call($command, $with + ['--json' => true]);

        return json_decode(Artisan::output(), true, 8, JSON_THROW_ON_ERROR);
    }
}
