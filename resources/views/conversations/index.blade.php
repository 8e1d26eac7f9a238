<x-page title="Conversations" wide>
    <div class="talk">
        @include('conversations.list', ['open' => null, 'isFirst' => false])
        <section class="talk-thread"><x-empty>Choose a conversation at the left. Those who wait for an answer show for how long.</x-empty></section>
        <aside></aside>
    </div>
</x-page>
