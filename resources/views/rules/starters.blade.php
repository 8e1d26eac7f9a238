<x-page title="Starters">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> /</div>
    <h1>Begin with a starter</h1>
    <p class="soft mb-4">By what happens. Each becomes a draft of yours about your own records, switched off: nothing of it runs until you have read and published it.</p>
    @foreach ($folders as $folder => $starters)
        <h2 class="mt-5 mb-1">{{ $folder }}</h2>
        <div class="table-wrap"><table class="table"><tbody>
            @foreach ($starters as $starter)
                <tr>
                    <td class="w-64 align-top"><a class="link" href="{{ route('rules.starters.show', $starter['key']) }}"><b>{{ $starter['name'] }}</b></a></td>
                    <td class="align-top">{{ $starter['for'] }}<br><span class="soft sm">{{ $starter['says'] }}</span></td>
                </tr>
            @endforeach
        </tbody></table></div>
    @endforeach
</x-page>
