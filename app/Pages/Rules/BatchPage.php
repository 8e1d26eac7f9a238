<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Models\ComingText;
use App\Models\Message;
use App\Models\Rule;
use Illuminate\Contracts\Pagination\Paginator;

/** The texts of a rule that wait for somebody to let them go. */
final readonly class BatchPage
{
    private const PER_PAGE = 30;

    public int $many;

    /** The newest of them: what comes later is not let go unseen. */
    public int $newest;

    public int $micros;

    /** When those leave that were just let go; null where none were. */
    public ?\DateTimeImmutable $leaveAt;

    public int $leaving;

    public function __construct(public Rule $rule, \DateTimeImmutable $now)
    {
        $waiting = Message::query()->awaitingRelease()->where('rule_id', $rule->id);
        $this->many = $waiting->clone()->count();
        $this->newest = (int) $waiting->clone()->max('id');
        $this->micros = (int) $waiting->clone()->sum('price_micros');
        $letGo = Message::query()->letGo($now)->where('rule_id', $rule->id);
        $this->leaving = $letGo->clone()->count();
        $at = $letGo->clone()->max('release_at');
        $this->leaveAt = is_string($at) ? new \DateTimeImmutable($at, new \DateTimeZone('UTC')) : null;
    }

    /** @return Paginator<int, ComingText> with their words as things stand, the longest waiting first */
    public function texts(): Paginator
    {
        return once(fn (): Paginator => ComingText::query()
            ->where('rule_id', $this->rule->id)
            ->whereNull('hour')
            ->where('left_out', false)
            ->whereNotNull('message_id')
            ->where('held', 'gate.not_released')
            ->with(['person.number', 'rule', 'line'])
            ->orderBy('message_id')
            ->simplePaginate(self::PER_PAGE));
    }

    /** When the staff are asked, by the business’s clock; null where at any time. */
    public function askedAt(): ?string
    {
        $at = $this->rule->version?->read()->release->askAt;

        return $at === null ? null : (string) $at;
    }
}
