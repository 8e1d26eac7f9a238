<?php

declare(strict_types=1);

namespace App\Pages\Keywords;

use App\Clock\Day;
use App\Models\Business;
use App\Models\Line;
use App\Models\Rule;
use App\Models\Run;
use Illuminate\Support\Collection;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Trigger\Listens;

/** Which word does what, on which line, and what each brought. */
final readonly class KeywordsPage
{
    public const DAYS = 30;

    /** @var list<KeywordRow> those that are on first */
    public array $rows;

    /** @var Collection<int, Line> that can be texted */
    public Collection $lines;

    public Day $since;

    public function __construct(\DateTimeImmutable $now)
    {
        $this->since = Day::firstOf(self::DAYS, $now, Business::current()->zone);
        $names = Line::query()->orderBy('id')->get();
        $this->lines = $names->whereNotNull('number')->values();
        $names = $names->pluck('name', 'key');
        /** @var array<int, array{Rule, Listens}> $listening */
        $listening = [];
        foreach (Rule::query()->with('version')->where('power', '!=', ActivationState::Retired)->orderBy('name')->get() as $rule) {
            $listens = ($rule->version?->read() ?? $rule->written())->trigger->listens();
            $listens === null || $listening[$rule->id] = [$rule, $listens];
        }
        $begun = Run::query()->toBase()->whereIn('rule_id', array_keys($listening))->where('began_at', '>=', $this->since->begins)
            ->groupBy('rule_id')->selectRaw('rule_id, count(*) as many')->pluck('many', 'rule_id');
        $rows = [];
        foreach ($listening as $id => [$rule, $listens]) {
            $shared = [];
            foreach (array_diff_key($listening, [$id => true]) as [$other, $theirs]) {
                $words = $listens->shared($theirs);
                $words === [] || $shared[] = [$other, $words];
            }
            $rows[] = new KeywordRow(
                $rule, $listens, $rule->version !== null, (int) ($begun[$id] ?? 0),
                array_map(fn (string $key): string => $names[$key] ?? $key, $listens->lines), $shared,
            );
        }
        usort($rows, fn (KeywordRow $a, KeywordRow $b): int => self::rank($a) <=> self::rank($b));
        $this->rows = $rows;
    }

    /** The number to text its words to; null where no line can be texted. */
    public function numberOf(KeywordRow $row): ?string
    {
        $keys = $row->listens->lines;

        return $this->lines->first(fn (Line $line): bool => $keys === [] || in_array($line->key, $keys, true))?->number;
    }

    private static function rank(KeywordRow $row): int
    {
        return $row->rule->power === ActivationState::On ? 0 : 1;
    }
}
