<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Rule;
use Illuminate\Support\Facades\Artisan;

/** What a rule is expected to do for somebody made up. */
final class ExampleTest extends FrontDeskTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->missedByWen();
    }

    public function testWhatIsSeenOfASampleIsKeptWithSomebodyElseInIt(): void
    {
        $this->keep('sample', ['if' => ['they write "Thanks" 2 hours after text a']]);
        $example = $this->rule->refresh()->written()->examples[0];

        self::assertSame(
            ['they write "Thanks" 2 hours after text a', 'Robin', 'missed'],
            [$example->name, $example->person['first_name'], $example->record['outcome']],
        );
        self::assertStringNotContainsString('Wen', (string) json_encode($example->toDocument()));
        self::assertStringNotContainsString(self::WEN, (string) json_encode($example->toDocument()));
        // They answer before the second text.
        self::assertSame(['first'], array_column($example->expects, 'step'));
        $this->get(route('rules.examples.show', [$this->rule, 1]))
            ->assertOk()
            ->assertSee('It goes as expected.')
            ->assertSee('they write &quot;Thanks&quot; 2 hours after text a', false);
        $this->post(route('rules.undo', $this->rule));
        self::assertSame([], $this->rule->refresh()->written()->examples);
    }

    public function testAChangeThatMakesOneGoOtherwiseIsSaidBesideAtPublishingAndByTheCommand(): void
    {
        $this->keep('sample', ['if' => ['they write "Thanks" 2 hours after text a']]);
        $this->write($this->rule, 'rewrite', 'It stops', 'It goes on even if they reply')->assertRedirect();
        $this->write(
            $this->rule, 'rewrite', 'Wait 1 day', 'wait 1 day, then text the caller from the line they called, as a service text',
        )->assertRedirect();
        $says =
            'The example “they write &quot;Thanks&quot; 2 hours after text a” would now get a text it did not get: “Still here if you need us, Robin.';

        $this->get(route('rules.checks', $this->rule))->assertOk()->assertSee($says, false);
        $this->get(route('rules.agreement', $this->rule))->assertOk()->assertSee($says, false);
        $file = (string) tempnam(sys_get_temp_dir(), 'rule');
        file_put_contents($file, $this->rule->refresh()->written()->toJson());
        Artisan::call('linnet:rules', ['what' => 'check', 'paths' => [$file]]);
        unlink($file);
        self::assertStringContainsString(html_entity_decode($says), Artisan::output());
        $this->get(route('rules.examples.show', [$this->rule, 1]))->assertSee('It goes otherwise than expected.');
        $this->put(route('rules.examples.update', [$this->rule, 1]), [
            'accept' => 1,
            'was' => 'they write "Thanks" 2 hours after text a',
        ])->assertSessionHasNoErrors();
        self::assertSame(['first', 'second'], array_column($this->rule->refresh()->written()->examples[0]->expects, 'step'));
        $this->get(route('rules.checks', $this->rule))->assertDontSee('would now get a text');
        $this->post(route('rules.draft.publish', $this->rule))->assertSessionHasNoErrors();
        self::assertCount(1, $this->rule->refresh()->written()->examples);
    }

    public function testSomebodyIsMadeUpOnTheSpotAndChanged(): void
    {
        $this->keep('nobody');
        $change = fn (array $said) => $this->put(
            route('rules.examples.update', [$this->rule, 1]),
            $said + [
                'was' => 'somebody made up', 'name' => 'At night', 'first_name' => 'Ines', 'last_name' => 'Roe',
                'zone' => 'America/Toronto', 'at' => '2026-03-02T08:00', 'fields' => ['outcome' => 'missed', 'why' => 'rang out'],
            ],
        );

        $change(['zone' => 'Quay'])->assertSessionHasErrors('zone');
        $change(['happens' => ['they sing']])->assertSessionHasErrors('happens');
        $change(['fields' => ['started_at' => 'soon']])->assertSessionHasErrors('fields.started_at');
        $change(['happens' => ['they text STOP after text a', '']])->assertSessionHasNoErrors();
        $example = $this->rule->refresh()->written()->examples[0];
        self::assertSame(
            ['At night', 'Ines', 'America/Toronto', 1],
            [$example->name, $example->person['first_name'], $example->zone, count($example->happens)],
        );
        // Three in the morning in Toronto: it leaves at eight.
        self::assertSame(['2026-03-02T13:00:00Z'], array_map(fn ($one): string => $one->at->format('Y-m-d\TH:i:s\Z'), $example->expects));
        $this->get(route('rules.examples.show', [$this->rule, 1]))->assertOk()->assertSee('they answer STOP');
        $this->delete(route('rules.examples.destroy', [$this->rule, 1]), ['was' => 'At night'])->assertSessionHasNoErrors();
        $this->get(route('rules.examples.show', [$this->rule, 1]))->assertNotFound();
    }

    public function testAnActOnAnExampleTakesNothingOfAnotherAway(): void
    {
        $this->keep('nobody');
        $this->keep('nobody');
        $put = fn (array $said) => $this->put(route('rules.examples.update', [$this->rule, 1]), $said);
        self::assertSame(['somebody made up', 'somebody made up 2'], $this->names());

        // Another takes the first out and writes a sentence while this page stands open.
        $this->delete(route('rules.examples.destroy', [$this->rule, 1]), ['was' => 'somebody made up']);
        $this->write(
            $this->rule, 'rewrite', 'Wait 1 day',
            'wait 2 days, then go on only if they have not replied, then text the caller from the line they called, as a service text',
        )->assertRedirect();
        $put(['was' => 'somebody made up', 'accept' => 1])->assertSessionHasErrors('name');
        $change = [
            'was' => 'somebody made up 2', 'zone' => 'Europe/London', 'at' => '2026-03-02T10:00', 'fields' => ['outcome' => 'missed'],
        ];
        $put(['name' => 'By day'] + $change)->assertSessionHasNoErrors();
        $this->keep('nobody');
        $put(['name' => 'somebody made up', 'was' => 'By day'] + $change)->assertSessionHasErrors('name');

        self::assertSame(['By day', 'somebody made up'], $this->names());
        self::assertStringContainsString(
            '"for":{"amount":2,"unit":"days"}',
            (string) json_encode($this->rule->refresh()->written()->toDocument()),
        );
    }

    /** @return list<string> */
    private function names(): array
    {
        return array_column($this->rule->refresh()->written()->examples, 'name');
    }

    /** @param  array<string, mixed>  $more */
    private function keep(string $of, array $more = []): void
    {
        $this->post(route('rules.examples.store', [$this->rule, ...$more]), ['of' => $of])->assertSessionHasNoErrors();
    }
}
