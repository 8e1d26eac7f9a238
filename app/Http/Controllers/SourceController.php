<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Import;
use App\Models\Proof;
use App\Models\RecordType;
use App\Models\Replay;
use App\Models\Source;
use App\Models\SourceKind;
use App\Outside\Address;
use App\Outside\Unfit;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\ActivationState;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Is data coming in right? */
final class SourceController
{
    public function index(Request $request): View|StreamedResponse
    {
        $asked = $request->validate(['find' => 'nullable|string|max:80', 'order' => 'nullable|in:name,newest']) + [
            'find' => '',
            'order' => 'name',
        ];
        $query = Source::query();
        if (is_string($asked['find']) && $asked['find'] !== '') {
            $query->whereLike('name', '%'.addcslashes($asked['find'], '\\%_').'%');
        }
        $asked['order'] === 'newest' ? $query->orderByDesc('id') : $query->orderBy('name')->orderBy('id');
        if ($request->query('as') === 'csv') {
            return CsvExport::of('sources', ['Source', 'Kind', 'State', 'Address watched'], (function () use ($query): \Generator {
                foreach ($query->lazy(200) as $source) {
                    yield [$source->name, $source->kind->value, $source->power->value, $source->address];
                }
            })());
        }
        $sources = $query->simplePaginate(30)->withQueryString();
        $ids = $sources->pluck('id');
        $newest = Delivery::query()
            ->whereIn('id', Delivery::query()->whereIn('source_id', $ids)->selectRaw('max(id)')->groupBy('source_id'))
            ->get()
            ->keyBy('source_id');
        $counts = Delivery::query()
            ->whereIn('source_id', $ids)
            ->groupBy('source_id', 'state')
            ->selectRaw('source_id, state, count(*) as many')
            ->toBase()
            ->get()
            ->groupBy('source_id');

        return view('sources.index', [
            'sources' => $sources,
            'asked' => $asked,
            'newest' => $newest,
            'counts' => $counts->map(fn ($rows) => $rows->pluck('many', 'state')),
            'states' => DeliveryState::cases(),
            'types' => RecordType::query()->orderBy('name')->get(['key', 'name']),
            'imports' => Import::query()->whereNull('source_id')->with('staff')->orderByDesc('id')->limit(5)->get(),
        ]);
    }

    public function store(Request $request, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(
            [
                'name' => 'required|string|max:80', 'kind' => ['required', Rule::enum(SourceKind::class)],
                'type' => ['required', 'string', Rule::exists('record_types', 'key')],
                'address' => 'required_if:kind,watched|nullable|string|max:2000', 'every_minutes' => 'nullable|integer|min:5|max:10080',
            ],
            ['name.required' => 'Give it a name you will know it by.', 'address.required_if' => 'Give the address of the file.'],
        );
        $business = Business::current();
        $watched = $said['kind'] === SourceKind::Watched->value;
        if ($watched) {
            $this->checkAddress((string) $said['address']);
        }
        $secret = self::newSecret();
        $source = Source::query()->create([
            'key' => self::freeKey($said['name']), 'name' => $said['name'], 'kind' => $said['kind'], 'power' => ActivationState::On,
            'proof' => Proof::Secret, 'secret' => $watched ? null : $secret, 'address' => $watched ? $said['address'] : null,
            'every_minutes' => $watched ? (int) ($said['every_minutes'] ?? 60) : null, 'look_at' => $watched ? $clock->now() : null,
            'draft' => ['type' => $said['type'], 'country' => $business->country, 'zone' => $business->zone],
        ]);

        return redirect()
            ->route('sources.show', $source)
            ->with($watched ? [] : ['secret' => $secret])
            ->with(
                'done',
                $watched
                    ? 'It is looked at now. As soon as rows are there, you can say what they mean.'
                    : 'The source is made. Give its address and secret to the sender.',
            );
    }

    public function show(Request $request, Source $source): View|StreamedResponse
    {
        $asked = $request->validate([
            'state' => 'nullable|string|max:20',
            'order' => 'nullable|in:newest,oldest',
            'find' => 'nullable|string|max:80',
        ]) + ['state' => '', 'order' => 'newest', 'find' => ''];
        $state = DeliveryState::tryFrom((string) $asked['state']);
        $query = Delivery::query()->where('source_id', $source->id)->with('record.person.number', 'record.type');
        if ($state !== null) {
            $query->where('state', $state);
        }
        if (is_string($asked['find']) && $asked['find'] !== '') {
            $query->whereLike('body', '%'.addcslashes($asked['find'], '\\%_').'%');
        }
        $asked['order'] === 'oldest' ? $query->orderBy('id') : $query->orderByDesc('id');

        if ($request->query('as') === 'csv') {
            return CsvExport::of(
                "deliveries of $source->name",
                ['When', 'What became of it', 'Why', 'Record', 'Taken again', 'As it came'],
                (function () use ($query): \Generator {
                    foreach ($query->lazy(300) as $delivery) {
                        yield [
                            $delivery->at->format(DATE_ATOM), $delivery->state->word(),
                            $delivery->reason === null ? null : Sentence::of($delivery->reason), $delivery->record_id,
                            $delivery->replayed_at?->format(DATE_ATOM), $delivery->body,
                        ];
                    }
                })(),
            );
        }

        return view('sources.show', [
            'kept' => $source->kind === SourceKind::Feed
                    ? Delivery::query()
                        ->where('source_id', $source->id)
                        ->toBase()
                        ->selectRaw('count(*) as many, sum(bytes) as bytes, min(at) as since')
                        ->first()
                    : null,
            'source' => $source,
            'asked' => $asked,
            'states' => DeliveryState::cases(),
            'deliveries' => $query->simplePaginate(25)->withQueryString(),
            'waiting' => Delivery::query()
                ->where('source_id', $source->id)
                ->whereIn('state', [DeliveryState::Refused, DeliveryState::Kept])
                ->where('unproven', false)
                ->groupBy('state')
                ->selectRaw('state, count(*) as many')
                ->toBase()
                ->pluck('many', 'state')
                ->all(),
            'replay' => Replay::query()->where('source_id', $source->id)->orderByDesc('id')->first(),
            'imports' => Import::query()->where('source_id', $source->id)->orderByDesc('id')->limit(20)->get(),
        ]);
    }

