<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Forms\Asked;
use App\Forms\Contrast;
use App\Forms\SaidOfThemselves;
use App\Intake\ChangeOrigin;
use App\Models\Business;
use App\Models\Field;
use App\Models\Form;
use App\Models\FormSend;
use App\Models\FormWording;
use App\Models\Line;
use App\Models\RecordType;
use App\Models\Staff;
use App\Records\Shown;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\RecordType as CoreType;
use Psr\Clock\ClockInterface;

/** The forms that anybody may send in. */
final readonly class FormController
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function index(): View
    {
        return view('forms.index', [
            'forms' => Form::query()->orderBy('name')->simplePaginate(20),
            'lines' => Line::query()->whereNotNull('number')->orderBy('name')->get(),
        ]);
    }

    /** All of one form, where it can stand, and what came of it. */
    public function edit(Form $form): View
    {
        $since = $this->clock->now()->modify('-30 days');
        $sends = FormSend::query()->where('form_id', $form->id)->with('person.number', 'record.type')
            ->orderByDesc('at')->orderByDesc('id')->simplePaginate(20);
        $people = RecordType::people();
        $types = RecordType::query()->where('key', '!=', CoreType::PERSON)->orderBy('name')->with('fields')->get();

        return view('forms.edit', [
            'form' => $form, 'lines' => Line::query()->whereNotNull('number')->orderBy('name')->get(), 'types' => $types,
            'offered' => Asked::offered($types->firstWhere('key', $form->adds)),
            'wordings' => FormWording::query()->where('form_id', $form->id)->orderByDesc('id')->limit(20)->get(),
            'sends' => $sends,
            'labels' => ['first_name' => 'first name', 'last_name' => 'last name', 'email' => 'email']
                + $people->fields->mapWithKeys(fn (Field $one): array => ["fields.$one->key" => mb_strtolower($one->name, 'UTF-8')])->all(),
            'shown' => new Shown($people, [], Business::current()->zone, Business::current()->currency()),
            'sent' => FormSend::query()->where('form_id', $form->id)->where('at', '>', $since)->count(),
            'agreed' => FormSend::query()->where('form_id', $form->id)->where('at', '>', $since)->where('agreed', true)->count(),
            'confirmed' => DB::table('confirmations')->where('form_id', $form->id)->where('confirmed_at', '>', $since)->count(),
        ]);
    }

    /** What somebody who is known said of themselves is written to them. */
    public function take(Request $request, Form $form, FormSend $send, SaidOfThemselves $said): RedirectResponse
    {
        abort_unless($send->form_id === $form->id, 404);
        DB::transaction(fn () => $said->take(
            FormSend::query()->lockForUpdate()->findOrFail($send->id), ChangeOrigin::staff(Staff::asking($request)), $this->clock->now(),
        ));

        return redirect()->route('forms.edit', $form)->with('done', 'It is written to them.');
    }

    public function store(Request $request): RedirectResponse
    {
        $said = $this->said($request);
        $key = Str::slug($said['name']);
        if ($key === '' || Form::query()->where('key', $key)->exists()) {
            throw ValidationException::withMessages([
                'name' => 'There is a form of that name already, or it has no letters. Choose another.',
            ]);
        }
        $form = Form::query()->create(['key' => mb_substr($key, 0, 60), 'power' => ActivationState::On] + $said);
        $this->noteWording($form, null, $request);

        return redirect()->route('forms.edit', $form)->with('done', 'The form is there, and open.');
    }

    public function update(Request $request, Form $form): RedirectResponse
    {
        $before = $form->wording;
        $form->update(
            ['power' => $request->boolean('on') ? ActivationState::On : ActivationState::Paused] + $this->said($request)
                + $this->more($request),
        );
        $this->noteWording($form, $before, $request);

        return redirect()
            ->route('forms.edit', $form)
            ->with('done', 'Kept. What was agreed to before stays in the ledger with the words of then.');
    }

    /** What was shown from when on: the ledger has the words too, with whoever agreed to them. */
    private function noteWording(Form $form, ?string $before, Request $request): void
    {
        $form->wording === $before || FormWording::query()->create([
            'form_id' => $form->id, 'wording' => $form->wording, 'staff_id' => Staff::asking($request)->id, 'at' => $this->clock->now(),
        ]);
    }

    /**
     * @return array{asks: list<array{path: string, required: bool}>, adds: string|null, colour: string|null, origins: list<string>,
     *     back: string|null}
     */
    private function more(Request $request): array
    {
        $said = $request->validate([
            'asks' => 'array', 'asks.*' => 'string|max:120', 'required' => 'array', 'required.*' => 'string|max:120',
            'adds' => 'nullable|string|exists:record_types,key', 'colour' => ['nullable', 'regex:/^#[0-9a-fA-F]{6}$/D'],
            'origins' => 'nullable|string|max:2000', 'back' => 'nullable|url:http,https|max:300',
        ], [
            'colour.regex' => 'A colour such as #A8324A is expected.',
            'back.url' => 'An address such as https://example.org/thanks is expected.',
        ]);
        $adds = ($said['adds'] ?? '') === '' ? null : (string) $said['adds'];
        $offered = Asked::offered($adds === null ? null : RecordType::query()->with('fields')->where('key', $adds)->first());
        $paths = array_values(array_filter(
            array_filter((array) ($said['asks'] ?? []), is_string(...)), fn (string $path): bool => isset($offered[$path]),
        ));
        $needed = (array) ($said['required'] ?? []);
        $colour = isset($said['colour']) ? strtolower((string) $said['colour']) : null;
        if ($colour !== null && Contrast::withWhite($colour) < Contrast::ENOUGH) {
            throw ValidationException::withMessages(['colour' => 'White letters could not be read on this colour. Choose a darker one.']);
        }

        return [
            'asks' => array_map(
                fn (string $path): array => ['path' => $path, 'required' => in_array($path, $needed, true)], $paths,
            ),
            'adds' => $adds, 'colour' => $colour, 'origins' => self::origins((string) ($said['origins'] ?? '')),
            'back' => ($said['back'] ?? '') === '' ? null : (string) $said['back'],
        ];
    }

    /** @return list<string> */
    private static function origins(string $typed): array
    {
        $origins = [];
        foreach (preg_split('/[\s,]+/', trim($typed), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $one) {
            if (preg_match('#^https?://[a-z0-9.-]+(:\d{1,5})?/?$#Di', $one) !== 1) {
                throw ValidationException::withMessages([
                    'origins' => "“{$one}” is no origin. One such as https://www.example.org is expected.",
                ]);
            }
            $origins[] = strtolower(rtrim($one, '/'));
        }

        return array_values(array_unique($origins));
    }

    /** @return array{name: string, wording: string|null, confirmed_by_text: bool, line: string|null, thanks: string|null} */
    private function said(Request $request): array
    {
        $said = $request->validate(
            [
                'name' => 'required|string|max:80', 'wording' => 'nullable|string|max:1000', 'thanks' => 'nullable|string|max:500',
                'line' => ['nullable', 'string', Rule::exists('lines', 'key')->whereNotNull('number')],
                'confirmed_by_text' => 'nullable|in:1',
            ],
            ['name.required' => 'Give the form a name.', 'line.exists' => 'Choose a line that can be answered.'],
        );

        return [
            'name' => trim($said['name']), 'wording' => ($said['wording'] ?? '') === '' ? null : trim($said['wording']),
            'confirmed_by_text' => ($said['confirmed_by_text'] ?? '') === '1',
            'line' => ($said['line'] ?? '') === '' ? null : $said['line'],
            'thanks' => ($said['thanks'] ?? '') === '' ? null : trim($said['thanks']),
        ];
    }
}
