<?php

declare(strict_types=1);

namespace Bench;

use Bench\Commands\Bench;
use Bench\Commands\BenchAhead;
use Bench\Commands\BenchConnect;
use Bench\Commands\BenchEngine;
use Bench\Commands\BenchPages;
use Bench\Commands\BenchRehearsal;
use Bench\Commands\BenchSeveral;
use Bench\Commands\BenchWriting;
use Bench\Commands\Torture;
use Illuminate\Support\ServiceProvider;

/** The commands that measure Linnet. */
final class BenchServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        $this->commands([
            Bench::class, BenchAhead::class, BenchConnect::class, BenchEngine::class, BenchPages::class,
            BenchRehearsal::class, BenchSeveral::class, BenchWriting::class, Torture::class,
        ]);
    }
}
