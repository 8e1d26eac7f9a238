<?php

declare(strict_types=1);

namespace Standins;

use Demo\People;
use Illuminate\Support\Facades\DB;

/** Everybody's telephones, and what is on them. */
final class Handsets
{
    public const LINES = ['+447700900100' => 'the front desk', '+447700900101' => 'the workshop'];

    /**
     * The handsets, those with the newest text first.
     *
     * @return list<array{number: string, name: string, pretty: string, handset: string, last: string|null}>
     */
    public function shelf(string $find): array
    {
        $newest = DB::table('texts')->selectRaw('max(id) as id, "to" as number')->whereNotNull('key')->groupBy('to')->pluck('id', 'number');
        $last = DB::table('texts')->whereIn('id', $newest->values())->pluck('text', 'to');
        $phones = [];
        foreach (People::all() as $person) {
            $name = self::name($person);
            if (
                $find === '' ||
                mb_stripos("$name {$person['number']} ".str_replace(' ', '', self::pretty($person['number'])), $find, 0, 'UTF-8') !==
                    false
            ) {
                $phones[] = [
                    'number' => $person['number'], 'name' => $name, 'pretty' => self::pretty($person['number']),
                    'handset' => $person['handset'], 'last' => $last[$person['number']] ?? null,
                ];
            }
        }
        usort($phones, fn (array $a, array $b): int => ($newest[$b['number']] ?? 0) <=> ($newest[$a['number']] ?? 0));

        return $phones;
    }

    public function owner(string $number): string
    {
        $person = People::of($number);

        return $person === null ? self::pretty($number) : self::name($person);
    }

    /** @return list<array{text: string, picture: string|null, own: bool, when: string, line: string, number: string}> oldest first */
    public function texts(string $number): array
    {
        $texts = DB::table('texts')->where(fn ($query) => $query->where('to', $number)->where('fate', 'arrived'))->orWhere('from', $number)
            ->orderByDesc('id')->limit(60)->get();

        return array_values(
            $texts
                ->reverse()
                ->map(
                    fn (object $text): array => [
                        'text' => (string) $text->text,
                        'picture' => $text->picture === null ? null : route('handset.picture', ['ref' => $text->ref]),
                        'own' => $text->from === $number,
                        'when' => (new \DateTimeImmutable((string) $text->at, new \DateTimeZone('UTC')))
                            ->setTimezone(new \DateTimeZone('Europe/London'))
                            ->format('D j M H:i'),
                        'line' => self::LINES[$text->from] ?? self::pretty((string) $text->from),
                        'number' => (string) ($text->from === $number ? $text->to : $text->from),
                    ],
                )
                ->all(),
        );
    }

    /** @param  array<string, string>  $person */
    private static function name(array $person): string
    {
        $name = trim(($person['first_name'] ?? '').' '.($person['last_name'] ?? ''));

        return $name === '' ? 'Nobody we know' : $name;
    }

    private static function pretty(string $e164): string
    {
        $places = str_starts_with($e164, '+1') ? '/^(\+1)(\d{3})(\d{3})(\d{4})$/' : '/^(\+44|\+61|\+33|\+353)(\d{2,4})(\d{3})(\d+)$/';

        return preg_replace($places, '$1 $2 $3 $4', $e164) ?? $e164;
    }
}
