<?php

declare(strict_types=1);

namespace App\Forms;

use App\Engine\DirectTexts;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\PersonLocks;
use App\Engine\Store\UnitOfWork;
use App\Intake\ChangeOrigin;
use App\Intake\ChangeRow;
use App\Intake\RecordWriter;
use App\Models\ChangeKind;
use App\Models\Consent;
use App\Models\Form;
use App\Models\FormSend;
use App\Models\Line;
use App\Models\Number;
use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Gate\TextOrigin as From;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** Takes what somebody sent in by a form: who they are, that it was sent, and what they agreed to, with its proof. */
final readonly class Sent
{
    /** The question is put once to a number in this time, however often the form is sent. */
    private const ASK_AGAIN_SECONDS = 3600;

    /** Asked in one hour, over all forms: a machine that sends in numbers by the thousand is not to spend the business's money. */
    private const MOST_AN_HOUR = 200;

    public function __construct(
        private ClockInterface $clock,
        private RecordWriter $writer,
        private DatabaseSideEffects $sideEffects,
        private DirectTexts $texts,
    ) {
    }

    /**
     * What a stranger says changes nothing of somebody who is known until their number has confirmed it, and tells nobody what is known.
     *
     * @return Reason|null why nothing can be asked back of anybody just now; null where all is well
     */
    public function submit(Form $form, Filled $filled, ?string $from): ?Reason
    {
        return UnitOfWork::transaction($this->clock->now(), $this->sideEffects, function (UnitOfWork $unit) use (
            $form, $filled, $from,
        ): ?Reason {
            [$number, $name, $agrees] = [$filled->number, $filled->name, $filled->agrees];
            $origin = ChangeOrigin::form($form->name);
            $isKnown = Number::query()->where('e164', $number->e164)->exists();
            $person = $this->writer->person(
                $isKnown
                    ? new PersonInput(number: $number)
                    : new PersonInput(
                        number: $number, email: $filled->own['email'] ?? null,
                        own: array_filter(['first_name' => $name, 'last_name' => $filled->own['last_name'] ?? null]),
                        fields: $filled->fields,
                    ),
                $origin,
            );
            PersonLocks::wait([$person->id]);
            DB::table('changes')->insert(
                ChangeRow::of(
                    ChangeKind::FormSent, null, $person->id, null, [], $origin, $unit->now,
                    array_filter(['form' => $form->key, 'name' => $name]),
                ),
            );
            $record = $form->adds === null
                ? null
                : $this->writer->upsert(new Cleaned($form->adds, null, new PersonInput(number: $number), $filled->record), $origin);
            $agrees = $agrees && $form->wording !== null;
            FormSend::query()->create([
                'form_id' => $form->id, 'person_id' => $person->id, 'record_id' => $record?->recordId, 'agreed' => $agrees,
                'said' => $isKnown ? SaidOfThemselves::of($filled) : null, 'at' => $unit->now,
            ]);
            if (! $agrees) {
                return null;
            }
            $agreed = [
                'person_id' => $person->id, 'number' => $number->e164, 'wording' => $form->wording, 'from' => $from, 'at' => $unit->now,
            ];
            if (! $form->confirmed_by_text && ! $isKnown) {
                Consent::query()->create($agreed + ['act' => 'granted', 'scope' => 'marketing', 'how' => 'form']);

                return null;
            }

            return $this->askBack($unit, $form, $person, $agreed);
        });
    }

    /** @param  array{person_id: int, number: string, wording: string, from: string|null, at: \DateTimeImmutable}  $agreed */
    private function askBack(UnitOfWork $unit, Form $form, Person $person, array $agreed): ?Reason
    {
        $line = Line::query()
            ->whereNotNull('number')
            ->where(fn ($some) => $form->line === null ? $some : $some->where('key', $form->line))
            ->orderBy('id')
            ->first();
        $known = $unit->reader->person($person->id);
        $since = $unit->now->modify('-'.self::ASK_AGAIN_SECONDS.' seconds')->format('Y-m-d H:i:s');
        if ($line === null || DB::table('confirmations')->where('at', '>', $since)->count() >= self::MOST_AN_HOUR) {
            return $line === null ? new Reason('text.no_line', ['line' => (string) $form->line]) : new Reason('text.asked_enough');
        }
        // That a number has said stop, or takes no texts, is between us and whoever has it.
        if (
            $known === null ||
            $unit->reader->consent($agreed['number'])['optedOut'] ||
            DB::table('confirmations')->where('number', $agreed['number'])->whereNull('confirmed_at')->where('at', '>', $since)->exists()
        ) {
            return null;
        }
        $words = __('texts.confirm', ['business' => $unit->reader->business()->name]);
        if (! is_string($words)) {
            throw new \LogicException('texts.confirm is one text');
        }
        $id = DB::table('confirmations')->insertGetId(
            ['form_id' => $form->id, 'at' => $unit->now->format('Y-m-d H:i:s')] + $agreed,
        );
        $this->texts->send($unit, $known, $line, From::Words, $words, "confirm/$id", $agreed['number']);

        return null;
    }
}
