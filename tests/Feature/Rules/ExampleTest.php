<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Role;
use App\Models\Rule;
use Illuminate\Support\Facades\Artisan;
use Tests\Feature\TestCase;

/** What a rule is expected to do for somebody made up. */
final class ExampleTest extends TestCase
{
    private Rule $rule;

    protected function setUp(): void
    {
        parent::setUp();
        $this->rule = Rule::query()->where('name', 'like', 'Front desk%')->firstOrFail();
        $this->actingAs($this->staff(Role::Administrator));
        $this->missedCall(self::WEN);
        $this->work();
    }

    public function testWhatIsSeenOfASampleIsKeptWithSomebodyElseInIt(): void
    {
        $this->keep('sample', ['if' => ['they write "Thanks" 2 hours after text a']]);
        $example = $this->rule->refresh()->written()->examples[0];

        self::assertSame(['they write "Thanks" 2 hours after text a', 'Robin', 'missed'], [$example->name, $example->person['first_name'], $example->record['outcome']]);
        self::assertStringNotContainsString('Wen', (string) json_encode($example->toDocument()));
        self::assertStringNotContainsString(self::WEN, (string) json_encode($example->toDocument()));
        // They answer before the second text.
        self::assertSame(['first'], array_column($example->expects, 'step'));
        $this->get(route('rules.examples.show', [$this->rule, 1]))->assertOk()->assertSee('It goes as expected.')->assertSee('they write &quot;Thanks&quot; 2 hours after text a', false);
        $this->post(route('rules.undo', $this->rule));
        self::assertSame([], $this->rule->refresh()->written()->examples);
    }

    public function testAChangeThatMakesOneGoOtherwiseIsSaidBesideAtPublishingAndByTheCommand(): void
    {
        $this->keep('sample', ['if' => ['they write "Thanks" 2 hours after text a']]);
        $this->write($this->rule, 'rewrite', 'It stops', 'It goes on even if they reply')->assertSessionHasNoErrors();
        $this->write($this->rule, 'rewrite', 'Wait 1 day', 'wait 1 day, then text the caller from the line they called, as a service text')->assertSessionHasNoErrors();
        $says = 'The example “they write &quot;Thanks&quot; 2 hours after text a” would now get a text it did not get: “Still here if you need us, Robin.';

        $this->get(route('rules.checks', $this->rule))->assertOk()->assertSee($says, false);
        $this->get(route('rules.agreement', $this->rule))->assertOk()->assertSee($says, false);
        $file = (string) tempnam(sys_get_temp_dir(), 'rule');
        file_put_contents($file, $this->rule->refresh()->written()->toJson());
        Artisan::call('linnet:rules', ['what' => 'check', 'paths' => [$file]]);
        unlink($file);
        self::assertStringContainsString(html_entity_decode($says), Artisan::output());
        $this->get(route('rules.examples.show', [$this->rule, 1]))->assertSee('It goes otherwise than expected.');
        $this->put(route('rules.examples.update', [$this->rule, 1]), ['accept' => 1])->assertSessionHasNoErrors();
        self::assertSame(['first', 'second'], array_column($this->rule->refresh()->written()->examples[0]->expects, 'step'));
        $this->get(route('rules.checks', $this->rule))->assertDontSee('would now get a text');
        $this->post(route('rules.draft.publish', $this->rule))->assertSessionHasNoErrors();
        self::assertCount(1, $this->rule->refresh()->written()->examples);
    }

    public function testSomebodyIsMadeUpOnTheSpotAndChanged(): void
    {
        $this->keep('nobody');
        $change = fn (array $said) => $this->put(route('rules.examples.update', [$this->rule, 1]), $said + ['name' => 'At night', 'first_name' => 'Ines', 'last_name' => 'Roe', 'zone' => 'America/Toronto', 'at' => '2026-03-02T08:00', 'fields' => ['outcome' => 'missed', 'why' => 'rang out']]);

        $change(['zone' => 'Quay'])->assertSessionHasErrors('zone');
        $change(['happens' => ['they sing']])->assertSessionHasErrors('happens');
        $change(['fields' => ['started_at' => 'soon']])->assertSessionHasErrors('fields.started_at');
        $change(['happens' => ['they text STOP after text a', '']])->assertSessionHasNoErrors();
        $example = $this->rule->refresh()->written()->examples[0];
        self::assertSame(['At night', 'Ines', 'America/Toronto', 1], [$example->name, $example->person['first_name'], $example->zone, count($example->happens)]);
        // Three in the morning in Toronto: it leaves at eight.
        self::assertSame(['2026-03-02T13:00:00Z'], array_map(fn ($one): string => $one->at->format('Y-m-d\TH:i:s\Z'), $example->expects));
        $this->get(route('rules.examples.show', [$this->rule, 1]))->assertOk()->assertSee('they answer STOP');
        $this->delete(route('rules.examples.destroy', [$this->rule, 1]))->assertSessionHasNoErrors();
        $this->get(route('rules.examples.show', [$this->rule, 1]))->assertNotFound();
    }

    /** @param  array<string, mixed>  $more */
    private function keep(string $of, array $more = []): void
    {
        $this->post(route('rules.examples.store', [$this->rule, ...$more]), ['of' => $of])->assertSessionHasNoErrors();
    }
}
