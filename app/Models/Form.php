<?php

declare(strict_types=1);

namespace App\Models;

use Linnet\Core\Record\ActivationState;

/**
 * A page of ours that anybody may fill in.
 *
 * @property int $id
 * @property string $key its name in the address, and in rules
 * @property string $name
 * @property string|null $wording what agreeing to marketing texts says; null where it does not ask
 * @property bool $confirmed_by_text agreeing counts only once it is confirmed by text
 * @property string|null $line the key of the line that asks
 * @property string|null $thanks what is said when it was sent
 * @property list<array{path: string, required: bool}>|null $asks what it asks for besides name and number
 * @property string|null $adds the key of the type of record it adds; null for none
 * @property string|null $colour of its page, #RRGGBB
 * @property list<string>|null $origins pages of others that may show it and send it in
 * @property string|null $back where one comes to once it is sent, if not to our thanks
 * @property ActivationState $power
 */
final class Form extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['confirmed_by_text' => 'boolean', 'asks' => 'array', 'origins' => 'array', 'power' => ActivationState::class];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }
}
