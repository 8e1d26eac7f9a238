<x-page title="Keywords">
    <div class="crumb"><a class="link" href="{{ route('lines.index') }}">Lines</a> /</div>
    <h1>Keywords</h1>
    <p class="soft mb-3">Which word does what, on which line, and what each brought in the last {{ $page::DAYS }} days. Words to stop, to start again and for help come before all of them; <a class="link" href="{{ route('safeguards.index') }}">Safeguards</a> has them.</p>
    <div class="two">
        <section>
            @if ($page->rows === [])
                <x-empty>No rule listens for a word yet. <a class="link" href="{{ route('rules.begin') }}">Write one</a> that begins “when somebody texts …”.</x-empty>
            @else
                <div class="table-wrap"><table class="table">
                    <thead><tr><th scope="col">Words</th><th scope="col">Start</th><th scope="col">On</th><th scope="col" class="n">Began</th></tr></thead>
                    <tbody>@foreach ($page->rows as $row)<tr>
                        <td><b>{{ implode(', ', $row->listens->keywords->words) }}</b><br><span class="soft sm">{{ $row->how() }}</span>
                            @if (($number = $page->numberOf($row)) !== null)<x-qr :text="'sms:'.$number.'?body='.rawurlencode(mb_strtoupper($row->listens->keywords->words[0]))" says="Texting {{ $row->listens->keywords->words[0] }} as a QR code" :file="'keyword-'.Str::slug($row->listens->keywords->words[0])" label="QR code and link" />@endif</td>
                        <td><a class="link" href="{{ route('rules.show', $row->rule) }}">{{ $row->rule->name }}</a>@unless ($row->rule->power->value === 'on')<br>@tone('held', $row->isPublished ? 'off' : 'not published', 'pause')@endunless
                            @foreach ($row->shared as [$other, $words])<br><span class="sm held">“{{ implode('”, “', $words) }}” is a word of <a class="link" href="{{ route('rules.show', $other) }}">{{ $other->name }}</a> too: only one of them can be on.</span>@endforeach</td>
                        <td>{{ $row->lines === [] ? 'every line' : implode(', ', $row->lines) }}</td>
                        <td class="n"><a class="link" href="{{ route('rules.results', $row->rule) }}">{{ number_format($row->begun) }}</a></td>
                    </tr>@endforeach</tbody>
                </table></div>
            @endif
        </section>
        <aside>
            <h2 class="mb-1">What if somebody texted</h2>
            <form method="get" action="{{ route('keywords') }}" aria-label="Try a text">
                <label class="field"><span>This text</span><input class="input w-full" name="text" maxlength="1600" value="{{ $asked['text'] }}"></label><x-error name="text" />
                <label class="field"><span>To</span><select class="input w-full" name="line">@foreach ($page->lines as $line)<option value="{{ $line->id }}" @selected((string) $asked['line'] === (string) $line->id)>the {{ $line->name }}</option>@endforeach</select></label><x-error name="line" />
                <label class="field"><span>From (empty: somebody we do not know)</span><input class="input w-full" name="number" maxlength="30" value="{{ $asked['number'] }}" placeholder="a number we know" @error('number') aria-invalid="true" @enderror></label><x-error name="number" />
                <button class="btn">Try it</button>
            </form>
            <div class="mt-3" aria-live="polite">@if ($tried)<p class="panel" id="tried">{{ $tried->says() }} @if ($tried->ruleId())<a class="link" href="{{ route('rules.show', $tried->ruleId()) }}">Look at the rule</a>@endif</p><p class="soft sm mt-1">Nothing was sent, and nothing begins: this is what the engine would take it for now.</p>@endif</div>
        </aside>
    </div>
</x-page>
