<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\MappingAnswer;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Import;
use App\Models\RecordType;
use App\Models\Source;
use App\Models\SourceKind;
use App\Pages\Mapping\MappingPage;
use App\Tables\TableReader;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Body;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\Refused;
use Psr\Clock\ClockInterface;

/** What a source's values mean: changed beside a sample, put to use on purpose. */
final class SourceMappingController
{
    public function show(Source $source): View
    {
        return view('sources.mapping', $this->about($source, null, []));
    }

    public function update(Request $request, Source $source): Response|RedirectResponse
    {
        return MappingAnswer::to(
            $request, self::written($source), self::sample($source),
            fn (Mapping $edited) => $source->update(['draft' => $edited->toDocument()]),
            fn (?string $changed, array $wrong): View => view('sources.mapping', $this->about($source->refresh(), $changed, $wrong)),
            route('sources.mapping', $source),
        );
    }

    /** Another type of record: what was said of the old one's fields is let go. */
    public function type(Request $request, Source $source): RedirectResponse
    {
        $type = $request->validate(['type' => ['required', 'string', Rule::exists('record_types', 'key')]])['type'];
        $source->update(['draft' => ['type' => $type, 'fields' => []] + self::written($source)->toDocument()]);

        return redirect()->route('sources.mapping', $source);
    }

    public function sampleIs(Request $request, Source $source): RedirectResponse
    {
        $said = $request->validate([
            'delivery' => ['required', 'integer', Rule::exists('deliveries', 'id')->where('source_id', $source->id)],
        ]);
        $source->update(['sample_id' => (int) $said['delivery']]);

        return redirect()->route('sources.mapping', $source);
    }

    public function publish(Source $source, ClockInterface $clock): RedirectResponse
    {
        if ($source->draft === null) {
            return redirect()->route('sources.mapping', $source)->with('done', 'There was nothing to put to use.');
        }
        $mapping = Mapping::read(Doc::of($source->draft));
        if ($mapping->taken === []) {
            return redirect()->route('sources.mapping', $source)->with('done', 'No value is put anywhere yet, so nothing would be taken.');
        }
        $source->update(
            ['mapping' => $mapping->toDocument(), 'draft' => null] +
                ($source->kind === SourceKind::Watched ? ['look_at' => $clock->now()] : []),
        );

        return redirect()
            ->route('sources.show', $source)
            ->with('done', 'From now on what comes is read so. What was refused or waits can be taken again.');
    }

    public function destroy(Source $source): RedirectResponse
    {
        if ($source->mapping !== null) {
            $source->update(['draft' => null]);
        }

        return redirect()->route('sources.mapping', $source)->with('done', 'The changes are gone.');
    }

    /**
     * @param  array<string, string>  $wrong
     * @return array<string, mixed>
     */
    private function about(Source $source, ?string $changed, array $wrong): array
    {
        return [
            'source' => $source,
            'page' => new MappingPage(
                self::written($source), self::sample($source), route('sources.mapping.update', $source), $changed, $wrong,
            ),
            'samples' => $source->kind === SourceKind::Feed
                    ? Delivery::query()
                        ->where('source_id', $source->id)
                        ->where('is_cut', false)
                        ->orderByDesc('id')
                        ->limit(15)
                        ->get(['id', 'at', 'state'])
                    : collect(),
            'types' => RecordType::query()
                ->orderBy('name')
                ->get(['key', 'name']),
        ];
    }

    private static function written(Source $source): Mapping
    {
        return Mapping::read(Doc::of($source->draft ?? $source->mapping));
    }

    /** The values of the delivery that was chosen, else of the newest that can be read; of a watched file, its first row. */
    public static function sample(Source $source): mixed
    {
        if ($source->kind === SourceKind::Watched) {
            $import = Import::query()->where('source_id', $source->id)->where('rows', '>', 0)->orderByDesc('id')->first();

            return $import === null ? null : (TableReader::head($import, 1)[0] ?? null);
        }
        $candidates = [
            $source->sample,
            ...Delivery::query()
                ->where('source_id', $source->id)
                ->where('is_cut', false)
                ->orderByRaw('case when state = ? then 1 else 0 end', [DeliveryState::Refused->value])
                ->orderByDesc('id')
                ->limit(5)
                ->get()
                ->all(),
        ];
        foreach ($candidates as $delivery) {
            if (! $delivery instanceof Delivery) {
                continue;
            }
            try {
                return Body::open($delivery->bytes(), $delivery->headers ?? [])->tree;
            } catch (Refused) {
                continue;
            }
        }

        return null;
    }
}
