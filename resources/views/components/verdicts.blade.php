@props(['verdicts'])
<ul class="gate">
    @foreach ($verdicts as $verdict)
        <li><span @class(['tone', ['pass' => 'well', 'hold' => 'held', 'drop' => 'bad'][$verdict['say']]])><x-icon :name="['pass' => 'check', 'hold' => 'clock', 'drop' => 'x'][$verdict['say']]" /></span><span>{{ \App\Sentences\Sentence::of($verdict) }}</span></li>
    @endforeach
</ul>
