<?php

declare(strict_types=1);

namespace Tests\Core\Prose;

use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Prose\Sentences;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\TestCase;
use Tests\Support\Vocabularies;

/** The settled form of every kind of sentence; and what else is understood, with what it settles to. */
final class FormsTest extends TestCase
{
    private const BEGINNINGS = [
        'When a booking comes in',
        'When the stage of a deal changes',
        'When the stage of a deal becomes agreed',
        'When the state of an order changes from packed to sent',
        'When somebody\'s town changes',
        '2 hours before the start of a booking',
        'On the day before the start of a booking, at 10:00',
        '3 working days before the due date of an invoice, at 09:30',
        'On the joining day of a person, every year, at 09:00 where they are' => 'on somebody\'s joining day, every year, at 09:00 where they are',
        'When nothing has happened to a basket for 1 hour while its state is open or left and it has more than 0 pieces',
        'When nothing has happened to a basket for 1 hour while it is open or left and has more than 0 pieces' => 'when nothing has happened to a basket for 1 hour while its state is open or left and it has more than 0 pieces',
        'When somebody texts KAYAK, KAYAKS or HIRE to the front desk',
        'When somebody texts something that begins with kayak',
        'When somebody texts something that contains level, typing errors forgiven',
        'When somebody texts LEVEL, while no question is open',
        'When somebody gets the tag "member"',
        'When somebody loses the tag "member"',
        'When somebody comes onto the list "newsletter"',
        'When somebody leaves the list "newsletter"',
        'When somebody sends in the form "Ask about hire"',
        'On 16 March 2026 at 09:00, for everybody on the list "newsletter"' => 'on 16 March 2026 at 09:00, for everybody who is on the list "newsletter"',
        'Every month on the first Monday at 10:00, from 2 March 2026, for everybody',
        'On 16 March 2026 at 09:00, for the guest of every booking that starts within 7 days' => 'on 16 March 2026 at 09:00, for the guest of every booking whose start is within the next 7 days',
        'On 16 March 2026 at 09:00, for the guest of every booking that starts today' => 'on 16 March 2026 at 09:00, for the guest of every booking whose start is today',
        'On 16 March 2026 at 09:00, for the guest of every booking that starts on a Monday' => 'on 16 March 2026 at 09:00, for the guest of every booking whose start is on a Monday',
        'On 16 March 2026 at 09:00, for the guest of every booking that starts before 1 April 2026' => 'on 16 March 2026 at 09:00, for the guest of every booking whose start is before 1 April 2026',
        'On 16 March 2026 at 09:00, for everybody with a booking that starts within the next 7 days' => 'on 16 March 2026 at 09:00, for everybody who has a booking whose start is within the next 7 days',
        'On 16 March 2026 at 09:00, for the guest of every booking whose start is within 7 days' => 'on 16 March 2026 at 09:00, for the guest of every booking whose start is within the next 7 days',
        'When a text to somebody fails',
        'When a text to somebody cannot be delivered',
        'When somebody opens the link in a text',
        'When somebody opens the link in a text of the rule "Basket left"',
        'When it is started for a booking',
        'When it is started for a person',
        'When a booking comes in, if its state is booked and they have agreed to offers',
        'When a booking comes in, if either its state is booked or they have said stop',
        'When a booking comes in, if none of these: its state is booked; they have said stop',
        'When a booking comes in, if its state is not booked',
        'When a booking comes in, if the lesson contains "kayak"' => 'when a booking comes in, if its lesson contains "kayak"',
        'When a booking comes in, if its price is between £10 and £1,000',
        'When a booking comes in, if the start is before 3 March 2026' => 'when a booking comes in, if its start is before 3 March 2026',
        'When a booking comes in, if its start is within the last 7 days',
        'When a booking comes in, if its start is today',
        'When a booking comes in, if its start is on a Saturday or Sunday',
        'When a booking comes in, if we are open',
        'When a booking comes in, if they do not have the tag "x"',
        'When a booking comes in, if they are not on the list "x"',
        'When a booking comes in, if their number is a mobile',
        'When a booking comes in, if their number is not in use',
        'When a booking comes in, if they have no number',
        'When a booking comes in, if they have a booking whose start is within the next 60 days',
        'When a booking comes in, if they have no invoice whose state is sent',
        'When a booking comes in, if they have not had a text from this rule in the last 30 days',
    ];

