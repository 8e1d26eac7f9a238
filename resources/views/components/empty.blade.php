<div class="empty">{{ $slot }}</div>
