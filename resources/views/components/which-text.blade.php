@props(['text'])
<input type="hidden" name="rule" value="{{ $text->rule_id }}"><input type="hidden" name="record" value="{{ $text->record_id }}"><input type="hidden" name="which" value="{{ $text->name }}">
