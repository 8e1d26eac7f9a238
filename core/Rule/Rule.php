<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\Joined;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\Steps;
use Linnet\Core\Rule\Trigger\Trigger;
use Linnet\Core\Rule\Trigger\Triggers;

/** A rule as its document says it, version 1 (docs/formats/rule-1.schema.json). */
final readonly class Rule
{
    public const VERSION = 1;

    /**
     * @param  non-empty-list<Step>  $steps
     * @param  bool  $stopOnReply  the run ends as soon as its person texts; an opt-out always ends it
     */
    private function __construct(
        public string $name,
        public ?string $folder,
        public Trigger $trigger,
        public Condition $conditions,
        public Again $again,
        public bool $stopOnReply,
        public array $steps,
    ) {
    }

    /** @throws Unreadable with everything that is wrong */
    public static function fromJson(string $json): self
    {
        return self::read(Doc::fromJson($json));
    }

    /** @throws Unreadable with everything that is wrong */
    public static function read(Doc $doc): self
    {
        $doc->allow('linnet_rule', 'name', 'folder', 'trigger', 'conditions', 'again', 'stop_early', 'steps');
        /** @var array{linnet_rule: int, name: string, folder: string|null, trigger: Trigger, conditions: Condition, again: Again, stop_early: bool, steps: non-empty-list<Step>} $read */
        $read = $doc->gather([
            'linnet_rule' => fn (): int => $doc->integer('linnet_rule', self::VERSION, self::VERSION),
            'name' => fn (): string => $doc->text('name', 120),
            'folder' => fn (): ?string => $doc->optionalText('folder', 60),
            'trigger' => fn (): Trigger => Triggers::read($doc->object('trigger')),
            'conditions' => fn (): Condition => $doc->has('conditions') ? Conditions::read($doc->object('conditions')) : new Group(Joined::All, []),
            'again' => fn (): Again => Again::read($doc->object('again')),
            'stop_early' => fn (): bool => self::stopEarly($doc->object('stop_early')),
            'steps' => fn (): array => self::distinct($doc->each('steps', Steps::read(...), 1, 200), "$doc->path.steps"),
        ]);

        return new self($read['name'], $read['folder'], $read['trigger'], $read['conditions'], $read['again'], $read['stop_early'], $read['steps']);
    }

    /** The step after another; null after the last. A step that is gone counts as the last. */
    public function after(string $id): ?Step
    {
        foreach ($this->steps as $i => $step) {
            if ($step->id() === $id) {
                return $this->steps[$i + 1] ?? null;
            }
        }

        return null;
    }

    public function step(string $id): ?Step
    {
        foreach ($this->steps as $step) {
            if ($step->id() === $id) {
                return $step;
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['linnet_rule' => self::VERSION, 'name' => $this->name]
            + ($this->folder === null ? [] : ['folder' => $this->folder])
            + [
                'trigger' => $this->trigger->toDocument(),
                'conditions' => $this->conditions->toDocument(),
                'again' => $this->again->toDocument(),
                'stop_early' => ['reply' => $this->stopOnReply],
                'steps' => array_map(fn (Step $step): array => $step->toDocument(), $this->steps),
            ];
    }

    /** The document as it is written to a file: the same rule gives the same bytes. */
    public function toJson(): string
    {
        return json_encode($this->toDocument(), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR)."\n";
    }

    private static function stopEarly(Doc $doc): bool
    {
        $doc->allow('reply');

        return $doc->yesNo('reply');
    }

    /**
     * @param  list<Step>  $steps
     * @return list<Step>
     */
    private static function distinct(array $steps, string $path): array
    {
        $problems = [];
        $seen = [];
        foreach ($steps as $i => $step) {
            if (isset($seen[$step->id()])) {
                $problems[] = new Problem("{$path}[$i].id", new Reason('document.step_twice', ['id' => $step->id()]));
            }
            $seen[$step->id()] = true;
        }

        return $problems === [] ? $steps : throw new Unreadable($problems);
    }
}
