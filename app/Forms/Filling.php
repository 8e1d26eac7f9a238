<?php

declare(strict_types=1);

namespace App\Forms;

use App\Models\Business;
use App\Models\Form;
use App\Models\RecordType;
use App\Records\RecordForm;
use App\Sentences\Sentence;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\PlainName;

/** Reads what a stranger sent in by a form; what cannot be read is said at its place. */
final class Filling
{
    /** What is written to us by strangers may be this long. */
    private const LONGEST = 500;

    /** @return Filled|null null where a machine filled it in */
    public static function of(Request $request, Form $form): ?Filled
    {
        $asked = Asked::of($form);
        $rules = $names = [];
        foreach ($asked as $one) {
            $rules[$one->input()] = ($one->isRequired ? 'required' : 'nullable').'|string|max:'.self::LONGEST;
            $names[$one->input().'.required'] = 'This is needed.';
        }
        $said = $request->validate(
            [
                'name' => 'nullable|string|max:80', 'number' => 'required|string|max:40', 'agrees' => 'nullable|in:1',
                'website' => 'nullable|string|max:200', ...$rules,
            ],
            ['number.required' => 'We need a number to text you at.', ...$names],
        );
        // A field that people do not see and machines fill in.
        if (($said['website'] ?? '') !== '') {
            return null;
        }
        try {
            $number = Numbers::read((string) $said['number'], Business::current()->country);
        } catch (NotANumber $e) {
            throw ValidationException::withMessages(['number' => Sentence::of($e->reason())]);
        }

        return new Filled(
            $number, self::name((string) ($said['name'] ?? ''), 'name'), ($said['agrees'] ?? '') === '1', self::own($asked, $said),
            self::fields(RecordType::people(), $asked, $said, true),
            $form->adds === null
                ? []
                : self::fields(RecordType::query()->with('fields')->where('key', $form->adds)->firstOrFail(), $asked, $said, false),
        );
    }

    private static function name(string $typed, string $place): ?string
    {
        $written = trim($typed);
        $name = $written === '' ? null : PlainName::given($written);
        if ($written !== '' && $name === null) {
            throw ValidationException::withMessages([$place => 'Please give just your name, in letters: up to three words.']);
        }

        return $name;
    }

    /**
     * @param  list<Asked>  $asked
     * @param  array<string, mixed>  $said
     * @return array<string, string>
     */
    private static function own(array $asked, array $said): array
    {
        $own = [];
        foreach ($asked as $one) {
            $typed = $one->isOwn ? trim((string) ($said[$one->input()] ?? '')) : '';
            if ($typed !== '') {
                $own[$one->key()] = $one->kind === FieldKind::Email
                    ? FieldNormalizer::email($typed) ??
                        throw ValidationException::withMessages([$one->input() => 'This is no email address.'])
                    : self::name($typed, $one->input());
            }
        }

        return array_filter($own);
    }

    /**
     * @param  list<Asked>  $asked
     * @param  array<string, mixed>  $said
     * @return array<string, scalar|null>
     */
    private static function fields(RecordType $type, array $asked, array $said, bool $ofPerson): array
    {
        $typed = $inputs = [];
        foreach ($asked as $one) {
            if (! $one->isOwn && $one->isOfPerson() === $ofPerson && isset($said[$one->input()])) {
                $typed[$one->key()] = $said[$one->input()];
                $inputs["fields.{$one->key()}"] = $one->input();
            }
        }
        try {
            return array_filter(RecordForm::read($type, $typed, Business::current()), fn (mixed $value): bool => $value !== null);
        } catch (ValidationException $e) {
            $wrong = [];
            foreach ($e->errors() as $place => $messages) {
                $wrong[$inputs[$place] ?? $place] = $messages;
            }
            throw ValidationException::withMessages($wrong);
        }
    }
}
