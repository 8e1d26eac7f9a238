<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Record\Change\ReportedStatus;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Time\Moment;

/** One thing that happens in a world on paper. What its kind does not say is empty. */
final readonly class WorldEvent
{
    /**
     * @param  string  $path  where it stands in the document
     * @param  string|null  $person  the key of whom it is about
     * @param  array<string, scalar>  $values  a person's fields that change
     * @param  string  $key  of the rule, line or form
     * @param  string  $text  what is written; of a decision about a text, its step
     * @param  string|null  $record  the key of the record a rule is started for
     */
    private function __construct(
        public \DateTimeImmutable $at,
        public WorldEventKind $kind,
        public string $path,
        public ?string $person,
        public ?WorldRecord $new = null,
        public array $values = [],
        public string $key = '',
        public string $text = '',
        public LabelKind $label = LabelKind::Tag,
        public bool $added = true,
        public ReportedStatus $fate = ReportedStatus::Failed,
        public ?string $ofRule = null,
        public ?string $record = null,
        public ActivationState $power = ActivationState::On,
        public OwnText $own = new OwnText,
    ) {
    }

    /** @param  array<string, RecordType>  $types */
    public static function read(Doc $doc, array $types): self
    {
        $kind = $doc->choice('what', WorldEventKind::class);
        $doc->allow('at', 'what', ...$kind->keys());
        $person = $doc->has('person') || $kind->isAboutSomebody() ? $doc->name('person') : null;
        /** @phpstan-ignore argument.type */
        $event = fn (mixed ...$with): self => new self(Moment::read($doc, 'at'), $kind, $doc->path, $person, ...$with);

        return match ($kind) {
            WorldEventKind::Record => $event(
                new: new WorldRecord($doc->name('id'), WorldRecord::type($doc, $types), $person, WorldRecord::values($doc, $types)),
            ),
            WorldEventKind::Person => $event(values: self::scalars($doc->object('values'))),
            WorldEventKind::Text => $event(key: $doc->name('line'), text: $doc->text('text', 2000)),
            WorldEventKind::Label => $event(
                label: $doc->has('list') ? LabelKind::List : LabelKind::Tag, text: $doc->text($doc->has('list') ? 'list' : 'tag', 60),
                added: $doc->oneOf('change', ['added' => fn (): bool => true, 'removed' => fn (): bool => false]),
            ),
            WorldEventKind::Form => $event(key: $doc->name('form')),
            WorldEventKind::Fate => $event(
                fate: $doc->choice('fate', ReportedStatus::class),
                ofRule: $doc->has('of_rule') ? $doc->name('of_rule') : null,
            ),
            WorldEventKind::Start => $event(key: $doc->name('rule'), record: $doc->has('record') ? $doc->name('record') : null),
            WorldEventKind::Rule => $event(key: $doc->name('rule'), power: $doc->choice('power', ActivationState::class)),
            WorldEventKind::Line => $event(key: $doc->name('line'), power: $doc->choice('power', ActivationState::class)),
            WorldEventKind::Release, WorldEventKind::Stop, WorldEventKind::Skip, WorldEventKind::GiveBack => $event(
                key: $doc->name('rule'),
            ),
            WorldEventKind::Wrote => $event(),
            WorldEventKind::OwnText => $event(key: $doc->name('rule'), text: $doc->name('step'), own: new OwnText(
                $doc->has('words') ? $doc->text('words', 2000) : null,
                $doc->has('to') ? Moment::read($doc, 'to') : null,
                $doc->has('skip') && $doc->yesNo('skip'),
            )),
        };
    }

    /** @return array<string, scalar> */
    private static function scalars(Doc $doc): array
    {
        $read = [];
        foreach (array_keys(is_array($doc->value) ? $doc->value : []) as $key) {
            $read[(string) $key] = $doc->scalar((string) $key);
        }

        return $read;
    }
}
