<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Rules\Starters;
use Linnet\Core\Record\ActivationState;
use Tests\Feature\TestCase;

/** A rule begun with a starter. */
final class StarterTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testEveryStarterIsSeenOnSomebodyMadeUpAndTakenWithWhatIsThere(): void
    {
        $this->get('/starters')->assertOk()->assertSee('Missed call, answered by text')->assertSee('Somebody rings and nobody can answer');
        foreach (array_merge(...array_values(Starters::all())) as $starter) {
            $page = $this->get("/starters/$starter->key")
                ->assertOk()
                ->assertSee('Robin, who is made up');
            self::assertMatchesRegularExpression(
                $starter->key === 'text-failed' ? '/aria-label="0 texts/' : '/aria-label="[1-9]\d* texts on the time line"/',
                (string) $page->getContent(),
                "$starter->key draws its texts",
            );
            $this->post("/starters/$starter->key")
                ->assertSessionHasNoErrors()
                ->assertRedirect();
            $rule = Rule::query()->orderByDesc('id')->firstOrFail();
            self::assertSame([$starter->rule->name, ActivationState::Paused, null], [$rule->name, $rule->power, $rule->version_id]);
            $this->get("/rules/$rule->id")->assertOk();
        }
        $this->get('/starters/..%2Fpeople')->assertNotFound();
    }

    public function testItsPartsAreFilledInByTheRolesATypeDeclares(): void
    {
        $this->get('/starters/booking-tomorrow')->assertSeeInOrder([
            'A booking is', 'Booking', 'its what', 'Lesson', 'its start', 'Starts', 'its state', 'State', '“booked” is',
            'Its texts leave from', 'front desk',
        ]);
        $this->post('/starters/booking-tomorrow', ['types' => ['booking' => 'booking']]);
        $document = Rule::query()->orderByDesc('id')->firstOrFail()->draft ?? [];
        self::assertSame(['starts_at', 'booked'], [$document['trigger']['field'] ?? null, $document['conditions']['value'] ?? null]);
        self::assertStringContainsString('{{ booking.lesson }}', (string) json_encode($document));

        // Another type plays the part: a job with its day and its stage.
        $this->get('/starters/booking-tomorrow?types[booking]=job')->assertSeeInOrder([
            'its start', 'Promised for', 'its state', 'Stage', 'brought in',
        ]);
        $this->post('/starters/booking-tomorrow', [
            'types' => ['booking' => 'job'],
            'choices' => ['booking.state' => ['booked' => 'ready']],
            'line' => 'workshop',
        ])->assertSessionHasNoErrors();
        $document = Rule::query()->orderByDesc('id')->firstOrFail()->draft ?? [];
        self::assertSame(
            ['job', 'promised', 'ready', 'workshop'],
            [
                $document['trigger']['type'] ?? null, $document['trigger']['field'] ?? null, $document['conditions']['value'] ?? null,
                $document['steps'][0]['from']['key'] ?? null,
            ],
        );
    }

    public function testWhatIsMissingIsMadeOnRequest(): void
    {
        $this->post('/starters/booking-question', ['types' => ['booking' => '+']])->assertSessionHasNoErrors();
        $type = RecordType::query()->with('fields')->orderByDesc('id')->firstOrFail();
        self::assertSame(
            ['booking_2', 'start', 'state', 'guest', ['what', 'start', 'state']],
            [$type->key, $type->start_field, $type->stage_field, $type->person_noun, $type->fields->pluck('key')->all()],
        );
        $rule = Rule::query()->orderByDesc('id')->firstOrFail();
        self::assertSame('booking_2', $rule->draft['trigger']['type'] ?? null);
        $this->get("/rules/$rule->id")->assertOk()->assertSeeText('Ask the guest');
    }
}
