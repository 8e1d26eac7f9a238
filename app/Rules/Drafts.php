<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\Rule;
use App\Models\RuleEdit;
use App\Models\Staff;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Prose\Edit\Merge;
use Linnet\Core\Prose\Edit\Rereading;
use Linnet\Core\Prose\Edit\RuleText;
use Linnet\Core\Prose\Edit\TextLine;
use Linnet\Core\Prose\Language;
use Linnet\Core\Rule\Rule as Core;
use Psr\Clock\ClockInterface;

/** A rule as it is being written: every change is kept, can be undone and done again, and meets the changes of others. */
final readonly class Drafts
{
    /** So many changes of a draft can be undone. */
    private const KEPT = 500;

    public function __construct(private ClockInterface $clock)
    {
    }

    /**
     * A change to the text of a draft, made by somebody who saw it as it was after an edit.
     *
     * @param  int  $base  the edit they saw; 0 for what the draft began with
     * @param  \Closure(RuleText): list<TextLine>  $change
     */
    public function change(Rule $rule, Language $language, int $base, ?Staff $staff, string $says, \Closure $change): DraftResult
    {
        return DB::transaction(function () use ($rule, $language, $base, $staff, $says, $change): DraftResult {
            $rule = self::locked($rule);
            $now = $rule->written();
            $text = RuleText::of($language, $now);
            $seen = $base === (int) $rule->edit_id ? null : $this->seen($rule, $base);
            $lines = $change($seen === null ? $text : RuleText::of($language, $seen));
            $notes = [];
            if ($seen !== null) {
                $lines = Merge::of(RuleText::of($language, $seen)->lines, $lines, $text->lines);
                $others = $this->since($rule, $base);
                if ($lines === null) {
                    return DraftResult::conflict($others);
                }
                $notes = array_map(
                    fn (RuleEdit $edit): string => ($edit->staff->name ?? 'Somebody').' meanwhile '.$edit->says.'.',
                    $others,
                );
            }
            $read = Rereading::of($language, $now, $text, $lines);
            if ($read->rule === null) {
                return DraftResult::wrong($read->errors);
            }
            $this->store($rule, $read->rule, $staff, $says);

            return DraftResult::done($notes);
        });
    }

    /** Where a line that somebody saw after an edit stands now; null where nothing stands in its place. */
    public function place(Rule $rule, Language $language, int $base, int $line): ?int
    {
        $seen = $base === (int) $rule->edit_id ? null : $this->seen($rule, $base);

        return $seen === null
            ? $line
            : Merge::place(RuleText::of($language, $seen)->lines, RuleText::of($language, $rule->written())->lines, $line);
    }

    /**
     * Another change of the draft than one of its text, made to it as it stands: nobody's change that came between is lost.
     *
     * @param  \Closure(Core): Core  $change
     */
    public function amend(Rule $rule, ?Staff $staff, string $says, \Closure $change): void
    {
        DB::transaction(function () use ($rule, $staff, $says, $change): void {
            $now = self::locked($rule);
            $this->store($now, $change($now->written()), $staff, $says);
        });
        $rule->refresh();
    }

    /** What the draft is from now on, however it came about. */
    private function store(Rule $rule, Core $written, ?Staff $staff, string $says): void
    {
        if ($rule->written()->toJson() === $written->toJson()) {
            return;
        }
        $parent = $rule->edit_id ?? $this->edit($rule, null, $rule->written(), null, 'began')->id;
        $edit = $this->edit($rule, $parent, $written, $staff, $says);
        $rule->update($this->draft($rule, $written) + ['edit_id' => $edit->id]);
        $this->forgetOldest($rule);
    }

    public function undo(Rule $rule): ?RuleEdit
    {
        return DB::transaction(function () use ($rule): ?RuleEdit {
            $rule = self::locked($rule);
            $edit = RuleEdit::query()->find($rule->edit_id);
            $parent = $edit === null ? null : RuleEdit::query()->find($edit->parent_id);
            if ($parent === null) {
                return null;
            }
            $rule->update($this->draft($rule, $parent->read()) + ['edit_id' => $parent->id]);

            return $edit;
        });
    }

    public function redo(Rule $rule): ?RuleEdit
    {
        return DB::transaction(function () use ($rule): ?RuleEdit {
            $rule = self::locked($rule);
            $edit = self::next($rule);
            if ($edit !== null) {
                $rule->update($this->draft($rule, $edit->read()) + ['edit_id' => $edit->id]);
            }

            return $edit;
        });
    }

    /** Whether something can be undone: the edit that would be. */
    public static function last(Rule $rule): ?RuleEdit
    {
        return $rule->edit_id === null ? null : RuleEdit::query()->whereKey($rule->edit_id)->whereNotNull('parent_id')->first();
    }

    /** What was undone last. */
    public static function next(Rule $rule): ?RuleEdit
    {
        return $rule->edit_id === null ? null : RuleEdit::query()->where('parent_id', $rule->edit_id)->orderByDesc('id')->first();
    }

    /** It was published, or taken back whole: its changes are history. */
    public static function forget(Rule $rule): void
    {
        $rule->update(['edit_id' => null]);
        // Those that came later hang on those before.
        foreach (RuleEdit::query()->where('rule_id', $rule->id)->orderByDesc('id')->pluck('id')->chunk(200) as $ids) {
            RuleEdit::query()->whereIn('id', $ids)->update(['parent_id' => null]);
            RuleEdit::query()->whereIn('id', $ids)->delete();
        }
    }

    private static function locked(Rule $rule): Rule
    {
        return Rule::query()->with('version')->lockForUpdate()->findOrFail($rule->id);
    }

    /** What somebody saw; what stands now where it is no longer known. */
    private function seen(Rule $rule, int $base): ?Core
    {
        $edit = $base === 0
            ? RuleEdit::query()->where('rule_id', $rule->id)->whereNull('parent_id')->orderBy('id')->first()
            : RuleEdit::query()->where('rule_id', $rule->id)->find($base);

        return $edit?->read();
    }

    /** @return list<RuleEdit> what others did since, the oldest first */
    private function since(Rule $rule, int $base): array
    {
        return array_values(
            RuleEdit::query()
                ->with('staff')
                ->where('rule_id', $rule->id)
                ->where('id', '>', $base)
                ->whereNotNull('parent_id')
                ->orderByDesc('id')
                ->limit(5)
                ->get()
                ->reverse()
                ->all(),
        );
    }

    private function edit(Rule $rule, ?int $parent, Core $written, ?Staff $staff, string $says): RuleEdit
    {
        return RuleEdit::query()->create([
            'rule_id' => $rule->id, 'parent_id' => $parent, 'document' => $written->toDocument(),
            'says' => mb_substr($says, 0, 200, 'UTF-8'), 'staff_id' => $staff?->id, 'at' => $this->clock->now(),
        ]);
    }

    /** @return array{draft: array<string, mixed>|null} none where it says what is published */
    private function draft(Rule $rule, Core $written): array
    {
        return [
            'draft' => $rule->version !== null && $rule->version->read()->toJson() === $written->toJson() ? null : $written->toDocument(),
        ];
    }

    private function forgetOldest(Rule $rule): void
    {
        $oldest = RuleEdit::query()->where('rule_id', $rule->id)->orderByDesc('id')->skip(self::KEPT)->value('id');
        if (is_int($oldest)) {
            RuleEdit::query()->where('rule_id', $rule->id)->where('parent_id', '<=', $oldest)->update(['parent_id' => null]);
            RuleEdit::query()->where('rule_id', $rule->id)->where('id', '<=', $oldest)->delete();
        }
    }
}
