<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Rehearsal\WorldEvent;
use Linnet\Core\Rehearsal\WorldEventKind;
use PHPUnit\Framework\TestCase;
use Tests\Support\RandomRules;
use Tests\Support\RandomWorlds;

/** What the worlds are worth in which life is compared with paper: whatever a rule can say is said in some of them. */
final class RandomWorldsTest extends TestCase
{
    /** Of no consequence to what is done. */
    private const ASIDE = ['folder', 'examples', 'example'];

    /** Said by leaving them out. */
    private const UNSAID = ['match: whole', 'turns: first', 'texts: automatic'];

    public function testEveryTriggerStepOptionConditionAndEventIsDrawn(): void
    {
        $wanted = $drawn = $events = [];
        $this->ofSchema(RandomRules::schema(), $wanted);
        for ($seed = 1; $seed <= 250; $seed++) {
            [$worlds, $rules] = RandomWorlds::of($seed);
            foreach ($rules as $rule) {
                str_starts_with((string) $rule->key, 'drawn-') && $this->ofDocument($rule->toDocument(), $drawn);
            }
            $events += array_flip(array_map(fn (WorldEvent $event): string => $event->kind->value, $worlds->build()->events));
        }
        self::assertGreaterThan(200, count($wanted));
        self::assertSame([], array_values(array_diff(array_keys($wanted), array_keys($drawn), self::UNSAID)));
        self::assertSame([], array_values(array_diff(array_column(WorldEventKind::cases(), 'value'), array_keys($events))));
    }

    /**
     * Each word a schema lets one choose, and each key of a step, trigger and condition.
     *
     * @param  array<array-key, mixed>  $schema
     * @param  array<string, true>  $wanted
     */
    private function ofSchema(array $schema, array &$wanted): void
    {
        $properties = array_diff_key((array) ($schema['properties'] ?? []), array_flip(self::ASIDE));
        foreach ($properties as $key => $property) {
            $of = (array) ($property['items'] ?? $property);
            foreach ([...(array) ($of['const'] ?? []), ...(array) ($of['enum'] ?? [])] as $word) {
                $wanted["$key: $word"] = true;
            }
            foreach (['do', 'on'] as $kind) {
                foreach ([...(array) ($properties[$kind]['const'] ?? []), ...(array) ($properties[$kind]['enum'] ?? [])] as $word) {
                    $wanted["$kind $word has $key"] = true;
                }
            }
            isset($properties['do']) || isset($properties['on']) || $wanted["has $key"] = true;
        }
        foreach (array_diff_key($schema, ['properties' => 1] + array_flip(self::ASIDE)) + $properties as $part) {
            is_array($part) && $this->ofSchema($part, $wanted);
        }
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @param  array<string, true>  $drawn
     */
    private function ofDocument(array $document, array &$drawn): void
    {
        foreach ($document as $key => $value) {
            foreach (is_scalar($value) ? [$value] : array_filter((array) $value, is_scalar(...)) as $word) {
                $drawn["$key: ".(is_bool($word) ? (int) $word : $word)] = true;
            }
            foreach (['do', 'on'] as $kind) {
                isset($document[$kind]) && is_string($document[$kind]) && $drawn["$kind $document[$kind] has $key"] = true;
            }
            $drawn["has $key"] = true;
            is_array($value) && $this->ofDocument($value, $drawn);
        }
    }
}
