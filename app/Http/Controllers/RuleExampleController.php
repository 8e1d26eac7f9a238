<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Staff;
use App\Pages\Rules\ExamplePage;
use App\Pages\Rules\RulePages;
use App\Records\RecordForm;
use App\Rules\Drafts;
use App\Rules\ExampleMaking;
use App\Rules\ExampleWorld;
use App\Rules\Vocabularies;
use App\Rules\WhatIf;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule as Rules;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Rule as Core;
use Psr\Clock\ClockInterface;

/** The examples of a rule: made up, changed, held to what comes, and let go. */
final class RuleExampleController
{
    public function __construct(
        private readonly ClockInterface $clock,
        private readonly DatabaseSideEffects $sideEffects,
        private readonly Drafts $drafts,
    ) {
    }

    public function show(Rule $rule, int $number): View
    {
        $written = $rule->written();
        $example = $written->examples[$number - 1] ?? abort(404);

        return view('rules.example', [
            'page' => new ExamplePage(
                $rule, $written, Vocabularies::language(), $number, $example, $this->world()->run($written, $example), Business::current(),
            ),
        ]);
    }

    /** What is shown of the sample is kept; or somebody is made up. */
    public function store(Request $request, Rule $rule, RulePages $pages): RedirectResponse
    {
        $said = $request->validate(['of' => 'required|in:sample,nobody', 'name' => 'nullable|string|max:80']);
        $page = $pages->asked($rule, $request);
        $making = new ExampleMaking(Business::current(), $this->clock->now());
        $example =
            $said['of'] === 'sample' && $page->sample !== null && $page->receiver !== null
                ? $making->ofSample(
                    $page->written, $page->sample, $page->receiver->zone, $page->whatIf->suppositions,
                    trim($said['name'] ?? '') ?: (implode(' and ', $page->whatIf->sentences) ?: 'nobody answers'),
                )
                : $making->ofNobody($page->written, 'somebody made up');
        $this->amend(
            $request,
            $rule,
            "kept the example “{$example->name}”",
            fn (Core $now): array => count($now->examples) >= Example::MOST
                ? throw ValidationException::withMessages(['example' => 'A rule has '.Example::MOST.' examples at most.'])
                : [...$now->examples, $this->settled($now, self::called($example, array_column($now->examples, 'name')))],
        );

        return $this->shown($rule, count($rule->written()->examples), 'The example is kept in the draft.');
    }

    /** Who is made up and what happens; what comes then is what is expected. */
    public function update(Request $request, Rule $rule, int $number): RedirectResponse
    {
        $was = $this->was($request);
        if ($request->boolean('accept')) {
            $this->amend(
                $request, $rule, "took what comes in “{$was}” for right",
                fn (Core $now): array => $this->with($now, $was, fn (Example $one): Example => $one),
            );

            return $this->shown($rule, $number, 'That is what is expected from now on.');
        }
        $said = $request->validate(
            [
                'name' => 'required|string|max:80', 'at' => 'required|date', 'zone' => ['required', Rules::in(timezone_identifiers_list())],
                'first_name' => 'nullable|string|max:80', 'last_name' => 'nullable|string|max:80', 'happens' => 'array|max:20',
                'happens.*' => 'nullable|string|max:300',
            ],
            ['name.required' => 'Give the example a name.', 'zone.in' => 'Choose a time zone, such as Europe/London.'],
        );
        $this->amend(
            $request,
            $rule,
            "changed the example “{$said['name']}”",
            fn (Core $now): array => in_array($said['name'], array_diff(array_column($now->examples, 'name'), [$was]), true)
                ? throw ValidationException::withMessages(['name' => 'There is an example of this name.'])
                : $this->with($now, $was, fn (Example $one): Example => $this->read($request, $said, $now, $one)),
        );

        return $this->shown($rule, $number, 'The example is kept in the draft.');
    }

    public function destroy(Request $request, Rule $rule): RedirectResponse
    {
        $was = $this->was($request);
        $this->amend(
            $request, $rule, "let the example “{$was}” go",
            fn (Core $now): array => array_values(array_filter($now->examples, fn (Example $one): bool => $one->name !== $was)),
        );

        return redirect()->route('rules.show', $rule)->with('done', 'The example is gone. Undo brings it back.');
    }

    /** The example that was seen, by its name: somebody may have put another in its place. */
    private function was(Request $request): string
    {
        return $request->validate(['was' => 'required|string|max:80'])['was'];
    }

    /** @param  array<string, mixed>  $said */
    private function read(Request $request, array $said, Core $now, Example $was): Example
    {
        $business = Business::current();
        $happens = is_array($said['happens'] ?? null) ? array_values(array_filter($said['happens'], is_string(...))) : [];
        $whatIf = WhatIf::of(Vocabularies::language(), $now, $happens, $business->zone);
        if ($whatIf->wrong !== []) {
            throw ValidationException::withMessages([
                'happens' => array_map(
                    fn (string $sentence, string $why): string => "“{$sentence}”: $why",
                    array_keys($whatIf->wrong),
                    $whatIf->wrong,
                ),
            ]);
        }
        $type =
            $now->trigger->type() === CoreType::PERSON
                ? null
                : RecordType::query()->with('fields')->firstWhere('key', $now->trigger->type());
        $text = fn (string $key): ?string => is_string($said[$key] ?? null) ? $said[$key] : null;

        return new Example(
            (string) $text('name'),
            (new \DateTimeImmutable((string) $text('at'), new \DateTimeZone($business->zone)))->setTimezone(new \DateTimeZone('UTC')),
            (string) $text('zone'), array_filter(['first_name' => $text('first_name'), 'last_name' => $text('last_name')]) + $was->person,
            $type === null
                ? []
                : array_filter(
                    RecordForm::read(
                        $type,
                        array_intersect_key((array) $request->input('fields', []), ExamplePage::fields($type)),
                        $business,
                    ) + $was->record,
                    fn (mixed $value): bool => $value !== null,
                ),
            $whatIf->suppositions,
            [],
        );
    }

    /**
     * With one of its examples changed, and held to what comes in it then.
     *
     * @param  \Closure(Example): Example  $change
     * @return list<Example>
     */
    private function with(Core $now, string $name, \Closure $change): array
    {
        if (! in_array($name, array_column($now->examples, 'name'), true)) {
            throw ValidationException::withMessages(['name' => 'This example is there no more: somebody has changed it meanwhile.']);
        }

        return array_map(fn (Example $one): Example => $one->name === $name ? $this->settled($now, $change($one)) : $one, $now->examples);
    }

    /** @param  list<string>  $taken */
    private static function called(Example $example, array $taken): Example
    {
        for ($n = 2, $name = $example->name; in_array($name, $taken, true); $n++) {
            $name = mb_substr($example->name, 0, 76, 'UTF-8')." $n";
        }

        return $example->called($name);
    }

    /** Held to what comes in it now. */
    private function settled(Core $written, Example $example): Example
    {
        return $example->expecting($this->world()->run($written, $example)->came());
    }

    /** @param  \Closure(Core): list<Example>  $examples */
    private function amend(Request $request, Rule $rule, string $says, \Closure $examples): void
    {
        $this->drafts->amend($rule, Staff::asking($request), $says, fn (Core $now): Core => $now->withExamples($examples($now)));
    }

    private function shown(Rule $rule, int $number, string $done): RedirectResponse
    {
        return redirect()->route('rules.examples.show', [$rule, $number])->with('done', $done);
    }

    private function world(): ExampleWorld
    {
        return new ExampleWorld(UnitOfWork::reading($this->clock->now(), $this->sideEffects));
    }
}
