<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\ContextFactory;
use Linnet\Core\InMemory\Configuration;
use Linnet\Core\InMemory\InMemoryBusinessReader;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Example\Expected;
use Linnet\Core\Rule\Rule;

/** An example of a rule, carried out on paper for somebody who is made up. */
final readonly class ExampleRun
{
    /** From a range that is reserved for fiction. */
    private const NUMBER = '+447700900999';

    private function __construct(public Rehearsed $rehearsed, public Receiver $receiver, public EvaluationContext $context)
    {
    }

    public static function of(Rule $rule, Example $example, Configuration $configuration): self
    {
        $sheet = new Sheet($configuration, $example->at);
        $called = is_string($example->person['first_name'] ?? null) ? $example->person['first_name'] : 'somebody made up';
        $person = new Person(
            1, $called, $example->person, [new PersonNumber(self::NUMBER, 'GB', NumberKind::Mobile, [$example->zone])], $example->zone,
        );
        $sheet->people[1] = $person;
        $sheet->consent[self::NUMBER] = ['optedOut' => false, 'optedIn' => true, 'mayHaveOptedOut' => false];
        $type = $configuration->types[$rule->trigger->type()] ?? null;
        $isRecord = $type !== null && $type->key !== RecordType::PERSON;
        if ($isRecord) {
            $sheet->upsert('example', $type->key, 1, $example->record);
        }
        $subject = new Subject(1, $isRecord ? 1 : null);
        $line = self::line($configuration->lines);
        $contexts = new ContextFactory(new InMemoryBusinessReader($sheet));
        $context = $contexts->create($subject, $line);
        $receiver = $contexts->receiver($person);

        return new self(Rehearsal::oneRun($sheet, $rule, $subject, $line, $example->happens), $receiver, $context);
    }

    /** @return list<Expected> the texts that came, in their order */
    public function came(): array
    {
        $came = [];
        foreach ($this->rehearsed->texts as $text) {
            if ($text->leavesAt !== null && $text->composed !== null) {
                $came[] = Expected::of($text->step, $text->leavesAt, $text->composed->body);
            }
        }

        return $came;
    }

    /**
     * The line they called or texted: the first that can be.
     *
     * @param  list<Line>  $lines
     */
    private static function line(array $lines): ?string
    {
        foreach ($lines as $line) {
            if ($line->number !== null) {
                return $line->key;
            }
        }

        return $lines[0]->key ?? null;
    }
}
