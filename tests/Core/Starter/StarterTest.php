<?php

declare(strict_types=1);

namespace Tests\Core\Starter;

use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Starter\Cast;
use Linnet\Core\Starter\Starter;
use PHPUnit\Framework\TestCase;

/** Rules to begin with. */
final class StarterTest extends TestCase
{
    public function testEveryStarterIsInTheLanguageOfRulesAndSaysWhatItIsFor(): void
    {
        $starters = self::all();
        self::assertGreaterThanOrEqual(25, count($starters));
        foreach ($starters as $starter) {
            self::assertNotSame('', $starter->for, $starter->key);
            self::assertNotNull($starter->rule->folder, $starter->key);
            $text = (new RuleWriter($starter->language))->text($starter->rule);
            self::assertEquals($starter->rule->toDocument(), (new RuleReader($starter->language))->read($text)->rule?->toDocument(), $text);
        }
        self::assertCount(count($starters), array_unique(array_map(fn (Starter $one): string => $one->rule->name, $starters)));
    }

    public function testTheRulesPartsArePlayedByOurOwn(): void
    {
        $cast = new Cast(
            ['booking' => 'appointment'], ['booking.what' => 'treatment', 'booking.start' => 'begins', 'booking.state' => 'status'],
            ['booking.state' => ['booked' => 'fixed', 'cancelled' => 'called off', 'came' => 'came', 'did not come' => 'stayed away']],
            'front',
        );
        $rule = $cast->rule(self::all()['booking-tomorrow']);
        $json = $rule->toJson();
        self::assertStringNotContainsString('booking', $json);
        self::assertSame(
            ['on' => 'date_reached', 'type' => 'appointment', 'field' => 'begins'],
            array_intersect_key($rule->toDocument()['trigger'], ['on' => 1, 'type' => 1, 'field' => 1]),
        );
        self::assertSame(['field' => 'appointment.status', 'test' => 'is', 'value' => 'fixed'], $rule->conditions->toDocument());
        self::assertStringContainsString('{{ appointment.treatment }} is {{ appointment.begins | as: \"relative day\" }}', $json);
        self::assertStringContainsString('"appointment.status": "called off"', $json);
        self::assertStringContainsString('"key": "front"', $json);
        self::assertStringContainsString(
            '"to": "stayed away"',
            (string) json_encode($cast->rule(self::all()['booking-missed'])->toDocument(), JSON_PRETTY_PRINT),
        );
    }

    /** @return array<string, Starter> */
    private static function all(): array
    {
        $all = [];
        foreach (glob(dirname(__DIR__, 3).'/starters/*.txt') ?: [] as $file) {
            $all[basename($file, '.txt')] = Starter::read(basename($file, '.txt'), (string) file_get_contents($file));
        }

        return $all;
    }
}
