<?php

declare(strict_types=1);

namespace App\Api;

use App\Intake\ChangeOrigin;
use App\Models\Business;
use App\Models\RecordType;
use App\Models\Staff;
use App\Sentences\Sentence;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Laravel\Sanctum\PersonalAccessToken;
use Linnet\Core\Document\Nearest;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\Targets;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Number\PhoneNumber;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\Place;

/** Reads what a request says, with what is wrong of it by field. */
final class RequestParser
{
    public static function origin(Request $request): ChangeOrigin
    {
        $staff = $request->user();
        $token = $staff instanceof Staff ? $staff->currentAccessToken() : null;

        return ChangeOrigin::api(
            $staff instanceof Staff ? $staff : abort(401),
            $token instanceof PersonalAccessToken ? (string) $token->getAttribute('name') : '',
        );
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @return array<string, scalar|null>
     *
     * @throws ValidationException
     */
    public static function fields(RecordType $type, array $said): array
    {
        return self::normalize($type->read()->fields, $said, 'fields.');
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @param  string  $at  what stands before the names in the request
     *
     * @throws ValidationException
     */
    public static function person(array $said, string $at): PersonInput
    {
        $own = array_diff_key(Targets::person(), ['zone' => 1]) + ['time_zone' => Targets::person()['zone']];
        $values = self::normalize($own, array_diff_key($said, ['fields' => 1]), $at);
        $zone = $values['time_zone'] ?? null;
        if ($zone !== null && ! in_array($zone, \DateTimeZone::listIdentifiers(), true)) {
            throw ValidationException::withMessages([
                "{$at}time_zone" => Sentence::of(Refused::value('not_a_zone', 'time_zone', $zone)->reason()),
            ]);
        }
        $fields = is_array($said['fields'] ?? null) ? self::normalize(RecordType::people()->read()->fields, $said['fields'], "{$at}fields.") : [];
        $text = fn (string $key): ?string => isset($values[$key]) ? (string) $values[$key] : null;

        return new PersonInput(
            $text('external_id'),
            isset($values['number']) ? self::number((string) $values['number']) : null,
            $text('email'),
            array_filter(
                [
                    'first_name' => $text('first_name'), 'last_name' => $text('last_name'), 'zone' => $text('time_zone'),
                    'locale' => $text('locale'),
                ],
                fn (?string $value): bool => $value !== null,
            ),
            $fields,
        );
    }

    public static function number(string $written): ?PhoneNumber
    {
        try {
            return Numbers::read($written, Business::ours()->country);
        } catch (NotANumber) {
            return null;
        }
    }

    /**
     * Does something the door may refuse.
     *
     * @template T
     *
     * @param  \Closure(): T  $do
     * @return T
     *
     * @throws ValidationException
     */
    public static function mended(\Closure $do): mixed
    {
        try {
            return $do();
        } catch (Refused $e) {
            throw ValidationException::withMessages(['fields' => Sentence::of($e->reason())]);
        }
    }

    /**
     * @param  array<string, Field>  $fields
     * @param  array<array-key, mixed>  $said
     * @return array<string, scalar|null>
     *
     * @throws ValidationException
     */
    private static function normalize(array $fields, array $said, string $at): array
    {
        $business = Business::ours();
        $place = new Place($business->country, $business->zone);
        $values = $wrong = [];
        foreach ($said as $key => $value) {
            $field = $fields[$key] ?? null;
            if ($field === null) {
                $nearest = Nearest::to((string) $key, array_keys($fields));
                $wrong[$at.$key] = 'There is no such field.'.($nearest === null ? '' : " Did you mean “{$nearest}”?");

                continue;
            }
            try {
                $values[$field->key === 'zone' && $key === 'time_zone' ? 'time_zone' : $field->key] = FieldNormalizer::into(
                    $field, is_int($value) && $field->kind->isReference() ? "#$value" : $value, $place, (string) $key,
                );
            } catch (Refused $e) {
                $wrong[$at.$key] = Sentence::of($e->reason());
            }
        }

        return $wrong === [] ? $values : throw ValidationException::withMessages($wrong);
    }
}
