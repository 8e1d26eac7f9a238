<a class="link sm" href="{{ request()->fullUrlWithQuery(['as' => 'csv', 'page' => null]) }}" download>This list as a file (CSV)</a>
