<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Text\Wording\Share;

/** What came of some texts. */
final readonly class Came
{
    public Share $arrived;

    public Share $answered;

    public Share $ended;

    public Share $opened;

    public Share $met;

    /**
     * @param  int  $sent  how many passed the gate and did not fail
     * @param  int  $micros  their price, in millionths
     */
    private function __construct(public int $sent, public int $failed, public int $micros, private \stdClass $counted)
    {
        $share = fn (string $what): Share => new Share(min($sent, (int) ($this->counted->{$what} ?? 0)), $sent);
        [$this->arrived, $this->answered, $this->ended] = [$share('arrived'), $share('answered'), $share('ended')];
        [$this->opened, $this->met] = [$share('opened'), $share('met')];
    }

    /** @param  \stdClass|null  $counted  a row of {@see \App\Counts\MessageCounts} */
    public static function of(?\stdClass $counted): self
    {
        $counted ??= new \stdClass;

        return new self((int) ($counted->sent ?? 0), (int) ($counted->failed ?? 0), (int) ($counted->price ?? 0), $counted);
    }

    /** @return array<string, Share> what is told of it, by the state that Sent lists it under */
    public function shares(bool $hasGoal): array
    {
        return ['answered' => $this->answered, 'ended' => $this->ended, 'opened' => $this->opened] +
            ($hasGoal ? ['goal' => $this->met] : []);
    }
}
