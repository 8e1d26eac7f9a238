<tr>
    <td colspan="{{ count($cols) + 4 }}">
        <form class="row-change" method="post" action="{{ route('records.update', [$type, $record]) }}" hx-put="{{ route('records.row.update', [$type, $record]) }}" hx-target="closest tr" hx-swap="outerHTML" aria-label="Change {{ $page->title }}" novalidate>
            @csrf @method('put')
            @foreach ($fields as $field)<x-control :field="$field" :page="$page" :business="$business" :prefix="'row-'.$record->id.'-'" :typed="$typed" :focus="$loop->first" />@endforeach
            <div class="flex gap-2 basis-full"><button class="btn go small">Keep</button><a class="btn small" href="">Leave as it was</a></div>
            <x-error name="fields" />
        </form>
    </td>
</tr>
