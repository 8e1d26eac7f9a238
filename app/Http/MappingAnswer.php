<?php

declare(strict_types=1);

namespace App\Http;

use App\Intake\Deliveries;
use App\Intake\MappingEdit;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Intake\Mapping;

/** One change to a mapping from its screen: kept if it can be read, and answered with the screen anew, the mistake at its place. */
final class MappingAnswer
{
    /**
     * @param  \Closure(Mapping): mixed  $keep
     * @param  \Closure(string|null, array<string, string>): View  $screen  from the target that was changed and the mistakes by place
     * @param  string  $back  where a browser without scripts goes
     *
     * @throws ValidationException for a browser without scripts
     */
    public static function to(
        Request $request,
        Mapping $mapping,
        mixed $sample,
        \Closure $keep,
        \Closure $screen,
        string $back,
    ): Response|RedirectResponse {
        $said = MappingEdit::said($request);
        $isPartial = $request->header('HX-Request') === 'true';
        $wrong = [];
        try {
            $keep((new MappingEdit($mapping, Deliveries::targets($mapping), $sample))->apply($said));
        } catch (ValidationException $e) {
            if (! $isPartial) {
                throw $e;
            }
            $wrong = array_map(fn (array $messages): string => implode(' ', $messages), $e->errors());
        }

        return $isPartial
            ? new Response($screen($said['target'] ?? null, $wrong)->fragment('mapping'), $wrong === [] ? 200 : 422)
            : redirect($back);
    }
}
