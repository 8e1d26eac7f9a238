<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Clock\TimeFormatter;
use App\Models\Line;
use App\Models\Message;
use App\Models\Notice;
use App\Models\Number;
use App\Models\OutboundTask;
use App\Models\OutboundTaskState;
use App\Models\Person;
use App\Models\Rule;
use App\Models\Staff;
use App\Models\Task;
use App\Sentences\Sentence;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What the engine waits for: decisions that only a person can take. */
final class EngineNeeds
{
    private const MOST = 5;

    /** @return list<Need> the most pressing first */
    public static function all(?Staff $staff, \DateTimeImmutable $now, string $zone): array
    {
        return [
            ...self::noLine(),
            ...self::doubts(),
            ...self::lines(),
            ...self::releases($now, $zone),
            ...self::stuck(),
            ...self::outboundTasks(),
            ...self::notices($staff),
            ...self::tasks($staff, $zone),
        ];
    }

    /** @return list<Need> */
    private static function doubts(): array
    {
        $numbers = Number::query()
            ->whereNotNull('ambiguous_opt_out_message_id')
            ->orderBy('ambiguous_opt_out_message_id')
            ->limit(self::MOST)
            ->get();
        $texts = Message::query()
            ->whereKey($numbers->pluck('ambiguous_opt_out_message_id')->all())
            ->get()
            ->keyBy('id');
        $people = Person::query()
            ->whereKey($numbers->pluck('person_id')->all())
            ->with('number')
            ->get()
            ->keyBy('id');

        return array_values(
            $numbers
                ->map(
                    fn (Number $number): Need => new Need(
                        'held',
                        ($people[$number->person_id]?->name() ?? '').' wrote what reads like a stop',
                        '“'.
                            Str::limit((string) $texts[$number->ambiguous_opt_out_message_id]?->body, 120).
                            '” No automatic text goes to them until this is decided.',
                        'Look',
                        route('people.show', $number->person_id),
                        acts: [
                            new Act('They mean stop', route('numbers.doubt', $number), ['means' => 'stop'], 'converse'),
                            new Act('They do not', route('numbers.doubt', $number), ['means' => 'no'], 'converse'),
                        ],
                    ),
                )
                ->all(),
        );
    }

    /** @return list<Need> */
    private static function noLine(): array
    {
        return Line::query()->exists() ? [] : [
            new Need('held', 'There is no line to send from', 'Until there is one, no text can leave.', 'Add a line', route('lines.index')),
        ];
    }

    /** @return list<Need> */
    private static function lines(): array
    {
        return array_values(
            Line::query()
                ->whereNotNull('problem')
                ->orderBy('id')
                ->get()
                ->map(
                    fn (Line $line): Need => new Need(
                        'bad', "The line “{$line->name}” was paused", $line->problem === null ? '' : Sentence::of($line->problem),
                        'See what failed', route('sent.index', ['state' => 'failed']),
                        acts: [new Act('Switch it on', route('lines.power', $line), ['power' => 'on'], method: 'put')],
                    ),
                )
                ->all(),
        );
    }

