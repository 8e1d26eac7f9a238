<?php

declare(strict_types=1);

namespace App\Demo;

use App\Engine\Live\Labels;
use App\Intake\Door;
use App\Intake\Origin;
use Demo\People;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\ConsentSaid;
use Linnet\Core\Intake\PersonSaid;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Rule\Condition\LabelKind;
use Psr\Clock\ClockInterface;

/** The people of the boathouse, as it knows them before the season: through the door, with what they agreed to. */
final readonly class Townsfolk
{
    private const AT_ONCE = 500;

    public function __construct(private ClockInterface $clock, private Door $door)
    {
    }

    /** @param  list<array{first_name?: string, last_name?: string, number: string}>  $people */
    public function come(array $people): void
    {
        foreach (array_chunk($people, self::AT_ONCE) as $some) {
            DB::transaction(fn () => $this->know($some));
        }
    }

    /** @param  non-empty-list<array{first_name?: string, last_name?: string, number: string}>  $some */
    private function know(array $some): void
    {
        $at = $this->clock->now();
        $origin = Origin::seed('people of the boathouse');
        $said = array_map(fn (array $somebody): Cleaned => new Cleaned('person', null, new PersonSaid(
            number: Numbers::read($somebody['number'], 'GB'), own: array_intersect_key($somebody, ['first_name' => 1, 'last_name' => 1, 'zone' => 1]), fields: People::facts($somebody['number']),
            consent: People::wantsNews($somebody['number']) ? new ConsentSaid(true, false, 'Yes, news of the quay by text, now and then.', $at->format('Y-m-d\TH:i:s\Z')) : null,
        ), []), $some);
        foreach ($this->door->takeAll($said, $origin) as $i => $written) {
            if (! $written instanceof Refused && $written->personId !== null) {
                People::isMember($some[$i]['number']) && Labels::set($written->personId, LabelKind::Tag, 'member', true, $origin, $at);
                People::wantsNews($some[$i]['number']) && Labels::set($written->personId, LabelKind::List, 'newsletter', true, $origin, $at);
            }
        }
    }
}