    public function update(Request $request, Source $source): RedirectResponse
    {
        $said = $request->validate([
            'name' => 'required|string|max:80', 'proof' => [Rule::enum(Proof::class)], 'address' => 'nullable|string|max:2000',
            'every_minutes' => 'nullable|integer|min:5|max:10080', 'keep_days' => 'nullable|integer|min:1|max:3650',
            'keep_megabytes' => 'nullable|integer|min:1|max:100000', 'gone_field' => 'nullable|string|max:60',
            'gone_value' => 'nullable|string|max:190',
        ]);
        $changed = ['name' => $said['name']];
        if ($source->kind === SourceKind::Watched) {
            $this->checkAddress((string) ($said['address'] ?? ''));
            $changed += [
                'address' => $said['address'],
                'every_minutes' => (int) ($said['every_minutes'] ?? 60),
                'gone' => ($said['gone_field'] ?? '') === ''
                    ? null
                    : ['field' => $said['gone_field'], 'value' => $said['gone_value'] ?? ''],
            ];
        } else {
            $changed += [
                'proof' => $said['proof'] ?? $source->proof,
                'keep_days' => (int) ($said['keep_days'] ?? $source->keep_days),
                'keep_megabytes' => (int) ($said['keep_megabytes'] ?? $source->keep_megabytes),
            ];
        }
        $source->update($changed);

        return redirect()->route('sources.settings', $source)->with('done', 'Kept.');
    }

    public function settings(Source $source, ClockInterface $clock): View
    {
        $type = RecordType::query()->where('key', ($source->mapping ?? $source->draft)['type'] ?? '')->with('fields')->first();

        return view('sources.settings', ['source' => $source, 'now' => $clock->now(), 'type' => $type]);
    }

    /** Both secrets are good for a day, so that nothing is lost while the sender changes over. */
    public function rotate(Source $source, ClockInterface $clock): RedirectResponse
    {
        $secret = self::newSecret();
        if ($source->isSecretLost()) {
            // The application's key was changed: the old secret is nobody's any more.
            DB::table('sources')->where('id', $source->id)->update(['secret' => null, 'old_secret' => null]);
            $source->refresh();
        }
        $old = $source->secret;
        $source->update([
            'old_secret' => $old,
            'old_secret_until' => $old === null ? null : $clock->now()->modify('+1 day'),
            'secret' => $secret,
        ]);

        return redirect()
            ->route('sources.settings', $source)
            ->with('secret', $secret)
            ->with('done', 'There is a new secret. The old one is good for another day.');
    }

    public function endOldSecret(Source $source): RedirectResponse
    {
        $source->update(['old_secret' => null, 'old_secret_until' => null]);

        return redirect()->route('sources.settings', $source)->with('done', 'The old secret is no longer good.');
    }

    public function power(Request $request, Source $source, ClockInterface $clock): RedirectResponse
    {
        $power = ActivationState::from($request->validate(['power' => 'required|in:on,paused'])['power']);
        DB::transaction(function () use ($source, $power, $clock): void {
            $source->update(
                ['power' => $power] +
                    ($source->kind === SourceKind::Watched ? ['look_at' => $power === ActivationState::On ? $clock->now() : null] : []),
            );
            if ($power === ActivationState::On) {
                Replay::begin($source, DeliveryState::Kept, null, $clock->now());
            }
        });

        return redirect()
            ->route('sources.show', $source)
            ->with(
                'done',
                $power === ActivationState::On
                    ? 'It is on again. What waited is taken in now.'
                    : 'It is paused. What comes is kept, and waits.',
            );
    }

    private function checkAddress(string $address): void
    {
        try {
            Address::read($address);
        } catch (Unfit $e) {
            throw ValidationException::withMessages(['address' => Sentence::of($e->reason)]);
        }
    }

    private static function newSecret(): string
    {
        // Without the two letters that an address cannot hold.
        do {
            $secret = base64_encode(random_bytes(24));
        } while (strpbrk($secret, '+/') !== false);

        return "whsec_$secret";
    }

    private static function freeKey(string $name): string
    {
        $wanted = mb_substr(Str::slug($name), 0, 40) ?: 'source';
        $taken = [...Source::query()->pluck('key')->all(), 'carrier'];
        for ($key = $wanted, $i = 2; in_array($key, $taken, true); $i++) {
            $key = "$wanted-$i";
        }

        return $key;
    }
}
