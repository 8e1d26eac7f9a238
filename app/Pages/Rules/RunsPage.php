<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Models\ComingText;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Trace;
use App\Pages\Ahead\ComingTextReader;
use App\Rules\Vocabularies;
use App\Sentences\Sentence;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Support\Collection;
use Linnet\Core\Prose\Line;
use Linnet\Core\Prose\LineKind;
use Linnet\Core\Prose\RuleWriter;

/** A page of a rule's runs, with the texts each has had and the last thing that was decided about it. */
final readonly class RunsPage
{
    /** @var Collection<int, Trace> the last one by run */
    private Collection $last;

    /** @var array<int, int> texts that left, by run */
    private array $left;

    /** @var Collection<array-key, ComingText> the next text of each that is under way */
    private Collection $coming;

    /** @param  Paginator<int, Run>  $runs */
    public function __construct(public Paginator $runs)
    {
        $this->coming = ComingTextReader::nextOf(array_values(array_map(
            fn (Run $run): int => $run->id,
            array_filter($runs->items(), fn (Run $run): bool => $run->live),
        )));
        $ids = array_map(fn (Run $run): int => $run->id, $runs->items());
        $this->last = Trace::query()
            ->whereIn('id', Trace::query()->selectRaw('max(id)')->whereIn('run_id', $ids)->groupBy('run_id'))
            ->get()
            ->keyBy('run_id');
        $this->left = Message::query()
            ->whereIn('run_id', $ids)
            ->whereIn('state', MessageState::left())
            ->groupBy('run_id')
            ->selectRaw('run_id, count(*) as many')
            ->pluck('many', 'run_id')
            ->map(intval(...))
            ->all();
    }

    /** @return array<string, string> where somebody can be let go on: what each place says, by its step */
    public static function places(Rule $rule): array
    {
        $version = $rule->version;
        if ($version === null) {
            return [];
        }
        $writing = new Writing(Vocabularies::language(), $version->read());
        $names = RuleWriter::targets($version->read())[0];
        $places = [];
        foreach ($writing->lines as $line) {
            foreach ($line->line->kind === LineKind::Steps ? $line->line->steps : [] as $i => $step) {
                $isText = str_starts_with($names[$step] ?? '', 'text ');
                if ($i === 0 || $isText) {
                    $places[$step] =
                        $i === 0
                            ? Line::capital(mb_strimwidth($line->sentence(), 0, 70, '…', 'UTF-8'))
                            : ucfirst($names[$step]).', without what stands before it';
                }
            }
        }

        return $places;
    }

    public function coming(Run $run): ?ComingText
    {
        return $this->coming[$run->id] ?? null;
    }

    public function left(Run $run): int
    {
        return $this->left[$run->id] ?? 0;
    }

    /** Why it stands where it stands, or ended; nothing where nothing was decided since it began. */
    public function because(Run $run): string
    {
        $last = $this->last[$run->id] ?? null;

        return $last === null || in_array($last->code, $run->live ? ['start.began', 'run.finished'] : ['start.began'], true)
            ? ''
            : Sentence::of(['code' => $last->code, 'with' => $last->with]);
    }

    /** What a run under way waits for, where that is no moment. */
    public static function waitsFor(Run $run): string
    {
        return match (true) {
            $run->stuck => 'its step is gone: somebody has to decide',
            $run->outcome !== null => 'its texts are over, and its goal may still be met',
            $run->asked_at !== null => 'waits for an answer',
            default => 'waits for its text to leave',
        };
    }
}
