<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Sentences\Sentence;
use Illuminate\Console\Command;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Reason;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use Linnet\Core\Rehearsal\World;
use Linnet\Core\Rule\Rule;

/** Lives through a world on paper with a rule, by the very functions that send: no database, and no text leaves. */
final class Rehearse extends Command
{
    protected $signature = 'linnet:rehearse
        {rule : A rule document}
        {world : A world document (docs/formats/world-1.schema.json)}
        {--json : Print every run, text, deed and decision as JSON}';

    protected $description = 'Rehearse a rule in a world on paper';

    public function handle(): int
    {
        try {
            $rule = Rule::read($this->document('rule'));
            $world = World::read($this->document('world'));
            $this->checkTypes($rule, $world);
        } catch (Unreadable $e) {
            foreach ($e->problems as $problem) {
                $this->components->error($this->format($problem));
            }

            return self::FAILURE;
        }
        $lived = Rehearsal::of($world, [$rule]);
        $this->input->getOption('json')
            ? $this->line(
                json_encode($this->all($lived), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
            )
            : $this->table(
                ['Leaves', 'To', 'Words', 'Parts', 'Why not'],
                array_map(
                    fn (OutText $text): array => [
                        $text->settledAt?->format('D j M Y H:i:s') ?? '', $text->to->who, $text->composed->body ?? '',
                        $text->composed?->length->parts, $text->reason === null ? '' : Sentence::of($text->reason),
                    ],
                    $lived->texts(),
                ),
            );

        return self::SUCCESS;
    }

    /**
     * What a rule is about must be there, or nothing would ever begin and nobody would be told why.
     *
     * @throws Unreadable
     */
    private function checkTypes(Rule $rule, World $world): void
    {
        $problems = [];
        $types = $world->configuration->types;
        foreach ([$rule, ...$world->rules] as $i => $one) {
            $type = $one->trigger->type();
            if ($type !== RecordType::PERSON && ! isset($types[$type])) {
                $problems[] = new Problem(
                    $i === 0 ? '$.trigger.type' : '$.rules['.($i - 1).'].trigger.type',
                    new Reason('document.type_not_there', ['rule' => $one->name, 'type' => $type, 'known' => array_keys($types)]),
                );
            }
        }
        if ($problems !== []) {
            throw new Unreadable($problems);
        }
    }

    /** @throws Unreadable */
    private function document(string $which): Doc
    {
        $file = (string) $this->input->getArgument($which);

        return is_file($file) ? Doc::fromJson((string) file_get_contents($file)) : throw Unreadable::at($file, 'no_file');
    }

    private function format(Problem $problem): string
    {
        return "$problem->path: ".Sentence::of($problem->reason);
    }

    /** @return array<string, mixed> */
    private function all(RehearsalResult $lived): array
    {
        return [
            'runs' => array_map(
                fn (Run $run): array => [
                    'run' => $run->id, 'rule' => $run->rule->name, 'person' => $lived->personKey($run->personId()),
                    'record' => $run->subject->recordId === null ? null : $lived->recordKey($run->subject->recordId),
                    'began' => $run->state->beganAt->format(DATE_ATOM), 'live' => ! $run->state->isOver(), 'step' => $run->state->step,
                    'outcome' => $run->state->outcome,
                ],
                $lived->runs(),
            ),
            'texts' => array_map(
                fn (OutText $text): array => [
                    'run' => $text->run?->id, 'step' => $text->name, 'to' => $text->to->who, 'number' => $text->to->number,
                    'from' => $text->line, 'wording' => $text->wording, 'words' => $text->composed?->body,
                    'encoding' => $text->composed?->length->encoding->value, 'parts' => $text->composed?->length->parts,
                    'price_micros' => $text->composed?->price, 'wanted' => $text->wantedAt->format(DATE_ATOM),
                    'state' => $text->state->value, 'leaves' => $text->status()->at?->format(DATE_ATOM),
                    'why' => $text->reason === null ? null : Sentence::of($text->reason),
                    'gate' => array_map(
                        fn ($judgement): array => array_map(
                            fn ($verdict): array => ['say' => $verdict->say->value, 'why' => Sentence::of($verdict->reason)],
                            $judgement->verdicts,
                        ),
                        $text->judgements,
                    ),
                ],
                $lived->texts(),
            ),
            'effects' => array_map(
                fn (array $deed): array => ['at' => $deed['at']->format(DATE_ATOM), 'run' => $deed['run'], 'what' => $deed['what']] +
                    $deed['with'],
                $lived->sideEffects(),
            ),
            'trace' => array_map(
                fn (array $one): array => [
                    'at' => $one['at']->format(DATE_ATOM), 'rule' => $one['rule'], 'run' => $one['run'], 'about' => $one['subject']->name(),
                    'code' => $one['reason']->code, 'why' => Sentence::of($one['reason']),
                ],
                $lived->trace(),
            ),
        ];
    }
}
