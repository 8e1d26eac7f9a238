<div class="handset-texts flex flex-col gap-2" id="texts" hx-get="{{ route('handset.texts', $number) }}" hx-trigger="every 1s" hx-swap="morph:outerHTML">
    @forelse ($texts as $text)
        <div class="text-center soft sm">{{ $text['when'] }}{{ $text['own'] ? '' : ', '.$text['line'] }}</div>
        <div class="{{ $text['own'] ? 'said-back' : 'says' }}">@if ($text['picture'])<img class="picture" src="{{ $text['picture'] }}" alt="A picture" loading="lazy">@endif{{ $text['text'] }}</div>
    @empty
        <p class="soft">No texts yet.</p>
    @endforelse
</div>
