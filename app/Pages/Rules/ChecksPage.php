<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Models\Rule;
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

    public function __construct(public Rule $rule, Language $language, public Question $question)
    {
        $this->writing = new Writing($language, $question->rule);
        $this->findings = Checks::look($question);
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
            $said += $bounds === null ? [] : [$number => Spread::says($bounds)];
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
