<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use App\Sentences\Sentence;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\Tariff;

/** What a text costs, as a table of countries. Texts that went keep the price of then. */
final class TariffController
{
    /** Columns, each with what it is called where no country is named. */
    public const COLUMNS = ['per_part' => 'elsewhere', 'inbound' => 'inbound_elsewhere', 'picture' => 'picture_elsewhere'];

    public function __invoke(Request $request): RedirectResponse
    {
        $rules = [
            'currency' => 'required|string|max:10', 'prices' => 'nullable|array|max:300', 'prices.*.country' => 'nullable|string|max:20',
        ];
        foreach (self::COLUMNS as $column => $elsewhere) {
            $rules += ["prices.*.$column" => 'nullable|string|max:20', $elsewhere => 'nullable|string|max:20'];
        }
        $said = $request->validate($rules, ['currency.required' => 'Give a currency of three letters, or credits.']);
        $tariff = ['currency' => strtolower(trim($said['currency'])) === 'credits' ? 'credits' : strtoupper(trim($said['currency']))];
        foreach (self::COLUMNS as $column => $elsewhere) {
            $tariff[$column] = [];
            $tariff[$elsewhere] = $this->micros((string) ($said[$elsewhere] ?? ''), $elsewhere);
        }
        foreach ($said['prices'] ?? [] as $i => $row) {
            $prices = array_filter(array_intersect_key($row, self::COLUMNS), fn (mixed $price): bool => trim((string) $price) !== '');
            $country = strtoupper(trim((string) ($row['country'] ?? '')));
            $country === '' && $prices === [] || $tariff = $this->with($tariff, $country, $prices, "prices.$i");
        }
        try {
            Tariff::read(Doc::of($tariff));
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['currency' => Sentence::of($e->problems[0]->reason)]);
        }
        Business::current()->update(['tariff' => $tariff]);

        return redirect()->route('settings.index')->with('done', 'The prices hold for every text from now on.');
    }

    /**
     * @param  array<string, mixed>  $tariff
     * @param  array<string, mixed>  $prices  by column
     * @return array<string, mixed>
     */
    private function with(array $tariff, string $country, array $prices, string $place): array
    {
        if (preg_match('/^[A-Z]{2}$/D', $country) !== 1) {
            throw ValidationException::withMessages(["$place.country" => 'Write a country in two letters, such as GB.']);
        }
        if (array_filter(array_keys(self::COLUMNS), fn (string $column): bool => isset($tariff[$column][$country])) !== []) {
            throw ValidationException::withMessages(["$place.country" => "$country is there already."]);
        }
        foreach ($prices as $column => $price) {
            $tariff[$column][$country] = $this->micros((string) $price, "$place.$column");
        }

        return $tariff;
    }

    private function micros(string $written, string $field): int
    {
        $written = str_replace(',', '.', trim($written));

        return preg_match('/^\d{1,4}(\.\d{1,6})?$/D', $written === '' ? '0' : $written) === 1
            ? (int) round((float) $written * 1_000_000)
            : throw ValidationException::withMessages([$field => "“{$written}” is no price. One such as 0.032 is expected."]);
    }
}
