@extends('page')
@section('body')
    <p><a class="link" href="{{ route('handset', $number) }}">Back to the handset</a></p>
    <form class="flex flex-wrap items-start gap-10 mt-3" method="post" action="{{ route('shop.act', $number) }}">@csrf
        <section>
            <h2 class="mb-2">On the shelf</h2>
            @foreach (\Standins\Shop::GOODS as $sku => [$good, $price])
                <div class="flex gap-4 justify-between items-center mb-1 w-80 max-w-full"><span>{{ $good }} <span class="soft">£{{ number_format($price, 2) }}</span></span><button class="btn small" name="act" value="{{ $sku }}" aria-label="Put in: {{ $good }}">Put in</button></div>
            @endforeach
        </section>
        <section class="panel w-80 max-w-full">
            <h2 class="mb-2">Your basket</h2>
            @if ($basket)
                @foreach ($basket->lines as $line)<p>{{ $line['stk'] }} × {{ $line['titel'] }}</p>@endforeach
                <p class="mt-1 mb-3"><b class="font-semibold">£{{ number_format($basket->total, 2) }}</b>{{ $basket->state === 'VERLASSEN' ? ', left' : '' }}</p>
                @include('how')
                <div class="flex gap-2"><button class="btn go" name="act" value="pay">Pay</button><button class="btn" name="act" value="leave">Leave the shop</button></div>
            @else
                <p class="soft mb-3">Empty.</p>
                @include('how')
            @endif
        </section>
    </form>
@endsection
