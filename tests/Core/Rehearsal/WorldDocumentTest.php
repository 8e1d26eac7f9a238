<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\World;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\TestCase;
use Tests\Support\RandomWorlds;

final class WorldDocumentTest extends TestCase
{
    /** Whatever is done to a world, it is read, or refused with the place and the reason; never anything else. */
    public function testWhatIsWrongIsNamedAtItsPlace(): void
    {
        mt_srand(8);
        $schema = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/docs/formats/world-1.schema.json'));
        $refused = $read = 0;
        for ($i = 0; $i < 150; $i++) {
            [$worlds, $rules] = RandomWorlds::of(1 + $i % 7);
            mt_srand($i);
            $document = $worlds->document();
            $document['events'] = array_slice($document['events'], 0, 12);
            $document = self::spoil($document);
            try {
                $world = World::read(Doc::of($document));
                $read++;
                Rehearsal::of($world, array_slice($rules, 0, 2));
            } catch (Unreadable $e) {
                $refused++;
                foreach ($e->problems as $problem) {
                    self::assertStringStartsWith('$', $problem->path);
                    self::assertStringStartsWith('document.', $problem->reason->code);
                }
            }
        }
        self::assertGreaterThan(50, $refused);
        self::assertGreaterThan(25, $read);
        $random = json_decode((string) json_encode(RandomWorlds::of(3)[0]->document()));
        self::assertTrue((new Validator)->validate($random, $schema)->isValid());
    }

    public function testNamesWhoIsNotThere(): void
    {
        $document = RandomWorlds::of(1)[0]->document();
        $document['events'] = [['at' => '2026-04-01T10:00:00Z', 'what' => 'form', 'person' => 'zoe', 'form' => 'hire']];
        try {
            World::read(Doc::of($document));
            self::fail('It was read.');
        } catch (Unreadable $e) {
            self::assertSame(
                ['$.events[0] document.nobody'],
                array_map(fn (Problem $p): string => "$p->path {$p->reason->code}", $e->problems),
            );
        }
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @return array<array-key, mixed>
     */
    private static function spoil(array $document): array
    {
        $key = array_rand($document);
        $value = $document[$key];
        if (is_array($value) && $value !== [] && mt_rand(0, 9) > 0) {
            $document[$key] = self::spoil($value);
        } elseif (mt_rand(0, 1) === 1) {
            $document[$key] = [null, 0, -1, '', 'x', '2026-02-30T10:00:00Z', true, [], ['a' => 1], '+44', 'Europe/Nowhere'][mt_rand(0, 10)];
        } else {
            unset($document[$key]);
        }

        return $document;
    }
}
