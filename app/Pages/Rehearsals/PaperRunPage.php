<?php

declare(strict_types=1);

namespace App\Pages\Rehearsals;

use App\Clock\TimeFormatter;
use App\Models\Business;
use App\Models\Rehearsal;
use App\Models\RehearsalSide;
use App\Models\RehearsedRun;
use App\Models\RehearsedState;
use App\Models\RehearsedText;
use App\Pages\Rules\TimeLine;
use Illuminate\Database\Eloquent\Collection;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rehearsal\RehearsedText as OnTimeLine;
use Linnet\Core\Rule\Rule;

/** One run of a rehearsal, on the time line. */
final readonly class PaperRunPage
{
    public RehearsedRun $run;

    /** @var Collection<int, RehearsedText> */
    public Collection $texts;

    public TimeLine $timeLine;

    /** @var array<string, string> what each text is called on its rule's page */
    public array $letters;

    public Rule $version;

    public function __construct(public Rehearsal $rehearsal, RehearsalSide $side, int $run)
    {
        $of = ['rehearsal_id' => $rehearsal->id, 'side' => $side->value, 'run' => $run];
        $this->texts = RehearsedText::query()->where($of)->with('line')->orderBy('wanted_at')->orderBy('id')->get();
        $this->run = RehearsedRun::query()->where($of)->with(['person.number', 'record.type'])->first() ?? $this->earlier($of);
        $this->version = $rehearsal->versions()[$side->value] ?? abort(404);
        $this->letters = RuleWriter::targets($this->version)[1];
        $business = Business::current();
        $onLine = $this->texts->map(fn (RehearsedText $text): OnTimeLine => OnTimeLine::kept(
            (string) $text->step, $text->wanted_at->toDateTimeImmutable(),
            in_array($text->state, RehearsedState::went(), true) ? $text->left_at?->toDateTimeImmutable() : null,
        ));
        $this->timeLine = new TimeLine(
            new Rehearsed($this->run->began_at->toDateTimeImmutable(), array_values($onLine->all()), []),
            $business->gatePolicy()->serviceHours, $business->zone, 'it began', $this->version,
        );
    }

    /** "Would have left at 09:00, held from 22:40: …" */
    public function became(RehearsedText $text): string
    {
        return match (true) {
            $text->state === RehearsedState::Failed => 'would have left, and nobody has the number',
            $text->held_seconds > 0 => 'held for '.TimeFormatter::lasting($text->wanted_at, $text->left_at ?? $text->wanted_at),
            $text->state === RehearsedState::Left => 'would have left',
            $text->state === RehearsedState::Waiting => 'would wait still',
            $text->state === RehearsedState::SetAside => 'would have been set aside',
            default => 'would not have gone',
        };
    }

    /**
     * A run that began before the days that are told.
     *
     * @param  array{rehearsal_id: int, side: string, run: int}  $of
     */
    private function earlier(array $of): RehearsedRun
    {
        $first = $this->texts->first() ?? abort(404);

        return (new RehearsedRun)->forceFill([
            ...$of, 'person_id' => $first->person_id, 'record_id' => $first->record_id, 'began_at' => $first->wanted_at, 'texts' => 0,
        ]);
    }
}
