<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Intake\Deliveries;
use App\Intake\Written;
use App\Models\Business;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Person;
use App\Models\RecordType;
use App\Models\Replay;
use App\Models\Source;
use App\Records\Shown;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\LeftOut;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\Refused;
use Psr\Clock\ClockInterface;

/** One thing that came: as it came, what became of it, and what would now. */
final class DeliveryController
{
    public function show(Source $source, Delivery $delivery, Deliveries $deliveries): View
    {
        $business = Business::current();
        $document = $source->draft ?? $source->mapping;
        $mapping = $document === null ? null : Mapping::read(Doc::of($document));
        $planned = null;
        $says = null;
        try {
            $planned = $mapping === null ? null : $deliveries->plan($delivery, $mapping);
        } catch (Refused $e) {
            $says = Sentence::of($e->reason());
        }
        if ($planned instanceof LeftOut) {
            $says = Sentence::of($planned->reason);
        }
        $type = $mapping === null ? null : RecordType::query()->where('key', $mapping->type)->with('fields')->first();

        return view('deliveries.show', [
            'source' => $source, 'delivery' => $delivery->load('record.type', 'record.person.number'), 'type' => $type, 'says' => $says,
            'planned' => $planned instanceof Written ? $planned : null,
            'person' => $planned instanceof Written && ! $planned->newPerson
                ? Person::query()->with('number')->find($planned->personId)
                : null,
            'laidOut' => self::laidOut($delivery),
            'shown' => $type === null
                    ? null
                    : new Shown(
                        $type, $planned instanceof Written ? [$planned->from, $planned->to] : [], $business->zone, $business->currency(),
                    ),
        ]);
    }

    /** JSON, a value on each line; null for anything else. */
    private static function laidOut(Delivery $delivery): ?string
    {
        $tree = $delivery->is_binary ? null : json_decode($delivery->body, true, 64, JSON_BIGINT_AS_STRING);

        return is_array($tree)
            ? Str::limit((string) json_encode($tree, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), 20_000)
            : null;
    }

    public function replay(Source $source, Delivery $delivery, Deliveries $deliveries): RedirectResponse
    {
        $deliveries->takeAgain($delivery);
        $delivery->refresh();

        return back()->with(
            'done',
            'Taken again: '.$delivery->state->word().'.'.($delivery->reason === null ? '' : ' '.Sentence::of($delivery->reason)),
        );
    }

    /** Many at once, in the background: those picked, those of one fate, or all since a day. */
    public function replayMany(Request $request, Source $source, Deliveries $deliveries, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(
            [
                'which' => 'required|in:refused,kept,since,picked', 'since' => 'required_if:which,since|nullable|date_format:Y-m-d',
                'picked' => 'required_if:which,picked|array|max:100', 'picked.*' => 'integer',
            ],
            ['since.required_if' => 'Say since which day.', 'picked.required_if' => 'Tick those to be taken again.'],
        );
        if ($said['which'] === 'picked') {
            $picked = Delivery::query()->where('source_id', $source->id)->whereKey($said['picked'])->orderBy('id')->get();
            $picked->each($deliveries->takeAgain(...));

            return back()->with('done', count($picked).' taken again.');
        }
        $replay = DB::transaction(fn (): ?Replay => Replay::begin(
            $source,
            match ($said['which']) {
                'refused' => DeliveryState::Refused, 'kept' => DeliveryState::Kept, default => null
            },
            $said['which'] === 'since' ? new \DateTimeImmutable($said['since'], new \DateTimeZone(Business::current()->zone)) : null,
            $clock->now(),
        ));

        return back()->with('done', $replay === null ? 'There was nothing to take again.' : "$replay->total are being taken again.");
    }
}
