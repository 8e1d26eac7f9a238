<?php

declare(strict_types=1);

namespace App\Inbound;

use App\Conversations\ReplyNotices;
use App\Engine\DirectTexts;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\PersonLocks;
use App\Engine\Store\UnitOfWork;
use App\Forms\Confirmation;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Consent;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Number;
use App\Models\Person;
use App\Models\Run;
use App\Models\Timer;
use App\Models\TrialText;
use Linnet\Core\Gate\TextOrigin as From;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Number\PhoneNumber;
use Linnet\Core\Reason;
use Linnet\Core\Text\Length;
use Linnet\Core\Text\Words\Heard;
use Linnet\Core\Text\Words\Meaning;
use Psr\Clock\ClockInterface;

/** Takes a text that somebody sent to one of the lines: kept once, reserved words obeyed at once, the rest left to rules and people. */
final readonly class InboundTexts
{
    /** For so long a text is taken for the cause of an answer. */
    private const CREDIT_DAYS = 7;

    public function __construct(
        private ClockInterface $clock,
        private RecordWriter $writer,
        private DatabaseSideEffects $sideEffects,
        private DirectTexts $texts,
        private ReplyNotices $notices,
        private Confirmation $confirmation,
    ) {
    }

    /**
     * @param  string  $id  the carrier's own name for it; the same one again changes nothing
     * @return bool false if the line is not ours or the sender is no number
     */
    public function receive(string $id, string $from, string $to, string $text): bool
    {
        $line = Line::query()->firstWhere('number', $to);
        try {
            $number = Numbers::read($from, Business::ours()->country);
        } catch (NotANumber) {
            return false;
        }
        if ($line === null) {
            return false;
        }

        return UnitOfWork::transaction($this->clock->now(), $this->sideEffects, function (UnitOfWork $unit) use (
            $id, $line, $number, $text,
        ): bool {
            // PostgreSQL keeps no zero byte, nor what stands behind it.
            $body = mb_substr(str_replace("\0", '', mb_scrub($text, 'UTF-8')), 0, 5000, 'UTF-8');
            // An answer to a trial is nobody's text; the words that are always obeyed are obeyed here too.
            if (
                TrialText::hear("in/$id", $number->e164, $line->id, $body, $unit->now) &&
                $unit->reader->words()->meaning($body) === Meaning::Talk
            ) {
                return true;
            }
            if (! Message::query()->where('name', "in/$id")->lockForUpdate()->exists()) {
                $this->record($unit, "in/$id", $line, $number, $body);
            }

            return true;
        });
    }

    private function record(UnitOfWork $unit, string $name, Line $line, PhoneNumber $number, string $text): void
    {
        $now = $unit->now;
        $person = $this->writer->person(new PersonInput(number: $number), ChangeOrigin::text());
        PersonLocks::wait([$person->id]);
        // Somebody has it after all.
        Number::query()->where('e164', $number->e164)->where('alive', false)->update(['alive' => true]);
        $heard = $unit->hearing()->of($person->id, $line->key, $text);
        $confirmed =
            $heard->question === null &&
            in_array($heard->meaning, [Meaning::Talk, Meaning::OptIn], true) &&
            $this->confirmation->by($person->id, $number->e164, $text, $now);
        if ($confirmed && $heard->meaning === Meaning::Talk) {
            $heard = new Heard(Meaning::Answer);
        }
        $conversation = Conversation::query()->firstOrCreate(['person_id' => $person->id, 'line_id' => $line->id], ['last_at' => $now]);
        $length = Length::of($text);
        $asks = $heard->question === null ? null : Run::query()->toBase()->find((int) $heard->question, ['rule_id', 'step']);
        $message = Message::query()->create([
            'name' => $name, 'origin' => MessageOrigin::Them, 'state' => MessageState::Received, 'person_id' => $person->id,
            'line_id' => $line->id, 'conversation_id' => $conversation->id, 'number' => $number->e164, 'body' => $text,
            'meaning' => $heard->meaning, 'encoding' => $length->encoding->value, 'parts' => $length->parts,
            'price_micros' => $unit->reader->business()->tariff->inbound($number->country, $length->parts),
            'currency' => $unit->reader->business()->tariff->currency, 'put_to_run_id' => $heard->question,
            'put_to_rule_id' => $asks?->rule_id, 'put_to_step' => $asks?->step, 'answer' => $heard->answer,
            'remark' => $heard->remark === '' ? null : $heard->remark, 'wanted_at' => $now, 'at' => $now,
        ]);
        $conversation->update([
            'last_message_id' => $message->id, 'last_at' => $now,
            ...$heard->meaning->wantsAPerson()
                ? ['waiting_since' => $conversation->waiting_since ?? $now, 'put_off_until' => null]
                : [],
        ]);
        if ($heard->meaning->wantsAPerson()) {
            $rule = RuleHears::of($conversation, $unit);
            $this->notices->heard($conversation, $now, $rule->staff, $rule->address);
        }
        $unit->reader->forgetWords($person->id, $number->e164);
        $this->credit($person->id, $heard->meaning, $now);
        $this->obey($unit, $heard, $person, $line, $message, $confirmed);
        Change::query()->create([
            'kind' => ChangeKind::TextReceived, 'person_id' => $person->id, 'message_id' => $message->id, 'at' => $now, 'handled' => false,
            'with' => array_filter(['rule_id' => $heard->rule, 'remark' => $heard->remark]),
        ]);
    }

    /** Confirmed once, never more: only the word that changes something is answered. */
    private function obey(UnitOfWork $unit, Heard $heard, Person $person, Line $line, Message $message, bool $confirmed): void
    {
        $number = (string) $message->number;
        $optedOut = $unit->reader->consent($number)['optedOut'];
        $act = match (true) {
            $heard->meaning === Meaning::OptOut && ! $optedOut => 'withdrawn',
            $heard->meaning === Meaning::OptIn && $optedOut => 'granted',
            default => null,
        };
        if ($heard->meaning === Meaning::OptOut || $heard->meaning === Meaning::OptIn) {
            // Whatever was in doubt, they have said it now; what waited for that is asked about again.
            Number::query()->where('e164', $number)->update(['ambiguous_opt_out_message_id' => null]);
            Timer::askAgain($unit->now, personId: $person->id);
        }
        if ($act !== null) {
            Consent::query()->create([
                'person_id' => $person->id, 'number' => $number, 'act' => $act, 'scope' => 'all', 'how' => 'text',
                'wording' => $message->body, 'at' => $unit->now,
            ]);
            $unit->runs->trace(
                new Reason("consent.$act", ['who' => $person->called(), 'word' => $message->body]), null, null, $person->id, null,
                $message->id,
            );
        }
        $unit->reader->forgetPerson($person->id);
        $unit->reader->forgetWords($person->id, $number);
        if ($heard->meaning === Meaning::LikelyOptOut && ! $optedOut) {
            Number::query()->where('e164', $number)->update(['ambiguous_opt_out_message_id' => $message->id]);
            $unit->reader->forgetWords($person->id, $number);
            $unit->runs->trace(new Reason('consent.doubted', ['who' => $person->called()]), null, null, $person->id, null, $message->id);
        }
        $business = $unit->reader->business();
        $answer = match (true) {
            $act === 'withdrawn' => __('texts.stopped', ['business' => $business->name]),
            $confirmed => __('texts.confirmed', ['business' => $business->name]),
            $act === 'granted' => __('texts.started', ['business' => $business->name]),
            $heard->meaning === Meaning::Help && ! $optedOut && ! $this->askedForHelpToday($person->id, $message, $unit->now) => __(
                'texts.help',
                ['business' => $business->name, 'number' => Numbers::pretty((string) $line->number)],
            ),
            default => null,
        };
        $known = $unit->reader->person($person->id);
        if (is_string($answer) && $known !== null) {
            $this->texts->send($unit, $known, $line, From::Words, $answer, "words/$message->id", $number);
        }
    }

    /** What they wrote is counted for the wording of the rule's text they had last. */
    private function credit(int $personId, Meaning $meaning, \DateTimeImmutable $now): void
    {
        if ($meaning === Meaning::Keyword || $meaning === Meaning::Help || $meaning === Meaning::OptIn) {
            return;
        }
        $had = Message::query()
            ->where('person_id', $personId)
            ->where('origin', MessageOrigin::Rule)
            ->where('left_at', '>=', $now->modify('-'.self::CREDIT_DAYS.' days'))
            ->orderByDesc('left_at')
            ->orderByDesc('id')
            ->first(['id', 'answered_at', 'ended']);
        if ($had !== null) {
            $ends = $meaning === Meaning::OptOut || $meaning === Meaning::LikelyOptOut;
            Message::query()->whereKey($had->id)->update(['answered_at' => $had->answered_at ?? $now, 'ended' => $had->ended || $ends]);
        }
    }

    /** Two machines that answer each other would go on for ever. */
    private function askedForHelpToday(int $personId, Message $now, \DateTimeImmutable $at): bool
    {
        return Message::query()->where('person_id', $personId)->where('origin', MessageOrigin::Them)->where('meaning', Meaning::Help)
            ->where('at', '>', $at->modify('-1 day'))->where('id', '<', $now->id)->exists();
    }
}
