<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Live\Desk;
use App\Engine\Live\LiveDeeds;
use App\Models\Business;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Staff;
use App\Records\RecordForm;
use App\Rules\Drafts;
use App\Rules\ExampleMaking;
use App\Rules\ExampleWorld;
use App\Rules\Vocabularies;
use App\View\Rules\ExamplePage;
use App\View\Rules\RulePages;
use App\View\Rules\WhatIf;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule as Rules;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Rule as Core;
use Psr\Clock\ClockInterface;

/** The examples of a rule: made up, changed, held to what comes, and let go. */
final class RuleExampleController
{
    public function __construct(private readonly ClockInterface $clock, private readonly LiveDeeds $deeds, private readonly Drafts $drafts)
    {
    }

    public function show(Rule $rule, int $number): View
    {
        $written = $rule->written();
        $example = $written->examples[$number - 1] ?? abort(404);

        return view('rules.example', ['page' => new ExamplePage($rule, $written, Vocabularies::language(), $number, $example, $this->world()->run($written, $example), Business::ours())]);
    }

    /** What is shown of the sample is kept; or somebody is made up. */
    public function store(Request $request, Rule $rule, RulePages $pages): RedirectResponse
    {
        $said = $request->validate(['of' => 'required|in:sample,nobody', 'name' => 'nullable|string|max:80']);
        $written = $rule->written();
        if (count($written->examples) >= Example::MOST) {
            throw ValidationException::withMessages(['example' => 'A rule has '.Example::MOST.' examples at most.']);
        }
        $page = $pages->asked($rule, $request);
        $making = new ExampleMaking(Business::ours(), $this->clock->now());
        $example = $said['of'] === 'sample' && $page->sample !== null && $page->receiver !== null
            ? $making->ofSample($written, $page->sample, $page->receiver->zone, $page->whatIf->suppositions, trim($said['name'] ?? '') ?: (implode(' and ', $page->whatIf->sentences) ?: 'nobody answers'))
            : $making->ofNobody($written, 'somebody made up');
        $this->keep($request, $rule, $written, [...$written->examples, $this->settled($written, $example)], "kept the example “{$example->name}”");

        return redirect()->route('rules.examples.show', [$rule, count($written->examples) + 1])->with('done', 'The example is kept in the draft.');
    }

    /** Who is made up and what happens; what comes then is what is expected. */
    public function update(Request $request, Rule $rule, int $number): RedirectResponse
    {
        $written = $rule->written();
        $was = $written->examples[$number - 1] ?? abort(404);
        if ($request->boolean('accept')) {
            $this->put($request, $rule, $written, $number, $was, "took what comes in “{$was->name}” for right");

            return redirect()->route('rules.examples.show', [$rule, $number])->with('done', 'That is what is expected from now on.');
        }
        $said = $request->validate([
            'name' => 'required|string|max:80', 'at' => 'required|date', 'zone' => ['required', Rules::in(timezone_identifiers_list())], 'first_name' => 'nullable|string|max:80', 'last_name' => 'nullable|string|max:80',
            'happens' => 'array|max:20', 'happens.*' => 'nullable|string|max:300',
        ], ['name.required' => 'Give the example a name.', 'zone.in' => 'Choose a time zone, such as Europe/London.']);
        $business = Business::ours();
        $whatIf = WhatIf::of(Vocabularies::language(), $written, array_values(array_filter($said['happens'] ?? [], is_string(...))), $business->zone);
        if ($whatIf->wrong !== []) {
            throw ValidationException::withMessages(['happens' => array_map(fn (string $sentence, string $why): string => "“{$sentence}”: $why", array_keys($whatIf->wrong), $whatIf->wrong)]);
        }
        $type = $written->trigger->type() === CoreType::PERSON ? null : RecordType::query()->with('fields')->firstWhere('key', $written->trigger->type());
        $example = new Example(
            $said['name'], (new \DateTimeImmutable($said['at'], new \DateTimeZone($business->zone)))->setTimezone(new \DateTimeZone('UTC')), $said['zone'],
            array_filter(['first_name' => $said['first_name'] ?? null, 'last_name' => $said['last_name'] ?? null]) + $was->person,
            $type === null ? [] : array_filter(RecordForm::read($type, array_intersect_key((array) $request->input('fields', []), ExamplePage::fields($type)), $business) + $was->record, fn (mixed $value): bool => $value !== null), $whatIf->suppositions, [],
        );
        $this->put($request, $rule, $written, $number, $example, "changed the example “{$example->name}”");

        return redirect()->route('rules.examples.show', [$rule, $number])->with('done', 'The example is kept in the draft.');
    }

    public function destroy(Request $request, Rule $rule, int $number): RedirectResponse
    {
        $written = $rule->written();
        $was = $written->examples[$number - 1] ?? abort(404);
        $this->keep($request, $rule, $written, array_values(array_diff_key($written->examples, [$number - 1 => 1])), "let the example “{$was->name}” go");

        return redirect()->route('rules.show', $rule)->with('done', 'The example is gone. Undo brings it back.');
    }

    private function put(Request $request, Rule $rule, Core $written, int $number, Example $example, string $says): void
    {
        $this->keep($request, $rule, $written, array_values(array_replace($written->examples, [$number - 1 => $this->settled($written, $example)])), $says);
    }

    /** Held to what comes in it now. */
    private function settled(Core $written, Example $example): Example
    {
        return $example->expecting($this->world()->run($written, $example)->came());
    }

    /** @param  list<Example>  $examples */
    private function keep(Request $request, Rule $rule, Core $written, array $examples, string $says): void
    {
        DB::transaction(fn () => $this->drafts->keep($rule, $written->withExamples($examples), Staff::asking($request), $says));
    }

    private function world(): ExampleWorld
    {
        return new ExampleWorld(Desk::reading($this->clock->now(), $this->deeds));
    }
}