    private const STEPS = [
        'text the guest from the front desk, as a service text',
        'text the owner from the workshop, as a service text',
        'text the booking\'s instructor from the front desk, as a service text',
        'text Tom Reyes from the front desk, as a service text',
        'text +447700900123 from the front desk, as a service text',
        'text the guest, on the number that called, from the line they called, as a service text',
        'text the guest, on their mobile, from the line last used, as a marketing text',
        'text the guest from the owner\'s line, as a service text',
        'text the guest from one of the front desk and the workshop, always the same for them, as a service text',
        'text the guest from the front desk, as a service text, with the picture "https://a.example/quay.jpg"',
        'text the guest from the front desk, as a service text, only while 3 hours are left',
        'text the guest from the front desk, as a service text, unless it is late',
        'text the guest from the front desk, as a service text, in 3 wordings, by chance' => 'text the guest from the front desk, as a service text, in 3 wordings, by weight',
        'text the guest from the front desk, as a service text, in the wordings of "water-level", in turn',
        'wait 2 minutes',
        'wait until 09:00',
        'wait until 17:30 where they are',
        'wait until 17:30, on a Monday or Tuesday',
        'wait until 20 minutes before the start',
        'wait until the day before the start, at 09:00',
        'wait until they reply, at most 2 days',
        'wait until its state is came, at most 5 days',
        'wait until they reply or its state is came, at most 2 days',
        'go on only if the state is still booked' => 'go on only if its state is booked',
        'go on only if its state is booked',
        'set the state to cancelled',
        'clear the remark',
        'add the tag "x"',
        'put them onto the list "x"',
        'take them off the list "x"',
        'make Tom Reyes the owner',
        'set the state of their next booking to cancelled',
        'set the state to cancelled, add the tag "a", and remove the tag "b"',
        'notify the instructor on screen: "Hello."' => 'notify the booking\'s instructor on screen: "Hello."',
        'notify desk@example.org by mail: "Hello"',
        'give the owner a task, due within 3 working days: "x"',
        'give the staff a task: "x"',
        'look their number up, unless that was done in the last 90 days',
        'start the rule "What do they paddle" for them',
        'stop the rule "What do they paddle" for them',
        'post to https://books.example/x',
        'go back to text a, at most 2 times, every 3 working days, until its state is not booked',
        'end: no answer',
        'Wait 1 day, then go on only if they have not replied, then text the guest from the front desk, as a service text',
    ];

    private const CLOSINGS = [
        'It stops as soon as they reply, and always when they say stop',
        'It goes on even if they reply, and stops only when they say stop',
        'It goes on only as long as the state is booked' => 'it goes on only as long as its state is booked',
        'It starts once for each booking',
        'It starts once for each date',
        'It starts once ever for each person',
        'It starts every time',
        'It starts not again for the same person within 30 days' => 'it does not start again for the same person within 30 days',
        'It counts as a success when its state is came within 3 days, worth the price' => 'it counts as a success when its state is came, within 3 days, worth its price',
        'Its texts wait until somebody lets them go together; we are asked at 09:00',
        'Each of its texts waits until somebody lets it go',
        'It starts from 1 March 2026 until 31 October 2026 only',
    ];

    public function testWhatStartsARule(): void
    {
        $this->settle(Vocabularies::language()->beginning(), self::BEGINNINGS);
    }

    public function testWhatARuleDoes(): void
    {
        $this->settle(Vocabularies::language()->steps('booking'), self::STEPS);
    }

    public function testWhatARuleClosesWith(): void
    {
        $this->settle(Vocabularies::language()->closing('booking', 'date_reached'), self::CLOSINGS);
    }

    /** As they were read aloud; UPDATE_GOLDEN=1 writes them anew. */
    public function testTheRulesOfTheBoathouse(): void
    {
        $writer = new RuleWriter(Vocabularies::language());
        $texts = array_map(
            fn (string $file): string => $writer->text(Rule::fromJson((string) file_get_contents($file))),
            glob(dirname(__DIR__, 3).'/demo/rules/*.json') ?: [],
        );
        $golden = dirname(__DIR__, 2).'/golden/boathouse-rules.txt';
        if (getenv('UPDATE_GOLDEN') === '1') {
            file_put_contents($golden, implode("\n", $texts));
        }
        self::assertStringEqualsFile($golden, implode("\n", $texts));
    }

    /** @param  array<int|string, string>  $sentences  settled ones, or what they settle to by what is understood */
    private function settle(Phrase $phrase, array $sentences): void
    {
        foreach ($sentences as $written => $settled) {
            $read = Sentences::read($phrase, is_int($written) ? $settled : $written);
            self::assertNotInstanceOf(ProseError::class, $read, $settled.json_encode($read));
            self::assertSame(mb_strtolower($settled, 'UTF-8'), mb_strtolower(Part::join(Sentences::write($phrase, $read)), 'UTF-8'));
        }
    }
}
