<?php

declare(strict_types=1);

namespace App\View\Rules;

use Linnet\Core\Rule\Condition\LabelKind;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\Branch;
use Linnet\Core\Rule\Step\CallOut;
use Linnet\Core\Rule\Step\Change;
use Linnet\Core\Rule\Step\Channel;
use Linnet\Core\Rule\Step\End;
use Linnet\Core\Rule\Step\GoOnlyIf;
use Linnet\Core\Rule\Step\IfLate;
use Linnet\Core\Rule\Step\LookUp;
use Linnet\Core\Rule\Step\MakeTask;
use Linnet\Core\Rule\Step\OtherRule;
use Linnet\Core\Rule\Step\Outgoing;
use Linnet\Core\Rule\Step\Recipient;
use Linnet\Core\Rule\Step\Repeat;
use Linnet\Core\Rule\Step\Sender;
use Linnet\Core\Rule\Step\SenderKind;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\TellStaff;
use Linnet\Core\Rule\Step\Text;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Rule\Step\Wait;
use Linnet\Core\Rule\Step\WaitFor;
use Linnet\Core\Rule\Step\WaitForDate;
use Linnet\Core\Rule\Step\WaitUntil;
use Linnet\Core\Rule\Step\WhichRecord;
use Linnet\Core\Rule\Step\Who;
use Linnet\Core\Text\Wording\Turns;
use Linnet\Core\Time\Unit;

