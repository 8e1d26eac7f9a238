<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\Condition\InAudience;

/** Everybody, or everything of a type, for whom a condition holds, under a name that rules may use. */
final readonly class Audience
{
    /** @param  string  $of  a record type, or "person" */
    public function __construct(public string $of, public Condition $condition)
    {
    }

    /** One that is to be kept. @throws Unreadable where it is made of audiences itself: it would have to be known before it is */
    public static function read(Doc $doc): self
    {
        $read = self::once($doc);
        if (array_filter(Conditions::relatedTypes($read->condition), InAudience::isOne(...)) !== []) {
            throw Unreadable::at("$doc->path.condition", 'audience_of_audiences');
        }

        return $read;
    }

    /** One that has no name: it may ask for those that have. */
    public static function once(Doc $doc): self
    {
        $doc->allow('of', 'condition');
        /** @var array{string, Condition} $read */
        $read = $doc->gather([fn (): string => $doc->name('of'), fn (): Condition => Conditions::optional($doc, 'condition')]);

        return new self(...$read);
    }

    /** @return array{of: string, condition: array<string, mixed>} */
    public function toDocument(): array
    {
        return ['of' => $this->of, 'condition' => $this->condition->toDocument()];
    }
}
