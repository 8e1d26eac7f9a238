<?php

declare(strict_types=1);

namespace App\Providers;

use App\Carrier\Carriers;
use App\Carrier\NumberLookup;
use App\Clock\SystemClock;
use App\Counts\WaitingConversations;
use App\Database\PostgresConnector;
use App\Database\WholeMigrator;
use App\Engine\Outbox;
use App\Intake\Deliveries;
use App\Models\Business;
use App\Models\Sign;
use App\Models\Source;
use App\Models\Staff;
use App\Outside\Fetcher;
use Compat\Sqlite\ImmediateConnector;
use Illuminate\Auth\EloquentUserProvider;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\PersonalAccessToken;
use Laravel\Sanctum\Sanctum;
use Psr\Clock\ClockInterface;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind('db.connector.sqlite', ImmediateConnector::class);
        $this->app->bind('db.connector.pgsql', PostgresConnector::class);
        $this->app->extend(
            'migrator',
            fn (Migrator $plain, Application $app): Migrator => new WholeMigrator(
                $app->make('migration.repository'), $app->make('db'), $app->make('files'), $app->make('events'),
            ),
        );

        $this->app->singleton(ClockInterface::class, SystemClock::class);
        array_map($this->app->register(...), config()->array('linnet.providers'));
        $this->app->scoped(Business::class, fn (): Business => Business::ours());
        $this->app->scoped(WaitingConversations::class);
        $this->app->bind(Carriers::class, fn (): Carriers => new Carriers(config()->array('linnet.carriers')));
        $this->app->bind(
            NumberLookup::class,
            fn (): NumberLookup => new NumberLookup(
                (string) config()->get('linnet.lookup.url'),
                config()->string('linnet.lookup.secret'),
                config()->integer('linnet.lookup.timeout_seconds'),
            ),
        );
        $this->app->when(Outbox::class)->needs('$concurrency')->giveConfig('linnet.hand_over.concurrency');
        $this->app->when(Outbox::class)->needs('$leaseSeconds')->giveConfig('linnet.hand_over.lease_seconds');
        $this->app->when(Fetcher::class)->needs('$maxBytes')->giveConfig('linnet.outside.max_bytes');
        $this->app->when(Fetcher::class)->needs('$timeoutSeconds')->giveConfig('linnet.outside.timeout_seconds');
        $this->app->when(Deliveries::class)->needs('$maxBytes')->giveConfig('linnet.deliveries.max_bytes');
    }

    public function boot(): void
    {
        // What one request has read is no answer to the next.
        $this->app->terminating(fn () => app()->forgetScopedInstances());

        Model::shouldBeStrict(! $this->app->environment('production', 'demo'));

        // A token may no more than whom it belongs to, as they are now.
        Sanctum::authenticateAccessTokensUsing(
            fn (PersonalAccessToken $token, bool $isValid): bool => $isValid &&
                ($owner = $token->getRelationValue('tokenable')) instanceof Staff &&
                $owner->off_at === null &&
                $owner->role->administers(),
        );

        // Who has left is known to nobody who asks, by whatever way: not by a password, a session, nor a machine that remembers them.
        Auth::provider('staff', fn (Application $app, array $config): EloquentUserProvider => (new EloquentUserProvider(
            $app->make('hash'), $config['model'],
        ))->withQuery(fn (Builder $query) => $query->whereNull('off_at')));

        // Behind a proxy that ends TLS, addresses and "https" come from its headers; from nobody else's.
        $proxies = (string) config()->get('linnet.trusted_proxies');
        TrustProxies::at($proxies === '' ? [] : ($proxies === '*' ? '*' : array_map(trim(...), explode(',', $proxies))));

        Event::listen(Looping::class, function (): void {
            try {
                Sign::leave(Sign::OUTSIDE);
            } catch (\PDOException) {
                // A database in trouble is no reason to end; the next round says it.
            }
        });

        Gate::define('administer', fn (Staff $staff): bool => $staff->role->administers());
        Gate::define('converse', fn (Staff $staff): bool => $staff->role->converses());
        Gate::define('view', fn (Staff $staff): bool => $staff->role->views());

        RateLimiter::for(
            'api',
            fn (Request $request): Limit => Limit::perMinute(config()->integer('linnet.api.most_per_minute'))->by(
                (string) ($request->bearerToken() ?? $request->ip()),
            ),
        );
        RateLimiter::for(
            'forms',
            fn (Request $request): Limit => Limit::perMinute($request->isMethod('post') ? 6 : 60)->by(
                $request->method().'|'.$request->ip(),
            ),
        );
        // Texts cost money, and a number that is written here may be a stranger's.
        RateLimiter::for('rehearsals', fn (Request $request): Limit => Limit::perHour(120)
            ->by((string) $request->user()?->getAuthIdentifier()));
        RateLimiter::for('trials', fn (Request $request): Limit => Limit::perHour(60)->by((string) $request->user()?->getAuthIdentifier()));
        RateLimiter::for(
            'own-number',
            fn (Request $request): Limit => Limit::perHour($request->has('code') ? 20 : 6)->by(
                ($request->has('code') ? 'code ' : 'number ').$request->user()?->getAuthIdentifier(),
            ),
        );
        RateLimiter::for('links', fn (Request $request): Limit => Limit::perMinute(120)->by((string) $request->ip()));
        // A carrier fetches them from one address.
        RateLimiter::for('pictures', fn (Request $request): Limit => Limit::perMinute(3000)->by((string) $request->ip()));
        RateLimiter::for('calendar', fn (Request $request): Limit => Limit::perMinute(60)->by((string) $request->ip()));
        RateLimiter::for(
            'deliveries',
            fn (Request $request): Limit => Limit::perMinute(config()->integer('linnet.deliveries.most_per_minute'))->by(
                'deliveries|'.
                    ($request->route('source') instanceof Source
                        ? $request->route('source')->key
                        : (is_string($request->route('source'))
                            ? $request->route('source')
                            : '')).
                    '|'.
                    $request->ip(),
            ),
        );
    }
}
