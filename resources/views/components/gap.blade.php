@props(['gap', 'page', 'failed'])
@php($lost = $failed?->isAt($gap))
<details class="between" data-depth="{{ min(max(0, $gap->depth - 1), 6) }}" data-before="{{ $gap->before }}" data-to-depth="{{ $gap->depth }}" data-which="{{ $gap->which }}" @if ($lost) open @endif>
    <summary><span>{{ $gap->says() }}</span></summary>
    <x-write-line :page="$page" do="insert" :at="$gap->before" :depth="$gap->depth" :which="$gap->kinds()" :text="$lost ? $failed->text : ''" :failed="$lost ? $failed : null" :label="$gap->says()" />
</details>
