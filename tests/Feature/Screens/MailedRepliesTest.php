<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Conversation;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\OutboundTask;
use App\Models\Role;
use App\Models\Staff;
use App\Staff\ReplyAddress;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Time\WeeklyHours;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

/** What one of us answers to the mail that told them of a reply. */
final class MailedRepliesTest extends TestCase
{
    private Conversation $wen;

    private Staff $nia;

    protected function setUp(): void
    {
        parent::setUp();
        Mail::fake();
        config([
            'mail.default' => 'smtp', 'linnet.mailbox.address' => 'replies@osierquay.example', 'linnet.mailbox.secret' => 'mail-secret',
        ]);
        $this->nia = $this->staff(Role::Agent);
        $this->textFrom(self::WEN, 'Hello?');
        $this->wen = Conversation::query()->sole();
        $this->actingAs($this->nia)->put(route('conversations.owner', $this->wen), ['owner' => $this->nia->id]);
        $this->textFrom(self::WEN, 'Are you there?');
    }

    public function testWhatStandsAboveTheNoticeGoesOutAsTheText(): void
    {
        $told = OutboundTask::query()->where('address', $this->nia->email)->orderByDesc('id')->firstOrFail();
        $answer = (string) $told->body['reply_to'];
        self::assertStringContainsString('as a text. Or answer in Linnet', (string) $told->body['words']);
        $mail = self::mail($this->nia->email, $answer, "Yes, until six.\r\n\r\nNia\r\n\r\nOn Monday Linnet wrote:\r\n> {$told->body['words']}");
        $this->mailed($mail)->assertOk();
        // The same mail once more, as servers do.
        $this->mailed($mail)->assertOk();
        self::assertSame(["Yes, until six.\n\nNia"], $this->written());
        self::assertNull($this->wen->refresh()->waiting_since);
        $this->work();
        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));
    }

    public function testWhileTheLineIsClosedItWaitsAndWhoWroteItIsTold(): void
    {
        $this->wen->line->update(['hours' => WeeklyHours::daily('12:00', '17:00')->toDocument()]);
        $mail = self::mail($this->nia->email, $this->address(), 'Yes, until six.');
        $this->mailed($mail)->assertOk();
        $this->mailed($mail)->assertOk();
        $told = OutboundTask::query()->where('address', $this->nia->email)->orderByDesc('id')->firstOrFail();
        self::assertStringContainsString('your answer leaves on Mon 2 March 12:00.', (string) $told->body['words']);
        self::assertSame([], $this->written());
        $this->travelToMoment('2026-03-02 12:00');
        $this->work();
        $this->mailed($mail)->assertOk();
        self::assertSame(['Yes, until six.'], $this->written());

        $this->wen->line->update(['hours' => ['week' => [], 'closed' => []]]);
        $this->mailed($mail)->assertOk();
        $this->mailed(self::mail($this->nia->email, $this->address(), 'All night.'))->assertOk();
        $told = OutboundTask::query()->where('address', $this->nia->email)->orderByDesc('id')->firstOrFail();
        self::assertStringContainsString('no hours at which it sends', (string) $told->body['words']);
        self::assertSame(['Yes, until six.'], $this->written());
    }

    public function testAMailOfTwoKindsAndInAnotherAlphabetIsRead(): void
    {
        $mail = "From: Nia <{$this->nia->email}>\r\nTo: \"Desk\" <{$this->address()}>\r\nMessage-ID: <b@x>\r\nMIME-Version: 1.0\r\n"
            ."Content-Type: multipart/alternative; boundary=b\r\n\r\n--b\r\nContent-Type: text/plain; charset=iso-8859-1\r\n"
            ."Content-Transfer-Encoding: quoted-printable\r\n\r\nCaf=E9 at ten=\r\n?\r\n--b\r\nContent-Type: text/html\r\n\r\n<p>Caf&eacute;</p>\r\n--b--\r\n";
        $this->mailed($mail)->assertOk();
        self::assertSame(['Café at ten?'], $this->written());
    }

    #[DataProvider('programs')]
    public function testWhatProgramsPutBetweenIsNotSent(string $kind, string $body, string $said): void
    {
        $notice = '--- Write above this line ---'."\n\nWen wrote to the front desk: “Hello?”";
        $body = str_replace(['NOTICE', 'QUOTED'], [$notice, (string) preg_replace('/^/m', '> ', $notice)], $body);
        $mail = str_replace('text/plain', $kind, self::mail($this->nia->email, $this->address(), $body));
        $this->mailed($mail)->assertOk();
        self::assertSame([$said], $this->written());
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function programs(): iterable
    {
        yield 'in German' => ['text/plain', "Ja, bis sechs.\n\nAm Mo., 2. März 2026 um 10:00 schrieb Linnet <a@b.example>:\n\nQUOTED", 'Ja, bis sechs.'];
        yield 'in French, over two lines' => ['text/plain', "Oui.\n\nLe lun. 2 mars 2026 à 10:00, Linnet\n<a@b.example> a écrit :\n\nQUOTED", 'Oui.'];
        yield 'with a head, in Dutch' => [
            'text/plain', "Tot zes uur.\n\n________________________________\nVan: Linnet\nVerzonden: maandag\nAan: Nia\n\nNOTICE", 'Tot zes uur.',
        ];
        yield 'with a head and no rule' => ['text/plain', "Until six.\n\nFrom: Linnet\nSent: Monday\nTo: Nia\nSubject: Wen\n\nNOTICE", 'Until six.'];
        yield 'a telephone’s, with two paragraphs' => ['text/plain', "Yes.\n\nUntil six.\n\nSent from my phone\n\nQUOTED", "Yes.\n\nUntil six."];
        yield 'a signature' => ['text/plain', "Yes.\n-- \nNia Sorrell\n01555 000\n\nQUOTED", 'Yes.'];
        $list = "Bring:\nTowel: one\nShoes: two\nTime: six";
        yield 'nothing is quoted, and a list is meant' => ['text/plain', $list, $list];
        yield 'a page alone' => [
            'text/html', '<html><head><style>p{}</style></head><body><p>Yes &amp; until six.</p><div>Nia</div><br><blockquote>NOTICE</blockquote></body></html>',
            "Yes & until six.\nNia",
        ];
    }

    /** @param  \Closure(self): string  $mail */
    #[DataProvider('notOurs')]
    public function testNobodyElseWritesByIt(\Closure $mail, int $status): void
    {
        $this->mailed($mail($this))->assertStatus($status);
        self::assertSame([], $this->written());
    }

    /** @return iterable<string, array{\Closure(self): string, int}> */
    public static function notOurs(): iterable
    {
        yield 'from another address' => [fn (self $t): string => self::mail('thief@example.org', $t->address(), 'Pay here'), 422];
        yield 'to an address that was made up' => [
            fn (self $t): string => self::mail($t->nia->email, "replies+1.{$t->nia->id}.".str_repeat('0', 20).'@quay.example', 'Hi'),
            422,
        ];
        yield 'to nobody' => [fn (self $t): string => self::mail($t->nia->email, 'replies@osierquay.example', 'Hi'), 422];
        yield 'a machine that is out of office' => [
            fn (self $t): string => "Auto-Submitted: auto-replied\r\n".self::mail($t->nia->email, $t->address(), 'I am away'), 200,
        ];
        yield 'from somebody who has left' => [function (self $t): string {
            $t->nia->update(['off_at' => now()]);

            return self::mail($t->nia->email, $t->address(), 'Hi');
        }, 422];
    }

    public function testWhoeverAnsweredIsToldWhereItWasNotSent(): void
    {
        $this->mailed(self::mail($this->nia->email, $this->address(), '> quoted alone'))->assertOk();
        $this->textFrom(self::WEN, 'STOP');
        $this->mailed(self::mail($this->nia->email, $this->address(), 'Please stay'))->assertOk();
        self::assertSame([], $this->written());
        $back = OutboundTask::query()->where('name', 'like', 'mail/%/back')->orderBy('id')->get()->map(fn ($one): string => (string) $one->body['words']);
        self::assertStringContainsString('Nothing was written above the notice.', $back[0] ?? '');
        self::assertStringContainsString('stop', $back[1] ?? '');
    }

    public function testItsSecretIsAskedFor(): void
    {
        $this->call('POST', '/in/mail', server: ['HTTP_AUTHORIZATION' => 'Bearer no'], content: 'x')->assertUnauthorized();
        config(['linnet.mailbox.secret' => '']);
        $this->call('POST', '/in/mail', server: ['HTTP_AUTHORIZATION' => 'Bearer '], content: 'x')->assertUnauthorized();
        self::assertNull(ReplyAddress::of($this->wen, $this->nia));
    }

    private function address(): string
    {
        return (string) ReplyAddress::of($this->wen, $this->nia);
    }

    private static function mail(string $from, string $to, string $words): string
    {
        return "From: $from\r\nTo: $to\r\nSubject: Re: About Wen\r\nMessage-ID: <".md5($from.$to.$words).">\r\n"
            ."Content-Type: text/plain; charset=utf-8\r\n\r\n$words\r\n";
    }

    /** @return TestResponse<Response> */
    private function mailed(string $mail): TestResponse
    {
        return $this->call('POST', '/in/mail', server: ['HTTP_AUTHORIZATION' => 'Bearer mail-secret'], content: $mail);
    }

    /** @return list<string> */
    private function written(): array
    {
        return array_values(Message::query()->where('origin', MessageOrigin::Staff)->orderBy('id')->pluck('body')->all());
    }
}
