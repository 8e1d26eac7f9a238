<?php

declare(strict_types=1);

namespace App\Pages\Records;

use App\Audiences\AudienceQuery;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Audience;
use App\Models\RecordType;
use App\Records\Filter;
use Linnet\Core\Record\RecordType as CoreType;
use Psr\Clock\ClockInterface;

/** A list of records narrowed to an audience: of the records themselves, or of the people they are about. */
final readonly class Belonging
{
    /** @param  int  $few  more than so many are not fetched: each row of the list is asked whether it belongs */
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects, private int $few = 3000)
    {
    }

    /** @return array<int, string> the audiences a list of this type can be narrowed to, by id */
    public static function offered(RecordType $type): array
    {
        return Audience::query()->whereIn('of', [CoreType::PERSON, $type->key])->orderBy('folded')->pluck('name', 'id')->all();
    }

    /**
     * What is done to a list must not be done to more: where an audience is gone, nothing belongs to it.
     *
     * @return Filter|null null where none is asked for
     */
    public function filter(RecordType $type, mixed $asked): ?Filter
    {
        if ($asked === null || $asked === '') {
            return null;
        }
        $audience = Audience::query()->whereIn('of', [CoreType::PERSON, $type->key])->find(is_numeric($asked) ? (int) $asked : 0);
        if ($audience === null) {
            return Filter::among('id', []);
        }
        $query = new AudienceQuery(UnitOfWork::reading($this->clock->now(), $this->sideEffects), $audience->read());
        $ids = $query->ifFew($this->few);

        return $ids === null
            ? Filter::belonging(...$query->ofRecords())
            : Filter::among($audience->isOfPeople() ? 'person_id' : 'id', $ids);
    }
}
