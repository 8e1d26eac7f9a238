<?php

declare(strict_types=1);

namespace Tests\Feature\Api;

use App\Api\Ability;
use App\Engine\Runner;
use App\Models\Change;
use App\Models\Person;
use App\Models\Record;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Way;
use Illuminate\Routing\Route as Routed;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Reason;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

final class ApiTest extends TestCase
{
    private const DEAL = [
        'type' => 'deal', 'external_id' => 'X-1',
        'fields' => ['title' => 'Harbour Mutual, summer day', 'stage' => 'asked', 'value' => '1,250.00', 'owner' => 'Tom Reyes'],
        'person' => ['number' => '07700 900911', 'first_name' => 'Ottoline'],
    ];

    public function testTheDescriptionAndTheRoutesAreTheSame(): void
    {
        $described = $routed = [];
        foreach ($this->description()['paths'] as $path => $operations) {
            foreach ($operations as $method => $operation) {
                $described["$method $path"] = $operation['security'][0]['token'][0];
            }
        }
        foreach (
            array_filter(Route::getRoutes()->getRoutes(), fn (Routed $route): bool => str_starts_with($route->uri(), 'api/v1/')) as $route
        ) {
            $ability =
                array_values(
                    array_filter($route->gatherMiddleware(), fn (mixed $one): bool => is_string($one) && str_starts_with($one, 'ability:')),
                )[0] ?? 'ability:none';
            $routed[strtolower($route->methods()[0]).' '.substr($route->uri(), 6)] = substr($ability, 8);
        }

        ksort($described);
        ksort($routed);
        self::assertSame($described, $routed);
        self::assertSame(
            array_column(Ability::cases(), 'value'),
            array_values(array_intersect(array_column(Ability::cases(), 'value'), $routed)),
        );
    }

    public function testEveryAnswerHasTheShapeTheDescriptionGivesIt(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->ask('POST', '/records', self::DEAL)->assertCreated();
        $id = [
            'person' => $this->person(self::WEN)->id, 'record' => Record::query()->firstOrFail()->id, 'text' => 1, 'rule' => 1, 'run' => 1,
        ];
        $asked = 0;
        foreach ($this->description()['paths'] as $path => $operations) {
            if (isset($operations['get'])) {
                $url = (string) preg_replace_callback('/\{(\w+)\}/', fn (array $name): string => (string) $id[$name[1]], $path);
                $this->assertShape(
                    $this->ask('GET', $url)->assertOk(),
                    $operations['get']['responses']['200']['content']['application/json']['schema'],
                );
                $asked++;
            }
        }

        self::assertSame(12, $asked);
    }

    public function testARecordIsAddedOnceAndChangedAfterwards(): void
    {
        $this->ask('POST', '/records', self::DEAL)
            ->assertCreated()
            ->assertJson(['outcome' => 'added', 'fields' => ['value' => 1250, 'stage' => 'asked']]);
        $this->ask('POST', '/records', ['fields' => ['stage' => 'talked']] + self::DEAL)
            ->assertOk()
            ->assertJson(['outcome' => 'changed']);
        $record = Record::query()->where('external_id', 'X-1')->firstOrFail();
        $this->ask('PATCH', "/records/$record->id", ['fields' => ['stage' => 'offered']])->assertOk();
        $changes = Change::query()->where('record_id', $record->id)->orderBy('id')->get();

        self::assertSame('Ottoline', $record->person?->first_name);
        self::assertSame([null, ['stage' => 'asked'], ['stage' => 'talked']], $changes->pluck('from')->all());
        self::assertSame([Way::Api, 'Website'], [$changes[2]?->way, $changes[2]?->via]);
        $this->ask('GET', "/changes?record_id=$record->id&order=oldest&limit=2")
            ->assertJsonPath('data.1.to.stage', 'talked')
            ->assertJson(fn ($json) => $json->whereNot('next', null)->etc());
    }

