<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Engine\Port\BusinessReader;
use Linnet\Core\Engine\Port\MessageStore;
use Linnet\Core\Engine\Port\RunStore;
use Linnet\Core\Rule\Step\Answer;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Text\Words\Heard;
use Linnet\Core\Text\Words\Keywords;
use Linnet\Core\Text\Words\Listening;
use Linnet\Core\Text\Words\ReservedWords;

/** Takes a text that came in for what it is, given the questions that are open and the words rules listen for. */
final readonly class Hearing
{
    public function __construct(
        private BusinessReader $reader,
        private RunStore $runs,
        private MessageStore $texts,
        private ReservedWords $reserved,
    ) {
    }

    /** @param  string  $line key of the line it came to */
    public function of(int $personId, string $line, string $text): Heard
    {
        $questions = [];
        foreach ($this->runs->asking($personId) as $run) {
            $step = $run->rule->flow->step((string) $run->state->step);
            if ($step instanceof Ask && $this->texts->of($run, "$step->id/{$run->state->round}")?->line === $line) {
                $questions[$run->id] = array_map(fn (Answer $answer): Keywords => $answer->keywords, $step->answers);
            }
        }
        $rules = [];
        foreach ($this->reader->rules() as $published) {
            $listens = $published->rule->trigger->listens();
            if ($listens?->on($line) === true) {
                $rules[$published->ruleId] = [$listens->keywords, $listens->onlyWhenNoQuestion];
            }
        }

        return (new Listening($this->reserved, $questions, $rules))->to($text);
    }
}
