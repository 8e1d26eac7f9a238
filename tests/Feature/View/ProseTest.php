<?php

declare(strict_types=1);

namespace Tests\Feature\View;

use App\View\Rules\Paragraph;
use App\View\Rules\Prose;
use App\View\Rules\Word;
use Illuminate\Support\Facades\Artisan;
use Linnet\Core\Rule\Rule;
use Tests\Feature\TestCase;

/** Every rule of the boathouse, as the administrator reads it: each read by a person before it was written down here. */
final class ProseTest extends TestCase
{
    public function testEveryRuleReadsAsProse(): void
    {
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules')]]);
        foreach (self::rules() as $rule => $expected) {
            $prose = new Prose(Rule::fromJson((string) file_get_contents(base_path("demo/rules/$rule.json"))));
            $read = array_map(fn (Paragraph $paragraph): string => str_repeat('  ', $paragraph->depth).preg_replace('/\s+/', ' ', implode('', array_map(fn (string|Word $part): string => $part instanceof Word ? $part->says : $part, $paragraph->parts))), $prose->paragraphs());

            self::assertSame($expected, implode("\n", $read), $rule);
        }
        self::assertSame(count(glob(base_path('demo/rules/*.json')) ?: []), count(iterator_to_array(self::rules())));
    }

    /** @return iterable<string, string> */
    private static function rules(): iterable
    {
        yield 'after-the-lesson' => <<<'TEXT'
            At 11:00 where they are, 1 day after the date “Ends” of a booking, and the state is “came”, and they have not had a text from this rule in the last 30 days:
            At once, text the person from the front desk, as a service text in 2 wordings, by chance:
            It stops as soon as they reply, and always when they say stop. It starts at most once in 30 days for the same person.
            It counts as a success when they have a booking of which the starts is within the next 60 days, within 21 days of its start.
            TEXT;
        yield 'basket-left' => <<<'TEXT'
            When nothing has happened to a basket for 1 hour while the state is open or left and the pieces is more than 0, and they have agreed to marketing texts:
            At once, text the person from the front desk, as a marketing text:
            Wait 1 day, then text the person from the front desk, as a marketing text:
            It stops as soon as they reply, and always when they say stop. It starts at most once in 7 days for the same person.
            It goes on only as long as the state is not “paid”.
            It counts as a success when the state is “paid”, within 3 days of its start.
            TEXT;
        yield 'birthday' => <<<'TEXT'
            At 11:00 where they are, at their date “Member since”, every year, and they have agreed to marketing texts, and their number is a mobile:
            At once, text the person from the front desk, as a marketing text:
            It stops as soon as they reply, and always when they say stop. It starts once for each occasion.
            TEXT;
        yield 'booking-confirmed' => <<<'TEXT'
            When a booking is booked, at any time:
            At once, text the person from the front desk, as a service text:
            It stops as soon as they reply, and always when they say stop. It starts once for each occasion.
            It goes on only as long as the state is “booked”.
            TEXT;
        yield 'booking-moved' => <<<'TEXT'
            When a booking has its starts changed and is booked, at any time:
            Wait 5 minutes, then text the person from the front desk, as a service text:
            It goes on even if they reply, and stops only when they say stop. It starts once for each occasion.
            TEXT;
        yield 'came-back' => <<<'TEXT'
            When somebody starts it for a booking:
            At once, text the person from the owner’s line, as a service text:
            It goes on even if they reply, and stops only when they say stop. It starts every time it comes about.
            TEXT;
        yield 'dead-number' => <<<'TEXT'
            When a text to somebody cannot be delivered, and they do not have the tag “number to check”:
            Add the tag “number to check”.
            Give the staff something to do within 2 working days: “Ask [first name] for another number.”
            It goes on even if they reply, and stops only when they say stop. It starts at most once in 30 days for the same person.
            TEXT;
        yield 'deal-agreed' => <<<'TEXT'
            When a deal has its stage changed to “agreed”, at any time:
            Write an email to the owner: “[company day] is agreed at [value].”
            Give the owner something to do within 3 working days: “Put a crew together for [company day] on [day wished].”
            Tell another system, at https://books.example/deals.
            At once, text the person from the front desk, as a service text:
            It stops as soon as they reply, and always when they say stop. It starts once for each deal.
            TEXT;
        yield 'deal-owner-alert' => <<<'TEXT'
            When a deal comes in, at any time, and the value is more than 1000, and the owner’s own switch for texts is yes:
            Text the owner: “New: [company day], [value].”
            It stops as soon as they reply, and always when they say stop. It starts once for each deal.
            TEXT;
        yield 'did-not-come' => <<<'TEXT'
            When a booking has its state changed to “did not come”, at any time:
            Wait 2 hours, then text the person from the front desk, as a service text:
            Wait until they reply, at most 2 days.
            Whichever holds first:
              If they have replied:
                Give the instructor something to do within 1 working day: “Find a new lesson for [first name]: they wrote back.”
              Otherwise:
                End: no answer.
            It goes on even if they reply, and stops only when they say stop. It starts once for each booking.
            TEXT;
        yield 'find-out' => <<<'TEXT'
            When somebody starts it for a person:
            Wait 1 day.
            Wait until it is 17:30 where they are on Mon or Tue or Wed or Thu, then ask the person from the front desk, as a service text (an answer counts for 2 days):
              If they answer kayak (kayak):
                Set the boat to “kayak”.
              If they answer canoe (canoe):
                Set the boat to “canoe”.
              If they answer rowing (rowing, row):
                Set the boat to “rowing boat”, remove the tag “asked about hire”.
              If they write something else, ask once more: “One of KAYAK, CANOE, ROWING, please.”.
              If they do not answer in time, go on.
            It goes on even if they reply, and stops only when they say stop. It starts once ever for each person.
            TEXT;
        yield 'first-monday' => <<<'TEXT'
            From 2 March 2026, 10:00, and again every month on the first Monday, for everybody of whom they are on the list “newsletter” and they have agreed to marketing texts and they have not had a text from any rule in the last 2 days:
            At once, text the person from the front desk, as a marketing text:
            It stops as soon as they reply, and always when they say stop. It starts once for each occasion.
            It starts from 1 March 2026 until 31 October 2026 only.
            TEXT;
        yield 'form-hire' => <<<'TEXT'
            When somebody sends in the form “hire”:
            Look their number up, unless that was done in the last 90 days.
            Whichever holds first:
              If their number is in use:
                At once, text the person from the front desk, as a service text:
              If their number is no longer in use:
                Put a notice on the screen of Mira Okafor: “The number on a hire form is nobody's.”
              Otherwise:
                Text +447700900150: “A hire form came in from somebody we may not be able to text.”
            It goes on even if they reply, and stops only when they say stop. It starts every time it comes about.
            TEXT;
        yield 'front-desk-missed-call' => <<<'TEXT'
            When a call is missed on the front desk, while we are open:
            Wait 2 minutes, then text the caller from the line they called, as a service text:
            Wait 1 day.
            Go on only if they have not replied, then text the caller from the line they called, as a service text:
            It stops as soon as they reply, and always when they say stop. It starts once for each call.
            TEXT;
        yield 'invoice-due' => <<<'TEXT'
            At 09:30, 3 working days before the date “Due” of an invoice, and the state is “sent”:
            At once, text the person from the front desk, as a service text, unless its moment is past already:
            It stops as soon as they reply, and always when they say stop. It starts once for each occasion.
            It goes on only as long as it is not so that the state is “paid”.
            TEXT;
        yield 'invoice-late' => <<<'TEXT'
            At 09:30, 7 days after the date “Due” of an invoice, and the state is sent or reminded:
            At once, text the person from the front desk, as a service text:
            Set the state to “reminded”.
            Wait 1 week.
            Go on only if the state is not “paid”.
            Give the staff something to do within 2 working days: “Ring about invoice [number]: [first name].”
            It stops as soon as they reply, and always when they say stop. It starts once for each occasion.
            It goes on only as long as the state is sent or reminded.
            Its texts wait until somebody lets them go together; at 09:00 we are asked to.
            TEXT;
        yield 'job-ready' => <<<'TEXT'
            When a job has its stage changed to “ready”, at any time:
            At once, text the person from the workshop, as a service text:
            Wait until the stage is “collected”, at most 5 days.
            Go on only if the stage is “ready”, then text the person from the workshop, as a service text:
            It stops as soon as they reply, and always when they say stop. It starts once for each job.
            TEXT;
        yield 'joined-list' => <<<'TEXT'
            When somebody comes onto the list “newsletter”, and they have agreed to marketing texts:
            At once, text the person from the front desk, as a marketing text:
            Start the rule “What do they paddle” for them.
            It stops as soon as they reply, and always when they say stop. It starts once ever for each person.
            TEXT;
        yield 'landline-called' => <<<'TEXT'
            When a call is missed on any line, at any time, and their number is a landline:
            Give the staff something to do within 2 hours: “Ring back: they called at [started] from a landline.”
            It goes on even if they reply, and stops only when they say stop. It starts every time it comes about.
            TEXT;
        yield 'lesson-reminder' => <<<'TEXT'
            At 10:00, 1 day before the date “Starts” of a booking, and the state is “booked”:
            At once, ask the person from the front desk, as a service text, if late only while 3 hours are left (an answer counts for 8 hours):
              If they answer yes (yes, y, coming):
                At once, text the person from the line last used with them, as a service text:
              If they answer cancel (cancel, no):
                Set the state to “cancelled”, add the tag “cancelled a lesson”.
                At once, text the person from the line last used with them, as a service text:
              If they write something else, ask once more: “Sorry, was that YES or CANCEL?”.
              If they do not answer in time:
                Put a notice on the screen of the instructor: “[first name] has not said whether they come to the [lesson].”
            It goes on even if they reply, and stops only when they say stop. It starts once for each occasion.
            TEXT;
        yield 'lesson-soon' => <<<'TEXT'
            2 hours before the date “Starts” of a booking, and the state is “booked”:
            At once, text the person from the front desk, as a service text, unless its moment is past already:
            It stops as soon as they reply, and always when they say stop. It starts once for each occasion.
            It goes on only as long as the state is “booked”.
            TEXT;
        yield 'link-opened' => <<<'TEXT'
            When somebody opens the link in a text of the rule “Basket left”:
            Wait 3 hours.
            Go on only if they have no order of which the paid is within the last day.
            Put a notice on the screen of Nia Sorrell: “[first name] looked at their basket again and has not bought.”
            It goes on even if they reply, and stops only when they say stop. It starts at most once in 3 days for the same person.
            TEXT;
        yield 'night-missed-call' => <<<'TEXT'
            When a call is missed on any line, while we are closed:
            Wait until it is 09:00 here, then text the caller from the line they called, as a service text:
            It stops as soon as they reply, and always when they say stop. It starts at most once in a day for the same person.
            TEXT;
        yield 'offer-unanswered' => <<<'TEXT'
            When nothing has happened to a deal for 5 days while the stage is “offered”:
            At once, text the person from one of the front desk, the workshop, always the same for them, as a service text in 2 wordings, the next each time round:
            After 3 working days, go back up to text a, at most once, until the stage is not “offered”.
            Set the stage to “lost”, put them on the list “to ask next spring”.
            It stops as soon as they reply, and always when they say stop. It starts once for each occasion.
            It goes on only as long as the stage is “offered”.
            TEXT;
        yield 'open-invoices' => <<<'TEXT'
            On 16 March 2026, 09:00, for the person of every invoice of which the state is sent or reminded and the due is within the last 60 days:
            At once, text the person from the front desk, as a service text:
            It stops as soon as they reply, and always when they say stop. It starts once for each occasion.
            Each of its texts waits until somebody lets it go.
            TEXT;
        yield 'order-sent' => <<<'TEXT'
            When an order has its state changed from “packed” to “sent”, at any time:
            At once, text the person from the front desk, as a service text:
            It stops as soon as they reply, and always when they say stop. It starts once for each order.
            TEXT;
        yield 'service-due' => <<<'TEXT'
            At 10:00 where they are, 2 weeks before the date “Next yearly check” of a service plan, and the state is “runs”:
            At once, ask the person from the workshop, as a service text (an answer counts for 3 days):
              If they answer yes (yes):
                Give the staff something to do within 1 week: “Fetch [boat] for its check.”
              If they answer later (later):
                Wait 1 month.
                Go back up to text a, at most 2 times.
              If they do not answer in time:
                Put a notice on the screen of Tom Reyes: “No answer about the check of [boat].”
            It goes on even if they reply, and stops only when they say stop. It starts once for each occasion.
            TEXT;
        yield 'tag-lost' => <<<'TEXT'
            When somebody loses the tag “member”:
            Stop the rule “Member's anniversary” for them.
            Write an email to desk@osierquay.example: “[first name] is no longer a member.”
            It goes on even if they reply, and stops only when they say stop. It starts every time it comes about.
            TEXT;
        yield 'text-failed' => <<<'TEXT'
            When a text to somebody fails:
            Put a notice on the screen of Mira Okafor: “A text to [first name] failed.”
            It goes on even if they reply, and stops only when they say stop. It starts every time it comes about.
            TEXT;
        yield 'word-kayak' => <<<'TEXT'
            When somebody texts “kayak” or “kayaks” or “hire” to the front desk:
            At once, text the person from the line they called, as a service text:
            Add the tag “asked about hire”.
            It goes on even if they reply, and stops only when they say stop. It starts every time it comes about.
            TEXT;
        yield 'word-level' => <<<'TEXT'
            When somebody texts “level” or “water level”:
            At once, text the person from the line they called, as a service text in the wordings of “water-level”, one after the other:
            It goes on even if they reply, and stops only when they say stop. It starts at most once in a day for the same person.
            TEXT;
        yield 'workshop-missed-call' => <<<'TEXT'
            When a call is missed on the workshop, while we are open:
            At once, text the caller from the line they called, as a service text:
            It stops as soon as they reply, and always when they say stop. It starts once for each call.
            TEXT;
    }
}
