<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Doc;

/** Whether a rule may start again, and what keeps two runs apart. */
final readonly class Again
{
    /** @param  int|null  $days with {@see AgainPolicy::NotWithin} only */
    private function __construct(public AgainPolicy $policy, public ?int $days)
    {
    }

    public static function read(Doc $doc): self
    {
        $policy = $doc->choice('policy', AgainPolicy::class);
        $doc->allow(...($policy === AgainPolicy::NotWithin ? ['policy', 'days'] : ['policy']));

        return new self($policy, $policy === AgainPolicy::NotWithin ? $doc->integer('days', 1, 3650) : null);
    }

    /**
     * What a run is unique by, among the runs of its rule.
     *
     * @param  int|null  $personId  null where nobody is known
     * @param  int|null  $recordId  null where it is about the person alone
     * @param  string  $occasion  of the change that starts it, e.g. the record and its date
     * @param  string  $time  the change itself, whatever it is about
     */
    public function occasion(?int $personId, ?int $recordId, string $occasion, string $time): string
    {
        return match ($this->policy) {
            AgainPolicy::OncePerPerson => "person:$personId",
            AgainPolicy::OncePerRecord => $recordId === null ? "person:$personId" : "record:$recordId",
            AgainPolicy::OncePerOccasion => $occasion,
            AgainPolicy::EveryTime, AgainPolicy::NotWithin => $time,
        };
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['policy' => $this->policy->value] + ($this->days === null ? [] : ['days' => $this->days]);
    }
}
