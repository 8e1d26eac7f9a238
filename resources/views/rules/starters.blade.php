<x-page title="Starters">
    <div class="crumb"><a class="link" href="{{ route('rules.index') }}">Rules</a> /</div>
    <h1>Begin with a starter</h1>
    <p class="soft mb-4">Each becomes a draft of yours, switched off. Nothing of it runs until you have read and published it.</p>
    @foreach ($folders as $folder => $rules)
        <h2 class="mt-5 mb-1">{{ $folder }}</h2>
        <div class="table-wrap"><table class="table"><tbody>
            @foreach ($rules as $rule)
                <tr>
                    <td><b>{{ $rule->name }}</b><br><span class="soft sm">{{ \App\View\Rules\Writing::inOneSentence($language, $rule) }}</span></td>
                    <td class="whitespace-nowrap text-right"><form method="post" action="{{ route('rules.starters.store', $rule->key) }}">@csrf<button class="btn small">Take this one</button></form></td>
                </tr>
            @endforeach
        </tbody></table></div>
    @endforeach
</x-page>
