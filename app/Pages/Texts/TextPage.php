<?php

declare(strict_types=1);

namespace App\Pages\Texts;

use App\Carrier\Carriers;
use App\Carrier\Handover;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Receipt;
use App\Models\RuleVersion;
use App\Models\Run;
use App\Models\Trace;
use Illuminate\Database\Eloquent\Collection;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Text\Length;

/** Everything about one text: why it left or did not, when what happened to it, what it was made of, and what came back. */
final readonly class TextPage
{
    /** So much is shown of each kind. */
    private const MOST = 40;

    public function __construct(public Message $text)
    {
        $text->loadMissing(['person.number', 'line', 'rule', 'staff', 'toStaff']);
    }

    /** What it is called on its rule's page; empty where no rule wants it. */
    public function letter(): string
    {
        $version = $this->version();

        return $version === null ? '' : RuleWriter::targets($version->read())[1][(string) $this->text->step] ?? '';
    }

    /** The version of its rule that sent it. */
    public function version(): ?RuleVersion
    {
        return once(fn (): ?RuleVersion => $this->text->rule_version_id === null
            ? null
            : RuleVersion::query()->with('staff')->find($this->text->rule_version_id));
    }

    /** @return list<Moment> what happened to it, in the order of time */
    public function moments(): array
    {
        $text = $this->text;
        $moments = [$text->isInbound() ? new Moment($text->at, 'Came in.') : new Moment($text->wanted_at, 'Wanted.')];
        foreach ($this->traces() as $trace) {
            $moments[] = Moment::traced($trace);
        }
        $text->left_at === null || $moments[] = new Moment($text->left_at, 'Let go.', 'well');
        $text->handed_at === null || $moments[] = new Moment(
            $text->handed_at,
            'Handed to the carrier'.($text->carrier_ref === null ? '' : ", who calls it $text->carrier_ref")
                .($text->attempts > 1 ? ", on try $text->attempts" : '').'.',
        );
        foreach ($this->receipts() as $receipt) {
            $moments[] = Moment::received($receipt);
        }
        usort($moments, fn (Moment $a, Moment $b): int => $a->at <=> $b->at);

        return $moments;
    }

    /** @return list<string> as the carrier carries it */
    public function parts(): array
    {
        return Length::split($this->text->body);
    }

    /** @return Collection<int, Trace> what somebody decided of it, and who did */
    public function decisions(): Collection
    {
        return once(fn (): Collection => $this->text->rule_id === null ? new Collection : Trace::query()
            ->where('person_id', $this->text->person_id)
            ->where('rule_id', $this->text->rule_id)
            ->where('code', 'like', 'own.%')
            ->where('at', '<=', $this->text->left_at ?? $this->text->wanted_at)
            ->orderBy('id')
            ->limit(self::MOST)
            ->get());
    }

    /** @return Collection<int, Message> what they wrote until the next text to them */
    public function replies(): Collection
    {
        if ($this->text->left_at === null || $this->text->conversation_id === null) {
            return new Collection;
        }
        $inConversation = fn () => Message::query()->where('conversation_id', $this->text->conversation_id);
        $next = $inConversation()
            ->where('origin', '!=', MessageOrigin::Them)
            ->where('at', '>', $this->text->left_at)
            ->whereKeyNot($this->text->id)
            ->min('at');

        return $inConversation()
            ->where('state', MessageState::Received)
            ->where('at', '>=', $this->text->left_at)
            ->when($next !== null, fn ($query) => $query->where('at', '<', $next))
            ->orderBy('at')
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();
    }

    public function run(): ?Run
    {
        return once(fn (): ?Run => $this->text->run_id === null ? null : Run::query()->with('record.type')->find($this->text->run_id));
    }

    /** @return list<Moment> its run so far: the other texts and every decision, in the order of time */
    public function journey(): array
    {
        $run = $this->run();
        if ($run === null) {
            return [];
        }
        $moments = [];
        foreach (Trace::query()->where('run_id', $run->id)->whereNull('message_id')->orderBy('id')->limit(self::MOST)->get() as $trace) {
            $moments[] = Moment::traced($trace);
        }
        foreach (Message::query()->where('run_id', $run->id)->orderBy('id')->limit(self::MOST)->get() as $text) {
            $moments[] = Moment::text($text, $text->id === $this->text->id);
        }
        usort($moments, fn (Moment $a, Moment $b): int => $a->at <=> $b->at);

        return $moments;
    }

    /** What the carrier was told of it, secrets masked; empty where it was told nothing. */
    public function request(): string
    {
        return $this->text->attempts > 0 || $this->text->handed_at !== null
            ? resolve(Carriers::class)->of($this->text->line->carrier)->describe(Handover::of($this->text))
            : '';
    }

    /** @return Collection<int, Trace> */
    private function traces(): Collection
    {
        return Trace::query()->where('message_id', $this->text->id)->orderBy('id')->limit(self::MOST)->get();
    }

    /** @return Collection<int, Receipt> */
    private function receipts(): Collection
    {
        return Receipt::query()->where('message_id', $this->text->id)->orderBy('at')->get();
    }
}
