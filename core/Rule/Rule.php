<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Step\MakeChange;
use Linnet\Core\Rule\Step\Recipient;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\Steps;
use Linnet\Core\Rule\Trigger\Trigger;
use Linnet\Core\Rule\Trigger\Triggers;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Zone;

/** A rule as its document says it, version 1 (docs/formats/rule-1.schema.json). */
final readonly class Rule
{
    public const VERSION = 1;

    /** @var list<string> the types of record its conditions ask the person for, and the audiences they ask about */
    public array $relatedTypes;

    /** Whether one of its conditions asks when the person had a text. */
    public bool $asksForTexts;

    /**
     * @param  string|null  $key  what other rules call it
     * @param  string|null  $firstDay  YYYY-MM-DD by the business's clock; it starts nothing before
     * @param  string|null  $lastDay  it starts nothing after
     * @param  non-empty-list<Step>  $steps  the outermost
     * @param  Recipient|null  $replies  who of the business is told of what is answered to its texts; null for those who usually are
     * @param  list<Example>  $examples
     */
    private function __construct(
        public string $name,
        public ?string $key,
        public ?string $folder,
        public ?string $firstDay,
        public ?string $lastDay,
        public Trigger $trigger,
        public Condition $conditions,
        public Again $again,
        public StopEarly $stopEarly,
        public ?Goal $goal,
        public Release $release,
        public array $steps,
        public Flow $flow,
        public ?Recipient $replies = null,
        public array $examples = [],
    ) {
        // Asked for at every look at every run of it.
        $this->relatedTypes = Needs::relatedTypes($this);
        $this->asksForTexts = Needs::asksForTexts($this);
    }

    /** @throws Unreadable with everything that is wrong */
    public static function fromJson(string $json): self
    {
        return self::read(Doc::fromJson($json));
    }

    /** @throws Unreadable with everything that is wrong */
    public static function read(Doc $doc): self
    {
        $days = fn (string $which): ?string => $doc->has('days') && $doc->object('days')->has($which)
            ? Day::read($doc->object('days'), $which)
            : null;
        /**
         * @var array{int, null, string, string|null, string|null, string|null, string|null, Trigger, Condition, Again, StopEarly,
         * Goal|null, Release, non-empty-list<Step>, Recipient|null, list<Example>} $read
         */
        $read = $doc->gather([
            fn (): int => $doc->integer('linnet_rule', self::VERSION, self::VERSION),
            function () use ($doc): null {
                $doc->allow(
                    'linnet_rule', 'name', 'key', 'folder', 'days', 'trigger', 'conditions', 'again', 'stop_early', 'goal', 'release',
                    'replies', 'steps', 'examples',
                );
                if ($doc->has('days')) {
                    $doc->object('days')->allow('first', 'last');
                }

                return null;
            },
            fn (): string => $doc->text('name', 120),
            fn (): ?string => $doc->has('key') ? $doc->name('key') : null,
            fn (): ?string => $doc->optionalText('folder', 60),
            fn (): ?string => $days('first'),
            fn (): ?string => $days('last'),
            fn (): Trigger => Triggers::read($doc->object('trigger')),
            fn (): Condition => Conditions::optional($doc, 'conditions'),
            fn (): Again => Again::read($doc->object('again')),
            fn (): StopEarly => StopEarly::read($doc->object('stop_early')),
            fn (): ?Goal => $doc->has('goal') ? Goal::read($doc->object('goal')) : null,
            fn (): Release => $doc->has('release') ? Release::read($doc->object('release')) : Release::automatic(),
            fn (): array => $doc->each('steps', Steps::read(...), 1, 200),
            fn (): ?Recipient => $doc->has('replies') ? Recipient::ofReplies($doc->object('replies')) : null,
            fn (): array => $doc->has('examples') ? Example::list($doc, 'examples') : [],
        ]);
        [, , $name, $key, $folder, $first, $last, $trigger, $conditions, $again, $stopEarly, $goal, $release, $steps, $replies] = $read;
        $examples = $read[15];
        if ($first !== null && $last !== null && $last < $first) {
            throw Unreadable::at("$doc->path.days.last", 'last_before_first', ['first' => $first]);
        }

        $flow = Flow::of($steps, "$doc->path.steps");
        self::checkWhichRecord($flow, $trigger, "$doc->path.steps");

        return new self(
            $name, $key, $folder, $first, $last, $trigger, $conditions, $again, $stopEarly, $goal, $release, $steps, $flow, $replies,
            $examples,
        );
    }

    /** A field of a record can be set where it can be told of which: the one the rule is about, or one it names. */
    private static function checkWhichRecord(Flow $flow, Trigger $trigger, string $path): void
    {
        $problems = [];
        foreach ($flow->steps as $step) {
            foreach ($step instanceof MakeChange && $step->record === null ? array_diff($step->types(), [$trigger->type()]) : [] as $type) {
                $problems[] = new Problem($path, new Reason('document.which_record', ['step' => $step->id(), 'type' => $type]));
            }
        }
        if ($problems !== []) {
            throw new Unreadable($problems);
        }
    }

    public function firstStep(): string
    {
        return $this->steps[0]->id();
    }

    /** Whether a moment lies within the days on which it may start. */
    public function mayStartAt(\DateTimeImmutable $at, string $businessZone): bool
    {
        $day = $at->setTimezone(Zone::get($businessZone))->format('Y-m-d');

        return ($this->firstDay === null || $day >= $this->firstDay) && ($this->lastDay === null || $day <= $this->lastDay);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        $days = array_filter(['first' => $this->firstDay, 'last' => $this->lastDay]);

        return ['linnet_rule' => self::VERSION, 'name' => $this->name]
            + ($this->key === null ? [] : ['key' => $this->key])
            + ($this->folder === null ? [] : ['folder' => $this->folder])
            + ($days === [] ? [] : ['days' => $days])
            + [
                'trigger' => $this->trigger->toDocument(),
                'conditions' => $this->conditions->toDocument(),
                'again' => $this->again->toDocument(),
                'stop_early' => $this->stopEarly->toDocument(),
            ]
            + ($this->goal === null ? [] : ['goal' => $this->goal->toDocument()])
            + ($this->release->kind === ReleaseKind::Automatic ? [] : ['release' => $this->release->toDocument()])
            + ($this->replies === null ? [] : ['replies' => $this->replies->toDocument()])
            + ['steps' => Steps::toDocument($this->steps)]
            + ($this->examples === [] ? [] : ['examples' => array_map(fn (Example $one): array => $one->toDocument(), $this->examples)]);
    }

    /** @param  list<Example>  $examples */
    public function withExamples(array $examples): self
    {
        return new self(
            $this->name, $this->key, $this->folder, $this->firstDay, $this->lastDay, $this->trigger, $this->conditions, $this->again,
            $this->stopEarly, $this->goal, $this->release, $this->steps, $this->flow, $this->replies, $examples,
        );
    }

    /** The same, but that nothing of it waits for somebody to let it go. */
    public function letGo(): self
    {
        return new self(
            $this->name, $this->key, $this->folder, $this->firstDay, $this->lastDay, $this->trigger, $this->conditions, $this->again,
            $this->stopEarly, $this->goal, Release::automatic(), $this->steps, $this->flow, $this->replies, $this->examples,
        );
    }

    /** The document as it is written to a file: the same rule gives the same bytes. */
    public function toJson(): string
    {
        return json_encode(
            $this->toDocument(),
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR,
        )."\n";
    }
}
