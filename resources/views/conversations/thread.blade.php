<div class="scroll" id="thread" tabindex="0" role="region" aria-label="What was said" hx-get="{{ url($thread->here()) }}" hx-trigger="every 2s" hx-swap="morph:outerHTML" hx-select-oob="#writing"><x-story :story="$thread->story" :sought="$thread->sought?->id" /></div>
<p id="writing" class="sm held" aria-live="polite">{{ $thread->writing() }}</p>
