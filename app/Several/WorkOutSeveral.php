<?php

declare(strict_types=1);

namespace App\Several;

use App\Models\TextToSeveral;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/** Works out who gets a text to several, some at a time, so that what else is in the queue comes between. */
final class WorkOutSeveral implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public function __construct(private readonly int $id, private readonly string $stamp)
    {
    }

    public function handle(WhoGetsIt $who): void
    {
        $several = TextToSeveral::query()->find($this->id);
        if ($several !== null && $several->stamp === $this->stamp && $who->goOn($several)) {
            self::dispatch($this->id, $this->stamp);
        }
    }
}