    /** @return list<Need> batches whose hour to be asked about has come */
    private static function releases(\DateTimeImmutable $now, string $zone): array
    {
        $waiting = fn () => Message::query()->awaitingRelease();
        $needs = [];
        foreach (Rule::query()->whereIn('id', $waiting()->select('rule_id'))->with('version')->orderBy('name')->get() as $rule) {
            $asked = $rule->written()->release->askedLast($now, new \DateTimeZone($zone));
            $many = $waiting()
                ->where('rule_id', $rule->id)
                ->where('at', '<=', $asked->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'))
                ->count();
            if ($many > 0) {
                $needs[] = new Need(
                    'held',
                    ucfirst(TimeFormatter::count($many, 'text', 'texts')).
                        ' of “'.
                        $rule->name.
                        '” '.
                        ($many === 1 ? 'waits' : 'wait').
                        ' to be let go',
                    'The rule sends nothing by itself.',
                    'Look through them',
                    route('rules.batch', $rule),
                    acts: [new Act('Let them go', route('rules.release', $rule))],
                );
            }
        }

        return $needs;
    }

    /** @return list<Need> */
    private static function stuck(): array
    {
        $stuck = DB::table('runs')
            // As the index says it that holds those alone.
            ->whereRaw('stuck')
            ->where('live', true)
            ->groupBy('rule_id')
            ->selectRaw('rule_id, count(*) as many')
            ->pluck('many', 'rule_id');

        return array_values(
            Rule::query()
                ->whereKey($stuck->keys()->all())
                ->orderBy('name')
                ->get()
                ->map(
                    fn (Rule $rule): Need => new Need(
                        'held',
                        ucfirst(TimeFormatter::count((int) $stuck[$rule->id], 'one is', 'are')).
                            ' under way in “'.
                            $rule->name.
                            '” at a step that is gone',
                        'They could not move to the new version, and go on by the old one.',
                        'Look',
                        route('rules.show', $rule),
                        acts: [
                            new Act('Let them finish', route('rules.stuck', $rule), ['do' => 'finish']),
                            new Act('End them', route('rules.stuck', $rule), ['do' => 'end']),
                        ],
                    ),
                )
                ->all(),
        );
    }

    /** @return list<Need> what was given up outside */
    private static function outboundTasks(): array
    {
        $unsent = OutboundTask::query()
            ->where('state', OutboundTaskState::GivenUp)
            ->where('reason->code', 'outbound_task.no_mail')
            ->count();
        $tasks = OutboundTask::query()
            ->where('state', OutboundTaskState::GivenUp)
            ->where('reason->code', '!=', 'outbound_task.no_mail')
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->with(['rule', 'person.number'])
            ->get();
        $mail =
            $unsent === 0
                ? []
                : [
                    new Need(
                        'bad',
                        ucfirst(TimeFormatter::count($unsent, 'email', 'emails')).
                            ($unsent === 1 ? ' was' : ' were').
                            ' not sent: no mail server is set up',
                        'Settings says how to set one up. Then they can be tried again.',
                        'Settings',
                        route('settings.index'),
                        acts: [
                            new Act('Try again', route('outbound-tasks.again-mail')),
                            new Act('Leave them', route('outbound-tasks.put-away-mail')),
                        ],
                    ),
                ];

        return [
            ...$mail,
            ...array_values(
                $tasks
                    ->map(
                        fn (OutboundTask $task): Need => new Need(
                            'bad',
                            'A'.
                                ($task->kind->value === 'email' ? 'n ' : ' ').
                                $task->kind->word().
                                ' for '.
                                ($task->person?->name() ?? 'somebody').
                                ' was given up',
                            ($task->reason === null ? '' : Sentence::of($task->reason)).
                                ' '.
                                ($task->rule === null ? '' : "“{$task->rule->name}” wanted it."),
                            'Look',
                            $task->person_id === null ? route('today') : route('people.show', $task->person_id),
                            acts: [
                                new Act('Try again', route('outbound-tasks.again', $task)),
                                new Act('Leave it', route('outbound-tasks.put-away', $task)),
                            ],
                        ),
                    )
                    ->all(),
            ),
        ];
    }

    /** @return list<Need> */
    private static function notices(?Staff $staff): array
    {
        $notices = Notice::query()
            ->whereNull('put_away_at')
            ->where(fn ($query) => $query->whereNull('staff_id')->orWhere('staff_id', $staff?->id))
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->with('rule')
            ->get();

        return array_values(
            $notices
                ->map(
                    fn (Notice $notice): Need => new Need(
                        'held', $notice->words, $notice->rule === null ? '' : "The rule “{$notice->rule->name}” says so.", 'Look',
                        match (true) {
                            $notice->conversation_id !== null => route('conversations.show', $notice->conversation_id),
                            $notice->person_id !== null => route('people.show', $notice->person_id),
                            default => route('today'),
                        },
                        acts: [new Act('Put away', route('notices.put-away', $notice), can: 'converse')],
                    ),
                )
                ->all(),
        );
    }

    /** @return list<Need> */
    private static function tasks(?Staff $staff, string $zone): array
    {
        $tasks = Task::query()->whereNull('done_at')->where(fn ($query) => $query->whereNull('staff_id')->orWhere('staff_id', $staff?->id))
            ->orderByRaw('due_at is null')->orderBy('due_at')->orderBy('id')->limit(self::MOST)->with('staff')->get();

        return array_values(
            $tasks
                ->map(
                    fn (Task $task): Need => new Need(
                        'held',
                        $task->words,
                        ($task->staff === null ? 'For whoever takes it' : "For {$task->staff->name}").
                            ($task->due_at === null ? '.' : ', by '.TimeFormatter::momentIn($task->due_at, $zone).'.'),
                        'Look',
                        $task->person_id === null ? route('today') : route('people.show', $task->person_id),
                        acts: [new Act('Done', route('tasks.done', $task), can: 'converse')],
                    ),
                )
                ->all(),
        );
    }
}
