<?php

declare(strict_types=1);

namespace Tests\Support;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Rule;

/** Builds rules in the words of the trade. */
final class Rules
{
    /** @var array<string, mixed> */
    private array $document = [
        'linnet_rule' => 1, 'name' => 'A rule', 'trigger' => ['on' => 'record_added', 'type' => 'call'], 'conditions' => ['all' => []],
        'again' => ['policy' => 'once_per_record'], 'stop_early' => ['reply' => true], 'steps' => [],
    ];

    public static function whenCallIsMissed(): self
    {
        return (new self)->onlyIf(['field' => 'call.outcome', 'test' => 'is', 'value' => 'missed']);
    }

    /** @param  array<string, mixed>  $condition */
    public function onlyIf(array $condition): self
    {
        $this->document['conditions']['all'][] = $condition;

        return $this;
    }

    public function wait(int $amount, string $unit): self
    {
        return $this->step(['do' => 'wait', 'for' => ['amount' => $amount, 'unit' => $unit]]);
    }

    public function waitUntil(string $time, string $clock = 'ours'): self
    {
        return $this->step(['do' => 'wait', 'until' => ['time' => $time, 'clock' => $clock]]);
    }

    public function text(string $text, string $kind = 'service'): self
    {
        return $this->step([
            'do' => 'text', 'kind' => $kind, 'from' => ['line' => 'contacted'], 'wordings' => [['id' => 'w', 'text' => $text]],
        ]);
    }

    public function goOnOnlyIfNotReplied(): self
    {
        return $this->step(['do' => 'go_on_only_if', 'condition' => ['replied' => false]]);
    }

    public function end(string $outcome): self
    {
        return $this->step(['do' => 'end', 'outcome' => $outcome]);
    }

    public function evenIfTheyReply(): self
    {
        $this->document['stop_early'] = ['reply' => false];

        return $this;
    }

    /** @param  array<string, mixed>  $again */
    public function again(array $again): self
    {
        $this->document['again'] = $again;

        return $this;
    }

    public function lookUp(int $rememberDays = 30): self
    {
        return $this->step(['do' => 'look_up_number', 'remember_days' => $rememberDays]);
    }

    public function waitForDate(string $field, int $amount, string $unit): self
    {
        return $this->step([
            'do' => 'wait',
            'until' => ['date' => $field, 'offset' => ['amount' => $amount, 'unit' => $unit, 'side' => 'before']],
        ]);
    }

    public function repeat(string $to, int $times, string $unit): self
    {
        return $this->step(['do' => 'repeat', 'to' => $to, 'times' => $times, 'every' => ['amount' => 1, 'unit' => $unit]]);
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        return $this->document;
    }

    public function build(): Rule
    {
        return Rule::read(Doc::of($this->document));
    }

    /** @param  array<string, mixed>  $step */
    private function step(array $step): self
    {
        $this->document['steps'][] = ['id' => 's'.(count($this->document['steps']) + 1)] + $step;

        return $this;
    }
}
