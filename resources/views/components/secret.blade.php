@props(['secret', 'source'])
<section class="panel mb-4 secret" aria-label="The secret">
    <h2 class="mb-1">Copy the secret now</h2>
    <p class="soft sm mb-2">It is shown this once. Whoever has it can send records in this source’s name.</p>
    <dl class="facts">
        <dt>Address</dt><dd><code>{{ route('in.source', ['source' => $source]) }}</code></dd>
        <dt>Secret</dt><dd><code id="secret">{{ $secret }}</code></dd>
    </dl>
    <p class="soft sm mt-2">The sender gives it as a bearer token (<code>Authorization: Bearer …</code>), as the last part of the address, or signs with it (Standard Webhooks).</p>
</section>
