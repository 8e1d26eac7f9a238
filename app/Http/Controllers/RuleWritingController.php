<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Typed;
use App\Models\Rule;
use App\Models\Staff;
use App\Pages\Rules\Choices;
use App\Pages\Rules\Failed;
use App\Pages\Rules\Places;
use App\Pages\Rules\RulePages;
use App\Rules\DraftResult;
use App\Rules\Drafts;
use App\Rules\Vocabularies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Linnet\Core\Prose\Edit\Edits;
use Linnet\Core\Prose\Edit\NewLines;
use Linnet\Core\Prose\Edit\RuleText;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Part;
use Linnet\Core\Record\ActivationState;

/** The sentences of a rule's draft, written, changed and moved; and what may come next in one. */
final class RuleWritingController
{
    public function store(Request $request, Rule $rule, Drafts $drafts, RulePages $pages): Response|RedirectResponse
    {
        $said = $request->validate([
            'do' => 'required|in:rewrite,word,insert,remove,copy,up,down,lift,nest,words,move', 'line' => 'required|integer|min:0|max:5000',
            'depth' => 'integer|min:0|max:40', 'base' => 'required|integer|min:0', 'text' => 'nullable|string|max:20000',
            'before' => 'nullable|string|max:4000', 'after' => 'nullable|string|max:4000', 'to' => 'integer|min:0|max:5000',
            'which' => ['nullable', 'regex:'.Places::PATTERN],
        ]);
        $language = Vocabularies::language();
        $text = is_string($said['text'] ?? null) ? $said['text'] : '';
        if ($said['do'] === 'word') {
            $text = Part::join([new Part((string) ($said['before'] ?? '')), new Part($text), new Part((string) ($said['after'] ?? ''))]);
        }
        $before = $rule->written();
        $type = $before->trigger->type();
        $line = (int) $said['line'];
        $depth = Places::depthFor($language, $before, (string) ($said['which'] ?? ''), $text) ?? (int) ($said['depth'] ?? 1);
        $result = $drafts->change(
            $rule, $language, (int) $said['base'], Staff::asking($request), self::says($said['do'], $text),
            fn (RuleText $now): array => self::edited($now, $language, $type, $said['do'], $line, $text, $depth, (int) ($said['to'] ?? 0)),
        );
        $at = $result->isDone() ? $line : $drafts->place($rule->refresh(), $language, (int) $said['base'], $line);
        $new = $result->isDone()
            ? array_values(
                array_diff(
                    array_map(strval(...), array_keys($rule->refresh()->written()->flow->steps)),
                    array_map(strval(...), array_keys($before->flow->steps)),
                ),
            )
            : [];

        return $this->answer(
            $request, $rule, $pages, $result,
            new Failed($said['do'], $at, (int) ($said['depth'] ?? 1), $text, $result->errors, $result->others), $new[0] ?? null,
            count(RuleText::of($language, $before)->sentences),
        );
    }

    public function undo(Request $request, Rule $rule, Drafts $drafts, RulePages $pages): Response|RedirectResponse
    {
        $edit = $drafts->undo($rule);

        return $this->answer(
            $request, $rule, $pages, DraftResult::done([$edit === null ? 'There is nothing to undo.' : "Undone: $edit->says."]), null,
        );
    }

    public function redo(Request $request, Rule $rule, Drafts $drafts, RulePages $pages): Response|RedirectResponse
    {
        $edit = $drafts->redo($rule);

        return $this->answer(
            $request, $rule, $pages, DraftResult::done([$edit === null ? 'There is nothing to do again.' : "Done again: $edit->says."]),
            null,
        );
    }

    /** What is wrong with it, or worth a look; and how long its texts are for all whom it reaches. */
    public function checks(Rule $rule, RulePages $pages): View
    {
        return view('rules.checks', ['page' => $pages->checks($rule)]);
    }

    /** What somebody agrees to when they publish it. */
    public function agreement(Rule $rule, RulePages $pages): Response
    {
        return new Response(e(implode(' ', $pages->of($rule, null)->agreement())));
    }

    /** Drawn beside it: what somebody would get from both. */
    public function overlap(Request $request, Rule $rule, RulePages $pages): View
    {
        $other = Rule::query()
            ->with('version')
            ->where('name', Typed::one($request, 'with'))
            ->where('power', ActivationState::On)
            ->whereKeyNot($rule->id)
            ->orderBy('id')
            ->first();

        return view('rules.overlap', ['overlap' => $other === null ? null : $pages->of($rule, null)->overlapWith($other)]);
    }

