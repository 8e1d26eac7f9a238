<?php

declare(strict_types=1);

namespace App\Engine;

use App\Clock\TimeFormatter;
use App\Jobs\OutboundTaskQueue;
use App\Models\Business;
use App\Models\Message;
use App\Models\OutboundTaskKind;
use App\Models\Rule;
use App\Models\Staff;
use App\Outside\Mailbox;
use Linnet\Core\Rule\ReleaseKind;
use Psr\Clock\ClockInterface;

/** Asks those who release, by mail and once each time, to look through the texts that wait for them. */
final readonly class ReleasePrompts
{
    public function __construct(private ClockInterface $clock)
    {
    }

    /** @return int how many were asked */
    public function send(): int
    {
        if (! Mailbox::isThere()) {
            return 0;
        }
        $asked = 0;
        foreach (Rule::query()->whereIn('id', Message::query()->awaitingRelease()->select('rule_id'))->with('version')->get() as $rule) {
            $asked += $this->prompt($rule);
        }

        return $asked;
    }

    private function prompt(Rule $rule): int
    {
        $now = $this->clock->now();
        $release = $rule->version?->read()->release;
        if ($release?->kind !== ReleaseKind::InOneBatch) {
            return 0;
        }
        $at = $release->askedLast($now, new \DateTimeZone(Business::ours()->zone))->setTimezone(new \DateTimeZone('UTC'));
        $many = Message::query()->awaitingRelease()->where('rule_id', $rule->id)->where('at', '<=', $at)->count();
        if ($many === 0) {
            return 0;
        }
        $those = Staff::query()->whereNull('off_at')->orderBy('id')->get()->filter(fn (Staff $one): bool => $one->role->administers());
        foreach ($those as $one) {
            OutboundTaskQueue::add("release/$rule->id/{$at->getTimestamp()}/$one->id", OutboundTaskKind::Email, $one->email, [
                'subject' => ucfirst(TimeFormatter::count($many, 'text waits', 'texts wait'))." for you: $rule->name",
                'words' => ucfirst(TimeFormatter::count($many, 'text', 'texts'))." of “{$rule->name}” will leave once somebody lets them go.\n\n"
                    .'Look through them: '.route('rules.batch', $rule),
            ], $rule->id, null, null, $now);
        }

        return $those->count();
    }
}
