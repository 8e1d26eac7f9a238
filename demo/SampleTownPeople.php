<?php

declare(strict_types=1);

namespace Demo;

use App\Engine\Store\Labels;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\ConsentInput;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Change\LabelKind;
use Psr\Clock\ClockInterface;

/** The people of the boathouse, as it knows them before the season: through the door, with what they agreed to. */
final readonly class SampleTownPeople
{
    private const AT_ONCE = 500;

    public function __construct(private ClockInterface $clock, private RecordWriter $writer)
    {
    }

    /** @param  list<array{first_name?: string, last_name?: string, number: string}>  $people */
    public function add(array $people): void
    {
        foreach (array_chunk($people, self::AT_ONCE) as $some) {
            DB::transaction(fn () => $this->addSome($some));
        }
    }

    /** @param  non-empty-list<array{first_name?: string, last_name?: string, number: string}>  $some */
    private function addSome(array $some): void
    {
        $at = $this->clock->now();
        $origin = ChangeOrigin::seed('people of the boathouse');
        $said = array_map(
            fn (array $somebody): Cleaned => new Cleaned(
                'person',
                null,
                new PersonInput(
                    number: Numbers::read($somebody['number'], 'GB'),
                    own: array_intersect_key($somebody, ['first_name' => 1, 'last_name' => 1, 'zone' => 1]),
                    fields: People::facts($somebody['number']),
                    consent: People::wantsNews($somebody['number'])
                        ? new ConsentInput(true, false, 'Yes, news of the quay by text, now and then.', $at->format('Y-m-d\TH:i:s\Z'))
                        : null,
                ),
                [],
            ),
            $some,
        );
        foreach ($this->writer->upsertMany($said, $origin) as $i => $written) {
            if (! $written instanceof Refused && $written->personId !== null) {
                People::isMember($some[$i]['number']) && Labels::set($written->personId, LabelKind::Tag, 'member', true, $origin, $at);
                People::wantsNews($some[$i]['number']) &&
                    Labels::set($written->personId, LabelKind::List, 'newsletter', true, $origin, $at);
            }
        }
    }
}
