<x-page title="API">
    <div class="crumb"><a class="link" href="{{ Gate::allows('administer') ? route('settings.index') : route('home') }}">Settings</a> /</div>
    <div class="head"><h1>API</h1><div class="acts"><a class="btn" href="{{ route('api', ['as' => 'json']) }}">The description as a file (OpenAPI {{ $api['openapi'] }})</a></div></div>
    <p class="max-w-2xl mt-2">{{ $api['info']['description'] }}</p>
    <p class="soft mt-2">All of it stands under <code>{{ $base }}</code>, and wants a token made in Settings: <code>Authorization: Bearer …</code></p>
    @foreach ($api['paths'] as $path => $methods)
        @foreach ($methods as $method => $operation)
            <details class="field-row">
                <summary><span><b class="font-semibold">{{ strtoupper($method) }}</b> <code>{{ $path }}</code></span><span>{{ $operation['summary'] }}</span><span class="soft sm">{{ \App\Api\Ability::tryFrom($operation['security'][0]['token'][0])?->says() }}</span></summary>
                <div class="field-edit">
                    @php($parameters = array_map(fn ($one) => isset($one['$ref']) ? data_get($api, str_replace('/', '.', ltrim($one['$ref'], '#/'))) : $one, $operation['parameters']))
                    @if ($parameters !== [])
                        <div class="table-wrap" tabindex="0" role="group" aria-label="Details"><table class="table"><thead><tr><th scope="col">May be said</th><th scope="col">Where</th><th scope="col">What it is</th></tr></thead>
                            <tbody>@foreach ($parameters as $one)<tr><td><code>{{ $one['name'] }}</code></td><td>{{ $one['in'] }}</td><td>{{ $one['description'] ?? '' }} <span class="soft sm">{{ implode(', ', $one['schema']['enum'] ?? (array) ($one['schema']['type'] ?? [])) }}</span></td></tr>@endforeach</tbody></table></div>
                    @endif
                    @if (isset($operation['requestBody']))<p class="mt-2">It takes JSON: <code>{{ basename($operation['requestBody']['content']['application/json']['schema']['$ref'] ?? 'fields') }}</code></p>@endif
                    <p class="mt-1">It answers with: @foreach ($operation['responses'] as $code => $response)@if ($code !== 'default'){{ $code }} <code>{{ basename($response['content']['application/json']['schema']['$ref'] ?? 'data') }}</code>{{ $loop->remaining > 1 ? ', ' : '' }}@endif @endforeach; or a problem.</p>
                </div>
            </details>
        @endforeach
    @endforeach
    <h2 class="mt-8 mb-2">Shapes</h2>
    @foreach ($api['components']['schemas'] as $name => $schema)
        @if (! str_ends_with($name, 'Page'))
            <details class="field-row" id="shape-{{ $name }}"><summary><code>{{ $name }}</code><span></span><span></span></summary>
                <div class="field-edit"><div class="table-wrap" tabindex="0" role="group" aria-label="Details"><table class="table"><thead><tr><th scope="col">Name</th><th scope="col">Type</th><th scope="col">What it is</th></tr></thead><tbody>
                    @foreach ($schema['properties'] as $property => $about)<tr><td><code>{{ $property }}</code>@if (! in_array($property, $schema['required'], true))<span class="soft sm"> optional</span>@endif</td><td class="sm">{{ implode(' or ', (array) ($about['type'] ?? (isset($about['enum']) ? 'one of: '.implode(', ', $about['enum']) : 'object'))) }}</td><td class="sm">{{ $about['description'] ?? '' }}</td></tr>@endforeach
                </tbody></table></div></div></details>
        @endif
    @endforeach
</x-page>
