<div class="handset-texts flex flex-col gap-2" id="texts" hx-get="{{ route('handset.texts', $number) }}" hx-trigger="every 1s" hx-swap="morph:outerHTML">
    @forelse ($texts as $text)
        <div class="text-center soft sm">{{ $text['when'] }}{{ $text['own'] ? '' : ', '.$text['line'] }}</div>
        <div class="{{ $text['own'] ? 'said-back' : 'says' }}">@if ($text['picture'])<figure class="picture"><svg viewBox="0 0 24 16" aria-hidden="true"><rect x=".5" y=".5" width="23" height="15" rx="2" /><path d="M2 14 8 7l4 4 3-3 7 6" /><circle cx="17" cy="4.5" r="1.5" /></svg><figcaption>Picture: {{ $text['picture'] }}</figcaption></figure>@endif{{ $text['text'] }}</div>
    @empty
        <p class="soft">No texts yet.</p>
    @endforelse
</div>
