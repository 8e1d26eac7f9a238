@extends('page')
@section('body')
    <form class="filters" method="get" aria-label="Find somebody’s mail">
        <label><span class="sm">Whose, by their address</span><input class="input w-60" type="search" name="find" value="{{ $find }}"></label>
        <button class="btn">Find</button>
        <a class="link" href="{{ route('shelf') }}">Handsets</a>
    </form>
    @forelse ($mails as $mail)
        <article class="panel mt-3 max-w-2xl">
            <p class="soft sm">{{ $mail->to }}, {{ (new DateTimeImmutable($mail->at, new DateTimeZone('UTC')))->setTimezone(new DateTimeZone('Europe/London'))->format('D j F Y, H:i') }}</p>
            <h2 class="my-1">{{ $mail->subject }}</h2>
            <p class="whitespace-pre-line">{{ $mail->words }}</p>
            @if ($mail->reply_to)<form class="mt-3 flex gap-2 items-end" method="post" action="{{ route('mailbox.answer', $mail->id) }}">@csrf<label class="grow"><span class="sm">Answer to {{ Str::before($mail->reply_to, '+') }}…</span><textarea class="input w-full" name="words" rows="2" required></textarea></label><button class="btn">Send the answer</button></form>@endif
        </article>
    @empty
        <p class="empty">No mail{{ $find === '' ? ' yet' : ' for anybody with that address' }}.</p>
    @endforelse
@endsection
