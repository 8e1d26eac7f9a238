<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Models\Rule;
use App\Rules\Checking;
use Linnet\Core\Check\Checks;
use Linnet\Core\Check\Finding;
use Linnet\Core\Check\Question;
use Linnet\Core\Prose\Language;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** What is said beside a rule: what is wrong with it, how long its texts are for all whom it reaches, and how its examples go. */
final readonly class ChecksPage
{
    public Writing $writing;

    /** @var list<Finding> */
    public array $findings;

    /** @param  int|null  $reaches  how many it would begin for; null where they are too many to ask of each */
    public function __construct(public Rule $rule, Language $language, public Question $question, private ?int $reaches)
    {
        $this->writing = new Writing($language, $question->rule);
        $this->findings = Checks::findings($question);
    }

    /** Over whom this was looked at, where that is not each of them; else nothing. */
    public function overWhom(): string
    {
        return match (true) {
            $this->isOverAll() => '',
            $this->reaches === null => 'It would begin for too many to ask of each, so nothing here is said of single ones.',
            default => 'This was looked at over the newest '.number_format(count($this->question->reached)).' of the '
                .number_format($this->reaches).' it would begin for.',
        };
    }

    private function isOverAll(): bool
    {
        return $this->reaches !== null && $this->reaches <= Checking::REACHED;
    }

    /** @return array<int, string> how long the words of each line are for those it reaches, by its number */
    public function bounds(): array
    {
        $spread = new Spread($this->question);
        $first = $this->question->rule->flow->texts()[0] ?? null;
        $said = [];
        foreach ($this->writing->lines as $number => $line) {
            $words = $line->texting?->outgoing()->to->isPerson() === true ? $line->line->words : null;
            $bounds = $words === null ? null : $spread->bounds(self::template($words), $first?->id() === $line->texting?->id());
            $whom = $this->isOverAll() ? 'it reaches today' : 'newest it reaches today';
            $said += $bounds === null ? [] : [$number => Spread::says($bounds, $whom)];
        }

        return $said;
    }

    private static function template(string $words): Template
    {
        try {
            return Template::parse($words);
        } catch (TemplateError $e) {
            throw new \LogicException('the words of a rule can be read', previous: $e);
        }
    }
}
