<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;

/** The first case whose condition holds, else otherwise; then on with what follows. */
final readonly class Branch implements Nested, Step
{
    /**
     * @param  non-empty-list<array{Condition, list<Step>}>  $cases
     * @param  list<Step>  $otherwise
     */
    public function __construct(public string $id, public array $cases, public array $otherwise)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'cases', 'otherwise');
        /** @var array{string, non-empty-list<array{Condition, list<Step>}>, list<Step>} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            fn (): array => $doc->each('cases', function (Doc $case): array {
                $case->allow('if', 'steps');

                return $case->gather([
                    fn (): Condition => Conditions::read($case->object('if')),
                    fn (): array => $case->each('steps', Steps::read(...), 0, 100),
                ]);
            },
                1,
                20,
            ),
            fn (): array => $doc->has('otherwise') ? $doc->each('otherwise', Steps::read(...), 0, 100) : [],
        ]);

        return new self(...$read);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function inside(): array
    {
        return [...array_column($this->cases, 1), $this->otherwise];
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'branch', 'cases' => array_map(
            fn (array $case): array => ['if' => $case[0]->toDocument(), 'steps' => Steps::toDocument($case[1])], $this->cases,
        )] + ($this->otherwise === [] ? [] : ['otherwise' => Steps::toDocument($this->otherwise)]);
    }
}
