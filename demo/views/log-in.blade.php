@if ($standinsUrl)
    <div class="note plain mt-6">
        This is the demo of Osier Quay Boathouse. Log in as <b>mira@osierquay.example</b> (administrator) or <b>viv@osierquay.example</b> (viewer), password <b>boathouse</b>.
    </div>
@endif
