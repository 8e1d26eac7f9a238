@props(['step', 'page'])
@php($address = $step->outgoing()->picture)
@if ($address !== null)
    <figure class="picture-of"><img src="{{ $address }}" alt="The picture that goes with this text" loading="lazy">@can('administer')<figcaption><form method="post" action="{{ route('rules.pictures.destroy', [$page->rule, $step->id()]) }}">@csrf @method('delete')<button class="link sm">Take the picture off</button></form></figcaption>@endcan</figure>
@elsecan('administer')
    <details class="word" @if ($errors->has("picture-{$step->id()}")) open @endif><summary>Add a picture…</summary>
        <form class="change" method="post" enctype="multipart/form-data" action="{{ route('rules.pictures.store', [$page->rule, $step->id()]) }}" x-data="picture">@csrf
            <label class="field"><span>JPEG, PNG or GIF; a large one is made small</span><input class="input w-full" type="file" name="picture" accept="image/jpeg,image/png,image/gif" x-on:change="chosen"></label>
            <x-error :name="'picture-'.$step->id()" /><x-error name="picture" />
            <p class="soft sm mb-2">A text with a picture costs {{ \App\Clock\TimeFormatter::price($page->sender()->tariff->price($page->receiver->country ?? $page->business->country, 1, true), $page->business->currency()) }}, whatever its length.</p>
            <button class="btn small go">Add it</button>
        </form></details>
@endif
