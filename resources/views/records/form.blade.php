<x-page :title="$page->title">
    <div class="crumb"><a class="link" href="{{ route('records.index', $type) }}">{{ $type->plural }}</a> /</div>
    <h1 class="mb-4">{{ $record ? 'Change “'.$page->title.'”' : $page->title }}</h1>
    <form class="max-w-xl" method="post" action="{{ $record ? route('records.update', [$type, $record]) : route('records.store', $type) }}" novalidate>
        @csrf @if ($record) @method('put') @endif
        <x-error name="fields" />
        @foreach ($type->fields as $field)<x-control :field="$field" :page="$page" :business="$business" />@endforeach
        <div class="flex gap-3 mt-4"><button class="btn go">Keep</button><a class="btn" href="{{ $record ? route('records.show', [$type, $record]) : route('records.index', $type) }}">Leave as it was</a></div>
    </form>
</x-page>
