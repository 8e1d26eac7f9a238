<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\Day;
use App\Counts\MessageCounts;
use App\Models\Business;
use App\Models\MessageState;
use App\Models\Pool;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Run;
use App\Sentences\Sentence;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rule\Rule as CoreRule;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Text\Wording\Share;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Wording\Wordings;

/** Finds what the texts of a rule brought. */
final readonly class ResultsReader
{
    private const KINDS_OF_FAILURE = 8;

    /** So many replies tell how fast they come. */
    private const NEWEST = 2000;

    private Day $since;

    private CoreRule $written;

    /** @var array<string, string> what each text is called on its rule's page, by step */
    private array $letters;

    private function __construct(private Rule $rule, private int $days, \DateTimeImmutable $now)
    {
        $this->since = Day::firstOf($days, $now, Business::current()->zone);
        $this->written = $rule->written();
        $this->letters = RuleWriter::targets($this->written)[1];
    }

    public static function of(Rule $rule, int $days, \DateTimeImmutable $now): Results
    {
        return (new self($rule, $days, $now))->read();
    }

    private function read(): Results
    {
        $began = Run::query()->where('rule_id', $this->rule->id)->where('began_at', '>=', $this->since->begins)->toBase();
        $runs = $began->clone()->count();
        // As the index says it that holds those alone.
        $goal = $began->whereRaw("outcome = 'goal'")
            ->selectRaw("count(*) as met, sum(cast(nullif(goal_value, '') as decimal(18, 6))) as value")->first();
        $counted = MessageCounts::byWording($this->rule->id, $this->since);
        $sums = new \stdClass;
        foreach (['sent', 'failed', 'arrived', 'answered', 'ended', 'opened', 'met', 'price'] as $what) {
            $sums->{$what} = (int) $counted->sum($what);
        }

        return new Results(
            $this->days, $this->since, $runs, (int) ($goal->met ?? 0), $this->written->goal === null ? null : (float) ($goal->value ?? 0),
            Came::of($sums), $this->rows($counted->groupBy('step')->map->keyBy('wording')->toArray()),
            MessageCounts::byDay($this->rule->id, $this->since), $sums->failed > 0 ? $this->failed() : [],
            $this->half((int) $sums->answered),
            DB::table('messages')->where('put_to_rule_id', $this->rule->id)->exists(), $this->versions(),
        );
    }

    /**
     * @param  array<array-key, array<array-key, \stdClass>>  $counted  by step and wording
     * @return list<WordingResult>
     */
    private function rows(array $counted): array
    {
        $rows = [];
        foreach ($this->written->flow->texts() as $step) {
            $words = [];
            foreach (self::wordings($step->outgoing()->wordings) as $wording) {
                $words[$wording->id] = $wording->text;
            }
            $theirs = array_map(Came::of(...), $counted[$step->id()] ?? []);
            $best = count($words) > 1 ? Share::best(array_map(fn (Came $came): Share => $came->answered, $theirs)) : null;
            foreach ($words + array_fill_keys(array_keys($theirs), null) as $id => $text) {
                $rows[] = new WordingResult(
                    $step->id(), $this->letters[$step->id()] ?? '', (string) $id, $text ?? self::otherwise($step, (string) $id),
                    $text === null,
                    $theirs[$id] ?? Came::of(null), $best === $id,
                );
            }
        }

        return $rows;
    }

    /** @return list<array{string, int, string}> why, how many, and the reason's code */
    private function failed(): array
    {
        $rows = DB::table('messages')
            ->where('rule_id', $this->rule->id)
            ->where('at', '>=', $this->since->begins)
            ->whereRaw('troubled')
            ->where('state', MessageState::Failed->value)
            ->groupByRaw('cast(reason as text)')
            ->orderByDesc('many')
            ->limit(self::KINDS_OF_FAILURE)
            ->selectRaw('cast(reason as text) as reason, count(*) as many')
            ->get();
        $failed = [];
        foreach ($rows as $row) {
            /** @var array{code: string, with: array<string, mixed>}|null $reason */
            $reason = $row->reason === null ? null : json_decode((string) $row->reason, true, 16, JSON_THROW_ON_ERROR);
            $failed[] = [$reason === null ? 'No reason was given.' : Sentence::of($reason), (int) $row->many, $reason['code'] ?? ''];
        }

        return $failed;
    }

    /** Within how many seconds half of the replies came, of the newest where they are many. */
    private function half(int $many): ?int
    {
        if ($many === 0) {
            return null;
        }
        $replied = DB::table('messages')
            ->where('rule_id', $this->rule->id)
            ->where('at', '>=', $this->since->begins)
            ->whereNotNull('answered_at')
            ->whereNotNull('left_at')
            ->orderByDesc('at')
            ->limit(self::NEWEST)
            ->get(['left_at', 'answered_at']);
        $took = $replied
            ->map(fn (\stdClass $row): int => strtotime((string) $row->answered_at) - strtotime((string) $row->left_at))
            ->sort()
            ->values();

        return $took[intdiv(max(1, count($took)) - 1, 2)] ?? null;
    }

    /** @return list<array{RuleVersion, Came}> */
    private function versions(): array
    {
        $counted = MessageCounts::byVersion($this->rule->id);

        return array_values(RuleVersion::query()
            ->where('rule_id', $this->rule->id)
            ->whereKey($counted->keys()->all())
            ->orderByDesc('number')
            ->limit(2)
            ->get()
            ->map(fn (RuleVersion $version): array => [$version, Came::of($counted[$version->id] ?? null)])
            ->all());
    }

    /** What a text is that none of the wordings now says. */
    private static function otherwise(Texting $step, string $wording): string
    {
        return match (true) {
            $wording !== '' => 'Words of an earlier version',
            $step instanceof Ask && $step->unclear !== null => "Asked once more, where the answer was unclear: “{$step->unclear}”",
            default => 'Asked once more, where the answer was unclear',
        };
    }

    /** @return list<Wording> */
    private static function wordings(Wordings $wordings): array
    {
        return [
            ...($wordings->pool === null ? $wordings->own : Pool::named($wordings->pool)),
            ...($wordings->closing === null ? [] : [$wordings->closing]),
        ];
    }
}
