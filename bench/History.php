<?php

declare(strict_types=1);

namespace Bench;

use App\Models\Business;
use App\Models\Field;
use App\Models\Line;
use App\Models\Message;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Staff;
use Demo\HandClock;
use Demo\People;
use Demo\Season\Season;
use Demo\SeasonSimulation;
use Linnet\Core\Document\Doc;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Intake\Targets;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Place;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\World;

/** Ninety days of the boathouse with so many changes, lived through in earnest and on paper. Nobody answers, in either. */
final readonly class History
{
    private Season $season;

    /** @var list<array{first_name?: string, last_name?: string, number: string, handset: string, zone?: string}> */
    private array $people;

    /** @param  int  $changes  about so many */
    public function __construct(int $changes)
    {
        // 400 people come to some 3,600 changes.
        $people = max(100, intdiv($changes * 400, 3600));
        $this->season = new Season($people);
        $this->people = Season::guests($people);
    }

    /** @return array{float, int, int} seconds, changes, texts that left */
    public function live(): array
    {
        $began = hrtime(true);
        (new SeasonSimulation(new HandClock($this->season->begins()), $this->season, fn () => null, answers: false))->live(
            $this->people,
            fn () => null,
        );

        return [(hrtime(true) - $began) / 1e9, iterator_count($this->season->events()), Message::query()->whereNotNull('left_at')->count()];
    }

    /** @return array{float, int} seconds, texts that left; the world's document is read within that time */
    public function onPaper(): array
    {
        $document = $this->document();
        $rules = array_values(
            Rule::query()
                ->with('version')
                ->where('power', ActivationState::On)
                ->orderBy('id')
                ->get()
                ->map(fn (Rule $rule) => $rule->written())
                ->all(),
        );
        $began = hrtime(true);
        $lived = Rehearsal::of(World::read(Doc::of($document)), $rules);
        $seconds = (hrtime(true) - $began) / 1e9;

        return [$seconds, count(array_filter($lived->texts(), fn (OutText $text): bool => $text->state === TextState::Left))];
    }

    /** @return array<string, mixed> */
    private function document(): array
    {
        $business = Business::ours();
        $place = new Place($business->country, $business->zone);
        $staff = Staff::query()->orderBy('id')->get();
        $names = array_column($staff->toArray(), 'id', 'name');
        $ids = array_flip(array_column($this->people, 'number'));
        $types = RecordType::query()->with('fields')->orderBy('id')->get();
        $targets = $types
            ->mapWithKeys(fn (RecordType $type): array => [$type->key => Targets::of($type->read(), RecordType::people()->read())])
            ->all();
        $events = [];
        foreach ($this->season->events() as $event) {
            $values = [];
            foreach ($event->fields as $key => $value) {
                $field = $targets[$event->type]["fields.$key"];
                $values[$key] =
                    $field->kind === FieldKind::Staff ? $names[(string) $value] : FieldNormalizer::into($field, $value, $place, $key);
            }
            $events[] = [
                'at' => $event->at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z'), 'what' => 'record',
                'id' => strtolower($event->id), 'type' => $event->type, 'person' => 'p'.$ids[$event->number], 'values' => $values,
            ];
        }

        return [
            'linnet_world' => 1,
            'begins' => $this->season->begins()->format('Y-m-d\TH:i:s\Z'),
            'ends' => $this->season->ends()->format('Y-m-d\TH:i:s\Z'),
            'business' => [
                'name' => $business->name, 'country' => $business->country, 'zone' => $business->zone, 'locale' => $business->locale,
                'opening_hours' => $business->opening_hours, 'tariff' => $business->tariff, 'words' => $business->words,
                'policy' => $business->policy, 'holidays' => $business->holidays,
            ],
            'types' => array_values(
                $types
                    ->map(
                        fn (RecordType $type): array => array_filter([
                            'key' => $type->key, 'name' => $type->name, 'person' => $type->person_field, 'start' => $type->start_field,
                            'fields' => $type->fields
                                ->map(
                                    fn (Field $field): array => array_filter([
                                        'key' => $field->key, 'name' => $field->name, 'kind' => $field->kind->value,
                                        'options' => $field->options, 'of' => $field->of, 'at_place' => (bool) $field->at_place,
                                    ]),
                                )
                                ->all(),
                        ]),
                    )
                    ->all(),
            ),
            'lines' => array_values(
                Line::query()
                    ->orderBy('id')
                    ->get()
                    ->map(
                        fn (Line $line): array => array_filter([
                            'key' => $line->key, 'name' => $line->name, 'number' => $line->number, 'pace' => $line->pace,
                        ]),
                    )
                    ->all(),
            ),
            'staff' => array_values($staff->map(fn (Staff $one): array => ['name' => $one->name, 'email' => $one->email])->all()),
            'people' => array_map($this->person(...), $this->people, array_keys($this->people)),
            'events' => $events,
        ];
    }

    /**
     * @param  array{first_name?: string, last_name?: string, number: string, handset: string, zone?: string}  $one
     * @return array<string, mixed>
     */
    private function person(array $one, int $i): array
    {
        return ['id' => "p$i", 'numbers' => [$one['number']]] +
            array_filter([
                'first_name' => $one['first_name'] ?? null, 'last_name' => $one['last_name'] ?? null,
                'fields' => People::facts($one['number']), 'consent' => People::wantsNews($one['number']) ? ['marketing'] : null,
                'lists' => People::wantsNews($one['number']) ? ['newsletter'] : null,
                'tags' => People::isMember($one['number']) ? ['member'] : null,
            ]);
    }
}
