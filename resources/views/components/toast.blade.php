<p class="toast" x-data="toast" x-show="shown" x-on:mouseenter="stay">{{ $slot }}</p>
