@php use App\Merging\Alike; use Linnet\Core\Number\Numbers; @endphp
@if ($doubles->isEmpty())
    <x-empty>{{ match ($by) { Alike::Email => 'No two have the same email.', Alike::Number => 'No two have numbers that end alike.', Alike::Name => 'No two have the same name.' } }}</x-empty>
@else
    <div class="table-wrap"><table class="table">
        <thead><tr><th scope="col">One</th><th scope="col">The other</th><th scope="col"><span class="sr-only">What can be done</span></th></tr></thead>
        <tbody>@foreach ($doubles as $double)<tr>
            @foreach ([$double['one'], $double['other']] as $one)<td><a class="link" href="{{ route('people.show', $one) }}">{{ $one->name() }}</a><br><span class="soft sm">{{ implode(', ', array_filter([$one->number ? Numbers::pretty($one->number->e164) : 'no number', $one->email])) }}</span></td>@endforeach
            <td><a class="link" href="{{ route('people.merge', [$double['one'], 'with' => $double['other']->id, 'by' => $by->value]) }}">Look at both</a>@if ($double['many'] > 2)<br><span class="soft sm">more are alike</span>@endif</td>
        </tr>@endforeach</tbody>
    </table></div>
    <x-pages :list="$doubles" />
@endif
