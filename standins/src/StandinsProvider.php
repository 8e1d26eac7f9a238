<?php

declare(strict_types=1);

namespace Standins;

use Compat\Sqlite\ImmediateConnector;
use Demo\MovableClock;
use Illuminate\Support\ServiceProvider;

final class StandinsProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind('db.connector.sqlite', ImmediateConnector::class);
        config()->set('view.paths', [dirname(__DIR__).'/views', dirname(__DIR__, 2).'/resources/views']);
        config()->set('session.driver', 'file');
        config()->set('session.cookie', 'standins_session');
        config()->set('cache.default', 'file');
        config()->set('queue.default', 'sync');

        $this->app->singleton(MovableClock::class, fn (): MovableClock => new MovableClock(
            dirname(__DIR__, 2).'/storage/'.(config()->get('standins.clock_file') ?: 'demo/clock.json'),
        ));
        $this->app->bind(Courier::class, fn (): Courier => new Courier(config()->string('standins.linnet_url')));
    }
}
