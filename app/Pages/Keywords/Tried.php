<?php

declare(strict_types=1);

namespace App\Pages\Keywords;

use App\Models\Run;
use Linnet\Core\Engine\Published;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Text\Words\Heard;
use Linnet\Core\Text\Words\Meaning;

/** What a text would be taken for, should somebody send it now. */
final readonly class Tried
{
    /**
     * @param  Published|null  $rule  the one it would start
     * @param  Run|null  $asks  the one whose question it would be put to
     */
    public function __construct(private Heard $heard, private ?Published $rule, private ?Run $asks, private string $who)
    {
    }

    public function says(): string
    {
        $question = $this->asks === null ? 'the open question' : "the question of “{$this->asks->rule->name}”";

        return match ($this->heard->meaning) {
            Meaning::OptOut => "It is a stop: nothing is sent to $this->who any more, and they are told so once.",
            Meaning::OptIn => "It ends a stop: $this->who may be texted again.",
            Meaning::Help => 'It asks for help: they are told who writes and how to stop.',
            Meaning::LikelyOptOut => "It reads like a stop: automatic texts to $this->who are held until one of the staff has decided.",
            Meaning::Answer => "It answers $question".($this->answer() === '' ? '.' : " with “{$this->answer()}”."),
            Meaning::Keyword => 'It starts “'.($this->rule->rule->name ?? '').'”, if its conditions hold.'
                .($this->heard->remark === '' ? '' : " What follows the word is kept: “{$this->heard->remark}”."),
            Meaning::Talk => $this->heard->question === null
                ? 'It starts nothing, and waits for one of the staff to answer.'
                : "It is unclear to $question, and waits for one of the staff to answer.",
        };
    }

    public function ruleId(): ?int
    {
        return $this->rule === null ? null : (int) $this->rule->ruleId;
    }

    private function answer(): string
    {
        $step = $this->asks === null ? null : $this->asks->version->read()->flow->step((string) $this->asks->step);

        return $step instanceof Ask ? $step->answers[(int) $this->heard->answer]->label ?? '' : '';
    }
}
