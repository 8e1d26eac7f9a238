<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Sentences\Sentence;
use Illuminate\Foundation\Testing\TestCase;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Tariff;
use Linnet\Core\Rehearsal\World;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Linnet\Core\Time\WeeklyHours;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\Worlds;

/** What is wrong with a document, a text, hours, a number or a tariff is said at its place, with how to mend it. Read aloud, once each. */
final class MendsTest extends TestCase
{
    /**
     * @param  \Closure(): mixed  $read
     * @param  list<string>  $expected
     */
    #[DataProvider('mistakes')]
    public function testAMistakeIsSaidAtItsPlaceWithItsMend(\Closure $read, array $expected): void
    {
        try {
            $read();
            self::fail('nothing was wrong');
        } catch (Unreadable $e) {
            $said = array_map(fn (Problem $problem): string => substr($problem->path, 2).': '.Sentence::of($problem->reason), $e->problems);
        } catch (TemplateError $e) {
            $said = ["character $e->at: ".Sentence::of($e->reason())];
        } catch (NotANumber $e) {
            $said = [Sentence::of($e->reason())];
        }

        self::assertSame($expected, $said);
    }

    /** @return iterable<string, array{\Closure(): mixed, list<string>}> */
    public static function mistakes(): iterable
    {
        $step = fn (array $step): \Closure => fn (): Rule => self::rule(['steps' => [['id' => 's'] + $step]]);
        $rule = fn (array $with): \Closure => fn (): Rule => self::rule($with);
        $text = fn (array $with): \Closure => $step(
            $with + [
                'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'contacted'], 'wordings' => [['id' => 'w', 'text' => 'Hello']],
            ],
        );
        $words = fn (string $words): \Closure => fn (): Template => Template::parse($words);
        $hours = fn (array $hours): \Closure => fn (): WeeklyHours => WeeklyHours::read(Doc::of($hours));
        $world = fn (array $with): \Closure => fn (): World => World::read(Doc::of($with + Worlds::boathouse()->document()));
        $number = fn (string $written): \Closure => fn () => Numbers::read($written, 'GB');
        /**
         * @var array<string, array{'rule'|'step'|'text'|'words'|'hours'|'world'|'number'|'tariff'|'policy', mixed, string|list<string>}>
         * $mends
         */
        $mends = require __DIR__.'/mends.php';
        foreach ($mends as $what => [$kind, $with, $says]) {
            yield $what => [
                match ($kind) {
                    'rule' => $rule($with),
                    'step' => $step($with),
                    'text' => $text($with),
                    'words' => $words($with),
                    'hours' => $hours($with),
                    'world' => $world($with),
                    'number' => $number($with),
                    'tariff' => fn (): Tariff => Tariff::read(Doc::of($with)),
                    'policy' => fn (): Policy => Policy::read(
                        Doc::of(
                            $with + [
                                'decent_hours' => ['service' => ['week' => []], 'marketing' => ['week' => []]],
                                'same_text_seconds' => 60,
                            ],
                        ),
                    ),
                },
                array_values((array) $says),
            ];
        }
    }

    /** @param  array<string, mixed>  $with */
    private static function rule(array $with): Rule
    {
        return Rule::read(
            Doc::of(
                $with + [
                    'linnet_rule' => 1, 'name' => 'A rule', 'trigger' => ['on' => 'record_added', 'type' => 'booking'],
                    'again' => ['policy' => 'every_time'], 'stop_early' => ['reply' => true],
                    'steps' => [['id' => 's', 'do' => 'end', 'outcome' => 'done']],
                ],
            ),
        );
    }
}
