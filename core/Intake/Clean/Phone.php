<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Place;

/** A telephone number to E.164, where numbers without a country code belong to another country than the source's. */
final readonly class Phone implements Clean
{
    private function __construct(private string $country)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'country');
        $country = strtoupper($doc->text('country', 2));

        return preg_match('/^[A-Z]{2}$/', $country) === 1
            ? new self($country)
            : throw Unreadable::at("$doc->path.country", 'country_expected');
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): string
    {
        try {
            return Numbers::read((string) $value, $this->country)->e164;
        } catch (NotANumber) {
            throw Refused::value('not_a_phone', $path, $value);
        }
    }

    public function toDocument(): array
    {
        return ['do' => 'phone', 'country' => $this->country];
    }
}
