<?php

declare(strict_types=1);

namespace Demo;

use App\Clock\SystemClock;
use App\Models\Staff;
use Demo\Commands\Demo;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\View;
use Illuminate\Support\ServiceProvider;
use Illuminate\View\View as ViewData;
use Psr\Clock\ClockInterface;

/** What the demo puts into Linnet: a clock that can be moved, its buttons on the rail, the way to the stand-ins, and who may log in. */
final class DemoServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->mergeConfigFrom(__DIR__.'/config.php', 'demo');
        config(['mail.mailers.mailbox' => ['transport' => 'mailbox']]);
        $this->app->singleton(ClockInterface::class, function (): ClockInterface {
            $file = config()->get('demo.clock_file');

            return is_string($file) && $file !== '' ? new MovableClock(storage_path($file)) : new SystemClock;
        });
    }

    public function boot(): void
    {
        $this->commands([Demo::class]);
        Mail::extend('mailbox', fn (): MailboxTransport => new MailboxTransport(config()->string('demo.standins_url')));
        $this->loadViewsFrom(__DIR__.'/views', 'demo');
        Route::middleware(['web', 'auth', 'can:administer'])
            ->post('demo/clock', ClockController::class)
            ->name('demo.clock');
        View::composer(
            ['demo::place', 'demo::log-in'],
            fn (ViewData $view) => $view->with('standinsUrl', config()->get('demo.standins_url')),
        );
        View::composer('demo::clock', function (ViewData $view): void {
            $staff = request()->user();
            $view->with(
                'moves',
                resolve(ClockInterface::class) instanceof MovableClock && $staff instanceof Staff && $staff->role->administers(),
            );
        });
    }
}
