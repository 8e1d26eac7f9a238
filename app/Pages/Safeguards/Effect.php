<?php

declare(strict_types=1);

namespace App\Pages\Safeguards;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Forecast\SheetReader;
use App\Models\Business;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Forecast\ComingText;
use Linnet\Core\Forecast\Forecast;

/**
 * What a change of what protects people would do to what is coming: the live engine goes on on paper as things stand, and as they would,
 * for those whose texts are the next to leave.
 */
final readonly class Effect
{
    /** So many people are asked about while somebody waits. */
    public const PEOPLE = 400;

    private const LOOKS_AHEAD = '+15 days';

    private const SHOWN = 6;

    /**
     * @param  int  $texts  asked about
     * @param  list<array{text: ComingText, was: \DateTimeImmutable|null}>  $later
     * @param  list<array{text: ComingText, was: \DateTimeImmutable|null}>  $earlier
     * @param  list<array{text: ComingText, was: \DateTimeImmutable|null}>  $never  held beyond what is looked at, or dropped
     */
    private function __construct(public int $people, public int $texts, public array $later, public array $earlier, public array $never)
    {
    }

    public static function of(Business $changed, \DateTimeImmutable $now, DatabaseSideEffects $sideEffects): self
    {
        $people = array_values(array_map(
            intval(...),
            DB::table('coming_texts')->whereNull('scheduled_text_id')->groupBy('person_id')
                ->orderByRaw('min(leaves_at) is null, min(leaves_at), person_id')->limit(self::PEOPLE)->pluck('person_id')->all(),
        ));
        $before = self::coming($people, UnitOfWork::reading($now, $sideEffects, Business::current()), false);
        $after = self::coming($people, UnitOfWork::reading($now, $sideEffects, $changed), true);
        $later = $earlier = $never = [];
        foreach ($before as $key => $was) {
            $is = $after[$key] ?? null;
            $one = ['text' => $is ?? $was, 'was' => $was->leavesAt];
            match (true) {
                $is?->leavesAt == $was->leavesAt => null,
                $is?->leavesAt === null => $never[] = $one,
                $was->leavesAt === null || $is->leavesAt < $was->leavesAt => $earlier[] = $one,
                default => $later[] = $one,
            };
        }
        foreach (array_diff_key($after, $before) as $new) {
            $earlier[] = ['text' => $new, 'was' => null];
        }

        return new self(count($people), count($before), $later, $earlier, $never);
    }

    /** @return list<array{text: ComingText, was: \DateTimeImmutable|null, how: string}> some of each */
    public function shown(): array
    {
        $shown = [];
        foreach (['later' => $this->later, 'earlier' => $this->earlier, 'not at all' => $this->never] as $how => $those) {
            foreach (array_slice($those, 0, intdiv(self::SHOWN, 3)) as $one) {
                $shown[] = $one + ['how' => $how];
            }
        }

        return $shown;
    }

    /**
     * @param  list<int>  $people
     * @param  bool  $isChanged  what waits is asked about again, as it is once a change is kept
     * @return array<string, ComingText> by what each is
     */
    private static function coming(array $people, UnitOfWork $unit, bool $isChanged): array
    {
        $coming = [];
        $sheet = (new SheetReader($unit))->of($people);
        $isChanged && $sheet->askAgain(fn (OutText $text): bool => true);
        foreach (Forecast::of($sheet, $unit->now->modify(self::LOOKS_AHEAD)) as $one) {
            $run = $one->text->run;
            $coming["{$one->text->to->personId}/$run?->ruleId/{$run?->subject->name()}/{$one->text->name}"] = $one;
        }

        return $coming;
    }
}
