<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Import;
use App\Models\Source;
use App\Models\Staff;
use App\Models\Way;

/** Where something comes from. */
final readonly class ChangeOrigin
{
    /**
     * @param  string  $via  its name, as people know it
     * @param  bool  $silent  rules are not to act on it
     * @param  list<string>  $cause  the rules through which it comes about
     * @param  string  $versions  whose count of versions it uses; empty where it has none
     */
    private function __construct(
        public Way $way,
        public string $via,
        public string $versions = '',
        public ?int $deliveryId = null,
        public ?int $importId = null,
        public ?int $staffId = null,
        public bool $silent = false,
        public array $cause = [],
    ) {
    }

    public static function delivery(Source $source, ?int $deliveryId): self
    {
        return new self(Way::Feed, $source->name, "s$source->id", deliveryId: $deliveryId);
    }

    public static function import(Import $import): self
    {
        return $import->source === null
            ? new self(Way::File, $import->name, importId: $import->id, staffId: $import->staff_id, silent: $import->silent)
            : new self(Way::Watched, $import->source->name, "s$import->source_id", importId: $import->id, silent: $import->silent);
    }

    public static function staff(Staff $staff): self
    {
        return new self(Way::Hand, $staff->name, staffId: $staff->id);
    }

    public static function api(Staff $staff, string $token): self
    {
        return new self(Way::Api, $token, 'api', staffId: $staff->id);
    }

    public static function carrier(): self
    {
        return new self(Way::Text, '');
    }

    /** @param  list<string>  $cause */
    public static function rule(string $name, array $cause): self
    {
        return new self(Way::Rule, $name, cause: $cause);
    }

    /** @param  string  $name  the form's */
    public static function form(string $name): self
    {
        return new self(Way::Form, $name);
    }

    public static function text(): self
    {
        return new self(Way::Text, '', silent: true);
    }

    /** The same, with rules not to act on it. */
    public function quietly(): self
    {
        return new self($this->way, $this->via, $this->versions, $this->deliveryId, $this->importId, $this->staffId, true);
    }

    public static function seed(string $via): self
    {
        return new self(Way::File, $via, silent: true);
    }
}
