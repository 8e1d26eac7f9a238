<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Rules\Vocabularies;
use App\Sentences\Misread;
use App\Sentences\Sentence;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Rule as CoreRule;

/** A rule as a file, its document or its sentences: out, and in again as a draft that is switched off. */
final class RuleDocumentController
{
    public function show(Request $request, Rule $rule): JsonResponse|Response
    {
        $file = Str::slug($rule->name) ?: 'rule';
        if ($request->query('as') === 'text') {
            return new Response((new RuleWriter(Vocabularies::language()))->text($rule->written()), 200, [
                'Content-Type' => 'text/plain; charset=UTF-8',
                'Content-Disposition' => "attachment; filename=\"$file.txt\"",
            ]);
        }

        return new JsonResponse($rule->written()->toDocument(), 200, [
            'Content-Disposition' => "attachment; filename=\"$file.json\"",
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function store(Request $request): RedirectResponse
    {
        $request->validate(
            ['file' => 'required|file|max:512'],
            ['file.required' => 'Choose a rule’s file first.', 'file.max' => 'A rule’s file is smaller than that.'],
        );
        $file = $request->file('file');
        $content = $file instanceof UploadedFile ? (string) $file->getContent() : '';
        try {
            $read =
                preg_match('/^\s*[{\[]/', $content) === 1 || trim($content) === ''
                    ? CoreRule::read(Doc::fromJson($content))
                    : self::fromText($content);
        } catch (Unreadable $e) {
            throw ValidationException::withMessages([
                'file' => array_map(fn (Problem $problem): string => "$problem->path: ".Sentence::of($problem->reason), $e->problems),
            ]);
        }
        $rule = Rule::query()->create(['name' => $read->name, 'power' => ActivationState::Paused, 'draft' => $read->toDocument()]);

        return redirect()->route('rules.show', $rule)->with('done', 'The rule is here as a draft, switched off. Read it, then publish it.');
    }

    /** @throws ValidationException */
    private static function fromText(string $text): CoreRule
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw ValidationException::withMessages(['file' => 'The file holds bytes that are no characters. Save it as UTF-8.']);
        }
        $read = (new RuleReader(Vocabularies::language()))->read($text);

        return $read->rule ?? throw ValidationException::withMessages(['file' => Misread::says($read->errors)]);
    }
}
