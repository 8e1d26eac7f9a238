<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Models\Staff;
use App\Rules\Drafts;
use App\Rules\Pictures;
use App\Rules\StepDocument;
use App\Sentences\Sentence;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Rule as Core;
use Linnet\Core\Rule\Step\Texting;

/** The picture that goes with a text of a rule. */
final class RulePictureController
{
    public function store(Request $request, Rule $rule, string $step, Drafts $drafts): RedirectResponse
    {
        $request->validate(['picture' => 'required|file|max:20480'], ['picture.*' => 'Choose a picture.']);
        $file = $request->file('picture');
        $name = $file instanceof UploadedFile ? Pictures::store((string) $file->get()) : new Reason('picture.no_picture');
        if ($name instanceof Reason) {
            throw ValidationException::withMessages(["picture-$step" => Sentence::of($name)]);
        }
        $this->replacePicture($request, $rule, $step, route('pictures.show', $name), $drafts, 'gave a text a picture');

        return redirect()->route('rules.show', $rule)->with('done', 'The picture goes with the text.');
    }

    public function destroy(Request $request, Rule $rule, string $step, Drafts $drafts): RedirectResponse
    {
        $this->replacePicture($request, $rule, $step, null, $drafts, 'took a picture off');

        return redirect()->route('rules.show', $rule)->with('done', 'The text goes without a picture.');
    }

    private function replacePicture(Request $request, Rule $rule, string $step, ?string $address, Drafts $drafts, string $says): void
    {
        abort_unless($rule->written()->flow->step($step) instanceof Texting, 404);
        $drafts->amend(
            $rule,
            Staff::asking($request),
            $says,
            fn (Core $now): Core => StepDocument::replace(
                $now,
                $step,
                fn (array $one): array => ($address === null ? [] : ['picture' => $address]) + array_diff_key($one, ['picture' => 1]),
            ),
        );
    }
}
