<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Number\PhoneNumber;
use Linnet\Core\Time\Zone;

/** Somebody in a world on paper. */
final readonly class WorldPerson
{
    /**
     * @param  array<string, mixed>  $own
     * @param  list<PhoneNumber>  $numbers  the preferred one first
     * @param  list<string>  $tags
     * @param  list<string>  $lists
     * @param  bool  $optedIn  to marketing texts
     * @param  string|null  $line  the key of the line their conversation is locked to
     */
    private function __construct(
        public string $key,
        public array $own,
        public array $numbers,
        public ?string $zone,
        public array $tags,
        public array $lists,
        public bool $optedIn,
        public bool $optedOut,
        public ?string $line,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'first_name', 'last_name', 'email', 'zone', 'numbers', 'tags', 'lists', 'consent', 'fields', 'line');
        $zone = $doc->optionalText('zone', 60);
        if ($zone !== null && ! Zone::exists($zone)) {
            throw Unreadable::at("$doc->path.zone", 'zone_expected', ['written' => $zone]);
        }
        /** @var array{string, array<string, mixed>, list<PhoneNumber>, list<string>, list<string>, list<string>} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            function () use ($doc): array {
                $own = [];
                foreach (['first_name', 'last_name', 'email'] as $key) {
                    $own[$key] = $doc->optionalText($key, 120);
                }
                $fields = $doc->has('fields') ? $doc->object('fields') : null;
                foreach (array_keys(is_array($fields?->value) ? $fields->value : []) as $key) {
                    $own[(string) $key] = $fields?->scalar((string) $key);
                }

                return array_filter($own, fn (mixed $v): bool => $v !== null);
            },
            fn (): array => $doc->has('numbers') ? $doc->each('numbers', self::number(...), 0, 10) : [],
            fn (): array => $doc->has('tags') ? $doc->texts('tags', 0, 50, 60) : [],
            fn (): array => $doc->has('lists') ? $doc->texts('lists', 0, 50, 60) : [],
            fn (): array => $doc->has('consent') ? $doc->each('consent', fn (Doc $one): string => $one->self(
                fn (mixed $v): ?string => in_array($v, ['marketing', 'stopped'], true) ? $v : null, 'consent_expected',
            ), 0, 2) : [],
        ]);
        [$key, $own, $numbers, $tags, $lists, $consent] = $read;

        return new self(
            $key, $own, $numbers, $zone, $tags, $lists, in_array('marketing', $consent, true), in_array('stopped', $consent, true),
            $doc->optionalText('line', 60),
        );
    }

    private static function number(Doc $doc): PhoneNumber
    {
        return $doc->self(function (mixed $value): ?PhoneNumber {
            try {
                return is_string($value) && str_starts_with($value, '+') ? Numbers::read($value, 'GB') : null;
            } catch (NotANumber) {
                return null;
            }
        }, 'e164_expected');
    }
}
