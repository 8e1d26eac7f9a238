<?php

declare(strict_types=1);

namespace App\Providers;

use App\Carrier\NumberLookup;
use App\Models\Business;
use App\View\TimeTag;
use App\View\ToneTag;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\View;
use Illuminate\Support\ServiceProvider;
use Illuminate\View\View as ViewData;

/** What templates know without being told, and the few things said so often on a page that a template for each would be slow. */
final class ViewServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        Blade::directive('time', fn (string $said): string => '<?php echo '.TimeTag::class."::of($said); ?>");
        Blade::directive('tone', fn (string $said): string => '<?php echo '.ToneTag::class."::of($said); ?>");
        Blade::directive('state', fn (string $said): string => '<?php echo '.ToneTag::class."::ofMessage($said); ?>");

        View::composer(
            [
                'components.coming-text', 'components.scheduled-text', 'components.write-box', 'today.show',
                'people.show', 'conversations.items', 'conversations.list', 'conversations.show',
                'rules.preview', 'sent.text',
            ],
            fn (ViewData $view) => $view->with('business', Business::current()),
        );

        View::composer('people.show', fn (ViewData $view) => $view->with('lookup', resolve(NumberLookup::class)->isThere()));
    }
}
