<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Sentences\Sentence;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Gate\Power;
use Linnet\Core\Rule\Rule as CoreRule;

/** A rule as its document: out as a file, and in again as a draft that is switched off. */
final class RuleDocumentController
{
    public function show(Rule $rule): JsonResponse
    {
        return new JsonResponse($rule->written()->toDocument(), 200, [
            'Content-Disposition' => 'attachment; filename="'.(Str::slug($rule->name) ?: 'rule').'.json"',
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function store(Request $request): RedirectResponse
    {
        $request->validate(['file' => 'required|file|max:512'], ['file.required' => 'Choose a rule’s file first.', 'file.max' => 'A rule’s file is smaller than that.']);
        $file = $request->file('file');
        try {
            $read = CoreRule::read(Doc::fromJson($file instanceof UploadedFile ? (string) $file->getContent() : ''));
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => array_map(fn (Problem $problem): string => "$problem->path: ".Sentence::of($problem->reason), $e->problems)]);
        }
        $rule = Rule::query()->create(['name' => $read->name, 'power' => Power::Paused, 'draft' => $read->toDocument()]);

        return redirect()->route('rules.show', $rule)->with('done', 'The rule is here as a draft, switched off. Read it, then publish it.');
    }
}
