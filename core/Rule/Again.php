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
     * @param  string|null  $personId  null where nobody is known
     */
    public function occasion(?string $personId, string $recordId, string $changeId): string
    {
        return match ($this->policy) {
            AgainPolicy::OncePerPerson => 'person:'.($personId ?? "of record:$recordId"),
            AgainPolicy::OncePerRecord => "record:$recordId",
            AgainPolicy::OncePerOccasion, AgainPolicy::NotWithin => "change:$changeId",
        };
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['policy' => $this->policy->value] + ($this->days === null ? [] : ['days' => $this->days]);
    }
}