    /** Who came to the end of late, and would go on at what is new behind it. */
    public function further(Request $request, Rule $rule, RulePages $pages): Response
    {
        $days = (int) $request->validate(['days' => 'required|integer|min:1|max:365'])['days'];

        return new Response(e($pages->of($rule, null)->further()->says($days)));
    }

    /** What may come next in a line that is being written. */
    public function completions(Request $request, Rule $rule, RulePages $pages): View
    {
        $said = $request->validate(['which' => ['required', 'regex:'.Places::PATTERN], 'text' => 'nullable|string|max:2000']);

        return view('rules.completions', [
            'completions' => $pages
                ->completions($rule, $request->integer('sample') ?: null)
                ->of($said['which'], (string) ($said['text'] ?? '')),
        ]);
    }

    /** What can be put in the place of a word. */
    public function choices(Request $request, Rule $rule, RulePages $pages): View
    {
        $said = $request->validate(['line' => 'required|integer|min:0', 'piece' => 'required|integer|min:0']);
        $page = $pages->asked($rule, $request);
        $line = $page->writing->lines[(int) $said['line']] ?? abort(404);
        $piece = $line->pieces()[(int) $said['piece']] ?? abort(404);

        return view('rules.choices', [
            'page' => $page, 'line' => $line, 'piece' => $piece, 'choices' => (new Choices($page))->of($line, $piece),
        ]);
    }

    /** @return list<\Linnet\Core\Prose\Edit\TextLine> */
    private static function edited(
        RuleText $now,
        Language $language,
        string $type,
        string $do,
        int $line,
        string $text,
        int $depth,
        int $to,
    ): array {
        // A place that is gone leaves the text as it is.
        if ($do !== 'insert' && ! $now->has($line)) {
            return $now->lines;
        }

        return match ($do) {
            'rewrite', 'word' => Edits::rewrite($now, $line, ...NewLines::reworded($language, $type, $now->sentences[$line], $text)),
            'insert' => Edits::insert($now, min($line, count($now->lines)), $depth, NewLines::of($language, $type, $text)),
            'remove' => Edits::remove($now, $line),
            'copy' => Edits::copy($now, $line),
            'up' => Edits::move($now, $line, true),
            'down' => Edits::move($now, $line, false),
            'lift' => Edits::lift($now, $line),
            'nest' => Edits::nest($now, $line),
            'move' => Edits::moveTo($now, $line, min($to, count($now->lines)), $depth),
            default => Edits::words($now, $line, str_replace("\r\n", "\n", $text)),
        };
    }

    private static function says(string $do, string $text): string
    {
        $cut = '“'.mb_strimwidth(trim(strtok($text, "\n") ?: ''), 0, 60, '…', 'UTF-8').'”';

        return match ($do) {
            'rewrite', 'word' => "wrote $cut",
            'insert' => "added $cut",
            'remove' => 'took a sentence out',
            'copy' => 'copied a sentence',
            'words' => "wrote the words $cut",
            default => 'moved a sentence',
        };
    }

    /**
     * @param  string|null  $new  the first step that was not there before
     * @param  int  $were  how many sentences there were before
     */
    private function answer(
        Request $request,
        Rule $rule,
        RulePages $pages,
        DraftResult $result,
        ?Failed $failed,
        ?string $new = null,
        int $were = 0,
    ): Response|RedirectResponse {
        if ($request->header('HX-Request') !== 'true' && $result->isDone()) {
            return redirect()
                ->route(
                    'rules.show',
                    ['rule' => $rule] + array_filter(['sample' => $request->query('sample'), 'if' => $request->query('if')]),
                )
                ->with('done', implode(' ', $result->notes) ?: null);
        }
        $page = $pages->asked($rule->refresh(), $request);
        $near = $page->writing->near($failed->line ?? 0, $new);
        $view = view($request->header('HX-Request') === 'true' ? 'rules.rule' : 'rules.show', [
            'page' => $page,
            'failed' => $result->isDone() ? null : $failed,
            'notes' => $result->notes,
            'done' => $result->isDone() && $failed !== null
                    ? [
                        'line' => $near,
                        'opens' => $failed->do === 'insert'
                            ? $page->writing->firstLetter($near, count($page->writing->lines) - $were)
                            : null,
                    ]
                    : null,
        ]);

        return new Response($view, match (true) {
            $result->isDone() => 200, $result->isClash => 409, default => 422,
        });
    }
}
