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

/** What a text costs. Texts that went keep the price of then. */
final class TariffController
{
    private const TABLES = ['per_part' => 'elsewhere', 'inbound' => 'inbound_elsewhere', 'picture' => 'picture_elsewhere'];

    public function __invoke(Request $request): RedirectResponse
    {
        $rules = ['currency' => 'required|string|max:10'];
        foreach (self::TABLES as $table => $elsewhere) {
            $rules += [$table => 'nullable|string|max:4000', $elsewhere => 'nullable|string|max:20'];
        }
        $said = $request->validate($rules, ['currency.required' => 'Give a currency of three letters, or credits.']);
        $tariff = ['currency' => strtolower(trim($said['currency'])) === 'credits' ? 'credits' : strtoupper(trim($said['currency']))];
        foreach (self::TABLES as $table => $elsewhere) {
            $tariff[$table] = (object) $this->table($said[$table] ?? '', $table);
            $tariff[$elsewhere] = $this->micros($said[$elsewhere] ?? '0', $elsewhere);
        }
        $tariff = json_decode((string) json_encode($tariff), true);
        try {
            Tariff::read(Doc::of($tariff));
        } catch (Unreadable $e) {
            $problem = $e->problems[0];
            throw ValidationException::withMessages([
                preg_match('/^\$\.(\w+)/', $problem->path, $found) === 1 ? $found[1] : 'currency' => Sentence::of($problem->reason),
            ]);
        }
        Business::current()->update(['tariff' => $tariff]);

        return redirect()->route('settings.index')->with('done', 'The prices hold for every text from now on.');
    }

    /** @return array<string, int> millionths by country */
    private function table(string $written, string $field): array
    {
        $prices = [];
        foreach (array_filter(array_map(trim(...), preg_split('/[\n;]+/', $written) ?: [])) as $row) {
            if (preg_match('/^([A-Za-z]{2})[\s:=]+(\S+)$/', $row, $part) !== 1) {
                throw ValidationException::withMessages([
                    $field => "“{$row}” is no country with its price. Write each on a line of its own, such as GB 0.032.",
                ]);
            }
            $prices[strtoupper($part[1])] = $this->micros($part[2], $field);
        }

        return $prices;
    }

    private function micros(string $written, string $field): int
    {
        $written = str_replace(',', '.', trim($written));

        return preg_match('/^\d{1,4}(\.\d{1,6})?$/D', $written === '' ? '0' : $written) === 1
            ? (int) round((float) $written * 1_000_000)
            : throw ValidationException::withMessages([$field => "“{$written}” is no price. One such as 0.032 is expected."]);
    }
}
