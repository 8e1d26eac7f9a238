<?php

declare(strict_types=1);

namespace App\Inbound;

use App\Engine\Store\UnitOfWork;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\MessageOrigin;
use Linnet\Core\Rule\Step\Who;

/** Whom a rule tells of replies: asked where what they answer was the rule's. */
final readonly class RuleHears
{
    /**
     * @param  int|null  $staff  one of us; null for nobody in particular
     * @param  string|null  $address  a mailbox
     */
    private function __construct(public ?int $staff = null, public ?string $address = null)
    {
    }

    public static function of(Conversation $conversation, UnitOfWork $unit): self
    {
        $last = Message::query()->where('conversation_id', $conversation->id)->whereNotNull('left_at')
            ->orderByDesc('at')->orderByDesc('id')->first(['origin', 'run_id']);
        $run = $last?->origin === MessageOrigin::Rule && $last->run_id !== null ? $unit->runs->run($last->run_id) : null;
        $to = $run?->rule->replies;

        return match (true) {
            $run === null || $to === null => new self,
            $to->who === Who::Address => new self(address: $to->which),
            default => new self($unit->outbound->colleague($run, $to)->staffId),
        };
    }
}
