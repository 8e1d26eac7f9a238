<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audiences\AudienceQuery;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Audience;
use App\Models\Person;
use Illuminate\Database\Eloquent\Builder;
use Psr\Clock\ClockInterface;

/** People by what they are called, what they have, and which audience they belong to. */
final readonly class PeopleQuery
{
    /** @param  int  $few  of an audience of more each is asked whether they belong, as the list is read */
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects, private int $few = 3000)
    {
    }

    /**
     * @param  array<string, mixed>  $asked  find, audience and label ("tag:member", "list:newsletter")
     * @return Builder<Person>
     */
    public function of(array $asked): Builder
    {
        $query = Person::query()->with('number');
        if (is_string($asked['find'] ?? null) && $asked['find'] !== '') {
            $query->named($asked['find']);
        }
        if (is_string($asked['label'] ?? null) && preg_match('/^(tag|list):(.+)$/Ds', $asked['label'], $part) === 1) {
            $query->whereHas('labels', fn ($labels) => $labels->where('kind', $part[1])->where('folded', mb_strtolower($part[2], 'UTF-8')));
        }
        $audience = is_numeric($asked['audience'] ?? null) ? Audience::query()->findOrFail((int) $asked['audience']) : null;
        if ($audience !== null) {
            $all = new AudienceQuery(UnitOfWork::reading($this->clock->now(), $this->sideEffects), $audience->read());
            $ids = $all->ifFew($this->few, asPeople: true);
            $ids === null ? $query->whereRaw(...$all->ofPeople()) : $query->whereIntegerInRaw('id', $ids);
        }

        return $query;
    }
}