/** What a step does, in words; those that can be changed in place stand as words of their own. */
final readonly class StepSaid
{
    public function __construct(private Rule $rule, private Names $names, private ConditionSaid $conditions, private TriggerSaid $triggers)
    {
    }

    /**
     * @param  bool  $begins  nothing of its sentence stands before it
     * @return list<string|Word>
     */
    public function of(Step $step, bool $begins): array
    {
        return match (true) {
            $step instanceof Text => $this->text($step->id, $step->outgoing, $begins, 'text'),
            $step instanceof Ask => [...$this->text($step->id, $step->outgoing, $begins, 'ask'), ' (an answer counts for '.$this->names->span($step->within).')'],
            $step instanceof Wait, $step instanceof WaitUntil => $this->wait($step),
            $step instanceof WaitForDate => ['Wait until '.lcfirst($this->triggers->offset($step->offset)).' '.$this->names->date($step->field)],
            $step instanceof WaitFor => ['Wait until '.implode(' or ', array_filter([$step->reply ? 'they reply' : null, $step->condition === null ? null : $this->conditions->of($step->condition)])).', at most '.$this->names->span($step->atMost)],
            $step instanceof GoOnlyIf => ['Go on only if '.$this->conditions->of($step->condition)],
            $step instanceof Branch => ['Whichever holds first'],
            $step instanceof Change => [$this->change($step)],
            $step instanceof TellStaff => [match ($step->by) {
                Channel::Text => 'Text ', Channel::Email => 'Write an email to ', Channel::Notice => 'Put a notice on the screen of ',
            }.$this->who($step->to).': “'.$this->names->words($step->words).'”'],
            $step instanceof MakeTask => ['Give '.($step->for === null ? 'the staff' : $this->who($step->for)).' something to do'.($step->due === null ? '' : ' within '.$this->names->span($step->due)).': “'.$this->names->words($step->words).'”'],
            $step instanceof LookUp => ['Look their number up, unless that was done in the last '.($step->rememberDays === 1 ? 'day' : "$step->rememberDays days")],
            $step instanceof OtherRule => [($step->starts ? 'Start' : 'Stop').' the rule '.$this->names->rule($step->rule).' for them'],
            $step instanceof CallOut => ["Tell another system, at $step->address"],
            $step instanceof Repeat => [$this->repeat($step)],
            $step instanceof End => ["End: $step->outcome"],
        };
    }

    /** @return list<string|Word> */
    private function wait(Wait|WaitUntil $step): array
    {
        if ($step instanceof Wait) {
            $units = array_column(Unit::cases(), 'value');

            return ['Wait ', new Word($this->names->span($step->span), 'wait', $step->id, 'How long', array_combine(
                $units, array_map(fn (string $unit): string => str_replace('_', ' ', $unit), $units),
            ), ['amount' => $step->span->amount, 'value' => $step->span->unit->value])];
        }
        $days = $step->weekdays === [] ? '' : ' on '.implode(' or ', array_map(ucfirst(...), $step->weekdays));

        return ['Wait until it is ', new Word("$step->time ".($step->theirs ? 'where they are' : 'here'), 'until', $step->id, 'By whose clock', [
            'ours' => 'here, by our clock', 'theirs' => 'where they are, by their clock',
        ], ['time' => (string) $step->time, 'value' => $step->theirs ? 'theirs' : 'ours']), $days];
    }

    /** @return list<string|Word> */
    private function text(string $id, Outgoing $text, bool $begins, string $verb): array
    {
        $who = $text->to->isPerson() ? ($this->rule->trigger->type() === 'call' ? 'the caller' : 'the person') : $this->who($text->to);
        $from = $text->from->kind;
        $simple = $from === SenderKind::Contacted || $from === SenderKind::Fixed;

        return array_values(array_filter([
            $begins ? "At once, $verb $who from " : "$verb $who from ",
            $simple ? new Word($this->sender($text->from), 'from', $id, 'From which line',
                ['contacted' => 'the line they called'] + array_map(fn (string $n): string => "the $n", $this->names->lines), ['value' => $from === SenderKind::Fixed ? $text->from->keys[0] : 'contacted']) : $this->sender($text->from),
            ', as a ',
            new Word($text->kind->value.' text', 'kind', $id, 'What kind of text', [
                TextKind::Service->value => 'a service text: about what they asked for', TextKind::Marketing->value => 'a marketing text: only to those who agreed to them',
            ], ['value' => $text->kind->value]),
            $this->turns($text),
            $this->late($text->ifLate),
        ], fn (string|Word $part): bool => $part !== ''));
    }

    private function sender(Sender $from): string
    {
        return match ($from->kind) {
            SenderKind::Contacted => 'the line they called',
            SenderKind::LastUsed => 'the line last used with them',
            SenderKind::Owner => 'the owner’s line',
            SenderKind::Fixed => $this->names->line($from->keys[0]),
            SenderKind::Pool => 'one of '.implode(', ', array_map($this->names->line(...), $from->keys)).', always the same for them',
        };
    }

    private function turns(Outgoing $text): string
    {
        $from = $text->wordings->pool === null ? (count($text->wordings->own) < 2 ? '' : ' in '.count($text->wordings->own).' wordings') : " in the wordings of “{$text->wordings->pool}”";

        return $from === '' ? '' : $from.', '.match ($text->wordings->turns) {
            Turns::First => 'the first there is', Turns::InTurn => 'one after the other', Turns::ByWeight => 'by chance', Turns::NoRepeat => 'by chance, none twice for them until all were used',
            Turns::ByRound => 'the next each time round',
        };
    }

    private function late(IfLate $ifLate): string
    {
        return match (true) {
            $ifLate->skip => ', unless its moment is past already',
            $ifLate->left !== null => ', if late only while '.$this->names->span($ifLate->left).' are left',
            default => '',
        };
    }

    private function who(Recipient $to): string
    {
        return match ($to->who) {
            Who::Person => 'the person', Who::Owner => 'the owner', Who::StaffField => 'the '.$this->names->path($to->which), Who::Staff => $this->names->staff($to->which),
            Who::Number, Who::Address => $to->which,
        };
    }

    private function change(Change $step): string
    {
        $said = [];
        $of = match ($step->record) {
            WhichRecord::Next => ' of their next '.$this->names->type($step->types()[0] ?? ''), WhichRecord::Newest => ' of their newest '.$this->names->type($step->types()[0] ?? ''), null => '',
        };
        foreach ($step->set as $path => $value) {
            $said[] = $value === null ? 'empty the '.$this->names->path($path).$of : 'set the '.$this->names->path($path).$of." to “{$this->names->plain($value)}”";
        }
        foreach ([['add', $step->add], ['remove', $step->remove]] as [$verb, $labels]) {
            foreach (LabelKind::cases() as $kind) {
                foreach ($labels[$kind->value] as $name) {
                    $said[] = $kind === LabelKind::Tag ? "$verb the tag “{$name}”" : ($verb === 'add' ? 'put them on' : 'take them off')." the list “{$name}”";
                }
            }
        }

        return ucfirst(implode(', ', $said));
    }

    private function repeat(Repeat $step): string
    {
        $letters = Letters::of($this->rule);

        return ($step->every === null ? 'Go' : 'After '.$this->names->span($step->every).', go').' back up to '.(isset($letters[$step->to]) ? "text {$letters[$step->to]}" : "“{$step->to}”").', at most '.($step->times === 1 ? 'once' : "$step->times times")
            .($step->until === null ? '' : ', until '.$this->conditions->of($step->until));
    }
}
