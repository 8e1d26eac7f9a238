<?php

declare(strict_types=1);

namespace App\Pages\Texts;

use App\Clock\Day;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Number;
use App\People\PersonFilter;
use Illuminate\Database\Eloquent\Builder;

/** The texts that Sent is asked for. */
final readonly class SentQuery
{
    /** What may be asked, each with its rule for what is sent in. */
    public const RULES = [
        'state' => 'nullable|string|max:20', 'rule' => 'nullable|integer', 'line' => 'nullable|integer', 'run' => 'nullable|integer',
        'step' => 'nullable|string|max:60', 'wording' => 'nullable|string|max:60', 'version' => 'nullable|integer|min:1',
        'by' => 'nullable|in:rule,staff,words,notice',
        'kind' => 'nullable|in:service,marketing', 'reason' => 'nullable|string|max:60', 'country' => 'nullable|string|size:2',
        'person' => 'nullable|integer', 'record' => 'nullable|integer', 'least' => 'nullable|numeric|min:0|max:1000',
        'from' => 'nullable|date_format:Y-m-d', 'until' => 'nullable|date_format:Y-m-d', 'find' => 'nullable|string|max:80',
        'order' => 'nullable|in:newest,oldest',
    ];

    private const COLUMNS = [
        'rule' => 'rule_id', 'line' => 'line_id', 'run' => 'run_id', 'step' => 'step', 'wording' => 'wording', 'kind' => 'kind',
        'person' => 'person_id', 'reason' => 'reason_code', 'by' => 'origin',
    ];

    /** So many numbers are looked for one by one. */
    private const FEW = 2000;

    /** @var array<string, string> what is asked, without what is left open */
    public array $asked;

    /** @param  array<string, mixed>  $asked  as {@see RULES} let it through */
    public function __construct(array $asked, private string $zone)
    {
        $this->asked = array_map(
            fn (mixed $one): string => is_scalar($one) ? (string) $one : '',
            array_filter($asked, fn (mixed $one): bool => is_scalar($one) && (string) $one !== ''),
        );
    }

    public function of(string $what): string
    {
        return $this->asked[$what] ?? '';
    }

    public function isNarrowed(): bool
    {
        return array_diff_key($this->asked, ['order' => 1]) !== [];
    }

    /** @return Builder<Message> in the order asked for */
    public function ordered(): Builder
    {
        $way = $this->of('order') === 'oldest' ? 'asc' : 'desc';

        return $this->texts()->orderBy('at', $way)->orderBy('id', $way);
    }

    /** @return Builder<Message> */
    public function texts(): Builder
    {
        // As the index says it that holds those alone.
        $query = Message::query()->whereRaw("origin <> 'them'");
        $this->byState($query);
        foreach (self::COLUMNS as $what => $column) {
            if ($this->of($what) !== '' && $this->of($what) !== '~') {
                $query->where($column, $this->asked[$what]);
            }
        }
        if ($this->of('wording') === '~') {
            // Texts that have no wording of their own, such as a question put once more.
            $query->where(fn (Builder $none) => $none->whereNull('wording')->orWhere('wording', ''));
        }
        $this->of('version') === '' || $query->whereIn('rule_version_id', fn ($version) => $version
            ->from('rule_versions')
            ->where('number', $this->asked['version'])
            ->select('id'));
        $this->of('record') === '' || $query->whereIn('run_id', fn ($run) => $run
            ->from('runs')
            ->where('record_id', $this->asked['record'])
            ->select('id'));
        $this->of('least') === '' || $query->where('price_micros', '>=', (int) round((float) $this->asked['least'] * 1e6));
        $this->of('country') === '' || $this->inCountry($query, strtoupper($this->asked['country']));
        $this->of('from') === '' || $query->where('at', '>=', (new Day($this->asked['from'], $this->zone))->begins);
        $this->of('until') === '' || $query->where('at', '<', (new Day($this->asked['until'], $this->zone))->ends);
        $this->of('find') === '' || PersonFilter::only($query, $this->asked['find']);

        return $query;
    }

    /** @return list<MessageState>|null the states asked for; null where more than a state is */
    public function states(): ?array
    {
        return match ($this->of('state')) {
            '' => array_values(array_filter(MessageState::cases(), fn (MessageState $state): bool => $state !== MessageState::Received)),
            'answered', 'ended', 'opened', 'goal' => null,
            'left' => MessageState::left(),
            'kept' => [MessageState::Waiting, MessageState::SetAside],
            default => array_values(array_filter([MessageState::tryFrom($this->of('state'))])),
        };
    }

    /** The same, of those that failed. */
    public function failed(): self
    {
        return new self(['state' => MessageState::Failed->value] + $this->asked, $this->zone);
    }

    /** @param  Builder<Message>  $query */
    private function byState(Builder $query): void
    {
        $this->of('state') === 'answered' && $query->whereNotNull('answered_at');
        $this->of('state') === 'ended' && $query->where('ended', true);
        $this->of('state') === 'opened' && $query->whereIn('id', fn ($link) => $link
            ->from('links')
            ->whereNotNull('opened_at')
            ->select('message_id'));
        $this->of('state') === 'goal' && $query->whereIn('run_id', fn ($run) => $run
            ->from('runs')
            ->whereRaw("outcome = 'goal'")
            ->select('id'));
        // A state, or several by one word.
        $states = match ($this->of('state')) {
            'left', 'answered', 'ended', 'opened', 'goal' => MessageState::left(),
            'kept' => [MessageState::Waiting, MessageState::SetAside],
            default => array_filter([MessageState::tryFrom($this->of('state'))]),
        };
        $states === [] || $query->whereIn('state', $states);
        // Found among those alone that are in trouble.
        $states === [MessageState::Failed] && $query->whereRaw('troubled');
    }

    /** @param  Builder<Message>  $query */
    private function inCountry(Builder $query, string $country): void
    {
        $numbers = Number::query()->where('country', $country);
        $few = $numbers->clone()->limit(self::FEW + 1)->pluck('e164')->all();
        count($few) > self::FEW
            ? $query->whereExists(fn ($number) => $number
                ->from('numbers')
                ->whereColumn('numbers.e164', 'messages.number')
                ->where('numbers.country', $country))
            : $query->whereIn('number', $few);
    }
}
