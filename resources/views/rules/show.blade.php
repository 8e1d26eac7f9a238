<x-page :title="$page->rule->name">
    @include('rules.rule')
</x-page>