    public function testWhatIsOlderThanWhatIsKnownChangesNothing(): void
    {
        $this->ask('POST', '/records', ['version' => 5] + self::DEAL)->assertCreated();
        $this->ask('POST', '/records', ['version' => 4, 'fields' => ['stage' => 'lost']] + self::DEAL)->assertJson([
            'outcome' => 'late',
            'fields' => ['stage' => 'asked'],
        ]);
        $this->ask('POST', '/records', ['version' => 6, 'fields' => ['stage' => 'agreed']] + self::DEAL)->assertJson([
            'outcome' => 'changed',
        ]);
        // Newer than one field's last word, older than another's.
        $this->ask('POST', '/records', ['version' => 5.5, 'fields' => ['stage' => 'lost', 'people' => 12]] + self::DEAL)->assertJson([
            'outcome' => 'changed',
            'fields' => ['stage' => 'agreed', 'people' => 12],
        ]);
    }

    public function testTagsAreSetAndARuleIsStartedOrSaysWhatItLacks(): void
    {
        Artisan::call('linnet:rules', [
            'what' => 'import',
            'paths' => [base_path('demo/rules/find-out.json'), base_path('demo/rules/came-back.json')],
            '--on' => true,
        ]);
        $wen = $this->person(self::WEN)->id;
        [$people, $bookings] = [
            Rule::query()->where('key', 'find-out')->firstOrFail()->id,
            Rule::query()->where('key', 'came-back')->firstOrFail()->id,
        ];

        $this->ask('POST', "/people/$wen/labels", ['kind' => 'tag', 'name' => 'likes canoes', 'added' => true])
            ->assertOk()
            ->assertJsonPath('tags', ['likes canoes']);
        $this->ask('POST', "/people/$wen/labels", ['kind' => 'tag', 'name' => 'Likes Canoes', 'added' => false])
            ->assertOk()
            ->assertJsonPath('tags', []);
        $this->ask('POST', "/people/$wen/labels", ['kind' => 'colour', 'name' => 'red', 'added' => true])->assertStatus(422);
        $this->ask('POST', "/rules/$bookings/starts", ['person_id' => $wen])
            ->assertStatus(422)
            ->assertJsonPath('errors.rule.0', 'Not started: it needs a booking to be about.');
        $this->ask('POST', "/rules/$people/starts", ['person_id' => $wen, 'record_id' => 999])
            ->assertStatus(422)
            ->assertJsonPath('errors.record_id.0', 'This person has no such record.');
        $this->ask('POST', "/rules/$people/starts", ['person_id' => $wen], ['Idempotency-Key' => 's1'])->assertStatus(202);
        $this->ask('POST', "/rules/$people/starts", ['person_id' => $wen], ['Idempotency-Key' => 's1'])
            ->assertStatus(202)
            ->assertHeader('Idempotency-Replayed', 'true');
        $this->work();

        self::assertSame([$wen], Run::query()->where('rule_id', $people)->pluck('person_id')->all());
        $this->ask('GET', "/runs?rule_id=$people")->assertJsonPath('data.0.step', 'settle');
        // One that is over has no step any more.
        resolve(Runner::class)->stop((int) Run::query()->where('rule_id', $people)->value('id'), new Reason('stop.retired'));
        $this->ask('GET', "/runs?rule_id=$people")->assertJsonPath('data.0.step', null)->assertJsonPath('data.0.outcome', 'stopped');
    }

    public function testAKeyMakesARequestHappenOnce(): void
    {
        $person = ['first_name' => 'Zora', 'number' => '+447700900777'];
        $first = $this->ask('POST', '/people', $person, ['Idempotency-Key' => 'k1'])->assertCreated();
        $again = $this->ask('POST', '/people', $person, ['Idempotency-Key' => 'k1'])
            ->assertCreated()
            ->assertHeader('Idempotency-Replayed', 'true');
        self::assertSame($first->json(), $again->json());
        $this->ask('POST', '/people', ['first_name' => 'Other'] + $person, ['Idempotency-Key' => 'k1'])
            ->assertStatus(422)
            ->assertJsonPath('title', 'The key was used for something else');
        self::assertSame(1, Person::query()->where('first_name', 'Zora')->count());
    }

    public function testPagesGoThroughEveryRowOnceWhateverIsAddedMeanwhile(): void
    {
        $seen = [];
        $cursor = null;
        do {
            $page = $this->ask('GET', '/people?limit=7'.($cursor === null ? '' : "&cursor=$cursor"))->json();
            array_push($seen, ...array_column($page['data'], 'id'));
            $cursor = $page['next'];
            $this->ask('POST', '/people', ['first_name' => 'New', 'email' => 'new'.count($seen).'@example.org']);
        } while ($cursor !== null);

        self::assertSame($seen, array_values(array_unique($seen)));
        self::assertContains($this->person(self::WEN)->id, $seen);
        $this->ask('GET', '/people?cursor=nonsense')
            ->assertStatus(422)
            ->assertJsonPath('errors.cursor.0', 'This is no cursor. Take the one an answer gave as next.');
    }

