<div class="grid gap-3 sm:grid-cols-2">
    <label class="field"><span>Name</span><input class="input w-full" name="name" value="{{ $form?->name ?? '' }}" maxlength="80">@unless ($form)<x-error name="name" />@endunless</label>
    <label class="field"><span>Thanks, once it is sent</span><input class="input w-full" name="thanks" value="{{ $form?->thanks }}" placeholder="Thank you. It has come." maxlength="500"></label>
</div>
<label class="field"><span>What they agree to when they tick the box; empty for no box</span><textarea class="input w-full" rows="2" name="wording" maxlength="1000" placeholder="Send me news of the quay by text, about once a month.">{{ $form?->wording }}</textarea></label>
<div class="flex gap-4 flex-wrap items-center mb-3">
    <label class="flex gap-2 items-center"><input type="checkbox" class="tick" name="confirmed_by_text" value="1" @checked($form?->confirmed_by_text)> Counts only once they say YES to a text</label>
    <label class="flex gap-2 items-center"><span>asked from</span><select class="input" name="line"><option value="">the first line</option>@foreach ($lines as $line)<option value="{{ $line->key }}" @selected($form?->line === $line->key)>{{ $line->name }}</option>@endforeach</select></label>
</div>
