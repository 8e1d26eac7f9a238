<?php

declare(strict_types=1);

namespace Tests\Core\Gate;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\Tariff;
use PHPUnit\Framework\TestCase;

final class TariffTest extends TestCase
{
    public function testEveryPartCostsWhatItsCountryCosts(): void
    {
        $tariff = Tariff::read(Doc::of(['currency' => 'GBP', 'per_part' => ['GB' => 32_000], 'elsewhere' => 90_000]));

        self::assertSame(
            [32_000, 96_000, 180_000, 0],
            [$tariff->price('GB', 1), $tariff->price('GB', 3), $tariff->price('NZ', 2), $tariff->price('GB', 0)],
        );
    }

    public function testAPriceBelowNothingIsRefusedAtItsPlace(): void
    {
        try {
            Tariff::read(Doc::of(['currency' => 'GBP', 'per_part' => ['GB' => -1], 'elsewhere' => 0]));
            self::fail('It was read.');
        } catch (Unreadable $e) {
            self::assertSame('$.per_part.GB', $e->problems[0]->path);
        }
    }
}