    public function testWhatGoesWrongIsSaidByField(): void
    {
        $answer = $this->ask('POST', '/records', [
            'type' => 'deal',
            'fields' => ['stgae' => 'asked', 'value' => 'much', 'owner' => 'Nobody'],
        ]);
        $answer
            ->assertStatus(422)
            ->assertHeader('Content-Type', 'application/problem+json')
            ->assertJsonPath('errors', [
                'fields.stgae' => ['There is no such field. Did you mean “stage”?'],
                'fields.value' => ['At “value” stands “much”, which is no number.'],
            ]);
        $this->ask('POST', '/records', ['type' => 'deal', 'fields' => ['owner' => 'Nobody']])
            ->assertStatus(422)
            ->assertJsonPath('errors.fields.0', '“Nobody” (Owner) is nobody who logs in here. Their name or email is expected.');
        $wen = $this->person(self::WEN);
        $other = Person::query()->where('id', '!=', $wen->id)->firstOrFail();
        $this->ask('PATCH', "/people/$other->id", ['number' => self::WEN])
            ->assertStatus(422)
            ->assertJsonPath('errors.fields.0', '+44 7700 900301 belongs to Wen Li.');
        $this->ask('GET', '/records/999999')->assertNotFound()->assertJsonPath('status', 404);
        $this->ask('GET', '/nowhere')->assertNotFound()->assertHeader('Content-Type', 'application/problem+json');
        $this->ask('DELETE', '/people')->assertStatus(405)->assertJsonPath('title', 'That cannot be done to it');
    }

    public function testATokenMayDoWhatItWasMadeForAndNoMore(): void
    {
        $this->getJson('/api/v1/people')->assertUnauthorized()->assertJsonPath('title', 'A token is needed');
        $reader = $this->staff(Role::Administrator)->createToken('Reader', ['people:read'])->plainTextToken;
        $this->withToken($reader)
            ->getJson('/api/v1/people')
            ->assertOk()
            ->assertHeader('RateLimit-Limit', '600')
            ->assertHeader('RateLimit-Remaining', '599');
        $this->withToken($reader)
            ->postJson('/api/v1/people', ['number' => '+447700900777'])
            ->assertForbidden()
            ->assertJsonPath('title', 'The token may not do this');
        $this->withToken($reader)->getJson('/api/v1/texts')->assertForbidden();
        config(['linnet.api.most_per_minute' => 3]);
        $this->withToken($reader)
            ->getJson('/api/v1/people')
            ->assertStatus(429)
            ->assertJsonPath('title', 'Too many requests')
            ->assertHeader('Retry-After');
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  array<string, string>  $headers
     * @return TestResponse<Response>
     */
    private function ask(string $method, string $path, array $body = [], array $headers = []): TestResponse
    {
        static $token = null;
        $staff = $this->staff(Role::Administrator);
        $token = $staff->tokens()->exists()
            ? $token
            : $staff->createToken('Website', array_column(Ability::cases(), 'value'))->plainTextToken;

        return $this->withToken($token)->withHeaders($headers)->json($method, "/api/v1$path", $body);
    }

    /** @return array<string, mixed> */
    private function description(): array
    {
        return json_decode((string) file_get_contents(base_path('docs/formats/openapi.json')), true, 64, JSON_THROW_ON_ERROR);
    }

    /**
     * @param  TestResponse<Response>  $answer
     * @param  array<string, mixed>  $schema
     */
    private function assertShape(TestResponse $answer, array $schema): void
    {
        $whole = $schema + ['components' => $this->description()['components']];
        $whole = json_decode((string) json_encode($whole), false, 64, JSON_THROW_ON_ERROR);
        $result = (new Validator)->validate(json_decode((string) $answer->getContent(), false, 64, JSON_THROW_ON_ERROR), $whole);
        self::assertTrue($result->isValid(), $result->error() === null
            ? ''
            : (string) json_encode((new ErrorFormatter)->format($result->error())));
    }
}
