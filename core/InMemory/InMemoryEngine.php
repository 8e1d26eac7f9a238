<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Engine\Conductor;
use Linnet\Core\Engine\ContextFactory;
use Linnet\Core\Engine\EffectHandler;
use Linnet\Core\Engine\Hearing;
use Linnet\Core\Engine\OutboundMessages;
use Linnet\Core\Engine\Scheduler;

/** The engine at work on paper: what is due on a sheet is done at its own moment. No text leaves. */
final readonly class InMemoryEngine
{
    public InMemoryBusinessReader $reader;

    public InMemoryRunStore $runs;

    public InMemorySideEffects $sideEffects;

    public ContextFactory $contexts;

    public OutboundMessages $outbound;

    public EffectHandler $effects;

    public Conductor $conductor;

    public Scheduler $scheduler;

    public InMemoryInbound $inbound;

    public function __construct(private Sheet $sheet, private ?Onlooker $onlooker = null)
    {
        $this->reader = new InMemoryBusinessReader($sheet);
        $this->runs = new InMemoryRunStore($sheet);
        $texts = new InMemoryMessageStore($sheet);
        $this->sideEffects = new InMemorySideEffects($sheet);
        $this->contexts = new ContextFactory($this->reader);
        $this->outbound = new OutboundMessages($this->reader, $texts, $this->contexts);
        $this->effects = new EffectHandler($this->reader, $this->runs, $texts, $this->sideEffects, $this->outbound);
        $this->conductor = new Conductor($this->reader, $this->runs, $this->contexts, $this->outbound, $this->effects);
        $timers = new InMemoryTimerStore($sheet);
        $this->scheduler = new Scheduler($this->reader, $timers, $this->outbound, $this->conductor);
        $this->inbound = new InMemoryInbound(
            $sheet, $this->reader, new Hearing($this->reader, $this->runs, $texts, $sheet->configuration->words),
        );
    }

    /** Everything that is due before a moment, each at its own. */
    public function until(\DateTimeImmutable $moment): void
    {
        while (($due = $this->sheet->agenda->next()) !== null && $due <= $moment->getTimestamp()) {
            $this->sheet->now = max($this->sheet->now, $this->sheet->now->setTimestamp($due));
            $this->settle();
        }
        $this->sheet->now = max($this->sheet->now, $moment);
    }

    /** What has happened, then what is due, then what was asked of others, in rounds, until nothing is left. */
    public function settle(): void
    {
        do {
            $happened = array_splice($this->sheet->events, 0, Scheduler::AT_ONCE);
            $this->scheduler->handle($happened);
            $due = $this->scheduler->resolveDue();
            $gone = $this->scheduler->piece();
            $isDone = $happened === [] && $due + $gone === 0;
            $asked = $isDone ? array_splice($this->sheet->asked, 0) : [];
            foreach ($asked as [$run, $number]) {
                $this->sideEffects->answer($run, $number);
            }
            foreach (array_splice($this->sheet->departures, 0) as $left) {
                $this->onlooker?->left($left);
            }
        } while (! $isDone || $asked !== [] || $this->sheet->events !== []);
    }
}
