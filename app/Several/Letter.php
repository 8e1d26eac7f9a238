<?php

declare(strict_types=1);

namespace App\Several;

use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\Joined;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\SenderKind;
use Linnet\Core\Rule\Step\Text;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Rule\Step\WaitUntil;
use Linnet\Core\Time\Zone;

/** What is written to several: to whom, from which line, as what, when, and the words; and the rule that does it. */
final readonly class Letter
{
    /** Where a day begins first. */
    private const EARLIEST = 'Pacific/Kiritimati';

    public const STEP = 'text';

    /** What is there to begin with. */
    private const GREETING = 'Hello {{ first_name | or: "there" }}, ';

    /**
     * @param  Audience  $to  where those were ticked, its type alone counts
     * @param  string|null  $line  null for the one last used with each
     * @param  string|null  $at  YYYY-MM-DDTHH:MM; null for at once
     * @param  bool  $theirs  by the clock of each; else by the business's
     */
    private function __construct(
        public string $name,
        public Audience $to,
        public bool $ticked,
        public ?string $line,
        public TextKind $kind,
        public string $words,
        public ?string $at = null,
        public bool $theirs = false,
        public ?string $picture = null,
    ) {
    }

    public static function begin(string $name, Audience $to, bool $ticked, ?string $line): self
    {
        return new self($name, $to, $ticked, $line, TextKind::Service, self::GREETING);
    }

    /** Whether it says anything yet. */
    public function isSaid(): bool
    {
        return trim($this->words) !== trim(self::GREETING);
    }

    /** Null where the rule does more than a text to several. */
    public static function of(Rule $rule, bool $isAtOnce): ?self
    {
        $wait = $rule->steps[0] instanceof WaitUntil && $rule->steps[0]->day !== null ? $rule->steps[0] : null;
        $steps = array_slice($rule->steps, $wait === null ? 0 : 1);
        $text = $steps[0] ?? null;
        /** @var array{on: string, at?: string} $trigger */
        $trigger = $rule->trigger->toDocument();
        $ticked = $trigger['on'] === 'started';
        if (
            count($steps) !== 1 || ! $text instanceof Text || count($text->outgoing->wordings->own) !== 1 ||
            ! ($ticked || $trigger['on'] === 'calendar')
        ) {
            return null;
        }
        $from = $text->outgoing->from;
        $at = match (true) {
            $isAtOnce => null,
            $wait !== null => "{$wait->day}T$wait->time",
            default => $trigger['at'] ?? null,
        };

        return new self(
            $rule->name, new Audience($rule->trigger->type(), $rule->trigger->condition() ?? new Group(Joined::All, [])), $ticked,
            $from->kind === SenderKind::Fixed ? $from->keys[0] ?? null : null, $text->outgoing->kind,
            $text->outgoing->wordings->own[0]->text->source, $at, $wait !== null && $wait->theirs, $text->outgoing->picture,
        );
    }

    /** @param  array<string, mixed>  $changed  properties by their names */
    public function with(array $changed): self
    {
        return new self(...[...get_object_vars($this), ...$changed]);
    }

    /** When its rule begins for all of them: by their clocks, once it may be that moment somewhere. */
    public function begins(\DateTimeImmutable $now, string $zone): \DateTimeImmutable
    {
        return match (true) {
            $this->at === null => $now,
            $this->theirs => max($now, (new \DateTimeImmutable($this->at, Zone::get(self::EARLIEST)))->modify('-1 minute')),
            default => new \DateTimeImmutable($this->at, Zone::get($zone)),
        };
    }

    /**
     * Its rule.
     *
     * @param  string  $zone  the business's
     * @return array<string, mixed>
     */
    public function toDocument(\DateTimeImmutable $now, string $zone): array
    {
        $wait = $this->at === null || ! ($this->theirs || $this->ticked) ? [] : [[
            'id' => 'moment', 'do' => 'wait',
            'until' => [
                'time' => substr($this->at, 11), 'clock' => $this->theirs ? 'theirs' : 'ours', 'day' => substr($this->at, 0, 10),
            ],
        ]];
        $text = [
            'id' => self::STEP, 'do' => 'text', 'kind' => $this->kind->value,
            'from' => $this->line === null ? ['line' => 'last_used'] : ['line' => 'fixed', 'key' => $this->line],
            'wordings' => [['id' => 'words', 'text' => $this->words]],
        ] + ($this->picture === null ? [] : ['picture' => $this->picture]);

        return [
            'linnet_rule' => Rule::VERSION, 'name' => $this->name,
            'trigger' => $this->ticked
                ? ['on' => 'started', 'type' => $this->to->of]
                : [
                    'on' => 'calendar', 'at' => $this->begins($now, $zone)->setTimezone(Zone::get($zone))->format('Y-m-d\TH:i'),
                    'audience' => $this->to->toDocument(),
                ],
            'conditions' => ['all' => []],
            // Each person once, however many of their records are among them.
            'again' => ['policy' => 'once_per_person'],
            'stop_early' => ['reply' => false],
            'steps' => [...$wait, $text],
        ];
    }
}
