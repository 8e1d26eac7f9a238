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
 * @property ActivationState $power
 */
final class Form extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['confirmed_by_text' => 'boolean', 'power' => ActivationState::class];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }
}
