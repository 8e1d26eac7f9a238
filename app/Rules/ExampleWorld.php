<?php

declare(strict_types=1);

namespace App\Rules;

use App\Database\DistinctValues;
use App\Engine\Store\UnitOfWork;
use Linnet\Core\Rehearsal\ExampleRun;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Rule;

/** Where examples of rules are carried out: our hours, lines, limits and wordings, with nobody there but whom the example makes up. */
final readonly class ExampleWorld
{
    public function __construct(private UnitOfWork $unit)
    {
    }

    public function run(Rule $rule, Example $example): ExampleRun
    {
        return ExampleRun::of($rule, $example, $this->unit->reader->configuration(self::codes()));
    }

    /** @return array<string, list<string>> one of each list, which is nobody's */
    private static function codes(): array
    {
        return array_fill_keys(DistinctValues::of('codes', 'list'), ['CODE-00']);
    }
}
