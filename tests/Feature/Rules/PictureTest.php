<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;

/** The picture that goes with a text. */
final class PictureTest extends FrontDeskTestCase
{
    /** A PNG of one point. */
    private const POINT = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake();
    }

    public function testAPictureIsKeptHandedOverPricedAndTakenOff(): void
    {
        $this->add((string) base64_decode(self::POINT, true))->assertSessionHasNoErrors();
        $address = $this->rule->refresh()->written()->toDocument()['steps'][1]['picture'] ?? '';
        self::assertMatchesRegularExpression('#/pictures/[0-9a-f]{32}\.png$#', (string) $address);
        $this->get((string) $address)->assertOk()->assertHeader('Content-Type', 'image/png');
        $this->get(route('rules.show', $this->rule))->assertSee((string) $address);
        $this->post(route('rules.draft.publish', $this->rule));
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        self::assertSame($address, $this->handedOver[0]['picture'] ?? null);

        $this->delete(route('rules.pictures.destroy', [$this->rule, 'first']))->assertSessionHasNoErrors();
        self::assertArrayNotHasKey('picture', $this->rule->refresh()->written()->toDocument()['steps'][1]);
        $this->delete(route('rules.pictures.destroy', [$this->rule, 'breathe']))->assertNotFound();
        $this->get('/pictures/'.str_repeat('0', 32).'.png')->assertNotFound();
    }

    public function testWhatIsNoPictureOrTooLargeIsRefusedAtItsPlace(): void
    {
        $this->add('<svg onload="alert(1)"/>')->assertSessionHasErrors(['picture-first' => 'This is no JPEG, PNG or GIF picture.']);
        $this->add(base64_decode(self::POINT, true).str_repeat('x', 700_000))->assertSessionHasErrors('picture-first');
        self::assertSame([], Storage::allFiles());
    }

    public function testWhereAPhotographWasTakenStaysBehind(): void
    {
        $exif = "\xFF\xE1".pack('n', 30)."Exif\0\0GPS 51.5074, -0.1278....";
        $this->add(
            "\xFF\xD8\xFF\xE0".
                pack('n', 16).
                "JFIF\0\x01\x01\0\0\x01\0\x01\0\0".
                $exif.
                "\xFF\xC0".
                pack('n', 11).
                "\x08\0\x01\0\x01\x01\x01\x11\0".
                "\xFF\xD9",
        )->assertSessionHasNoErrors();

        self::assertStringNotContainsString('GPS', (string) Storage::get(Storage::allFiles()[0]));
        self::assertStringStartsWith("\xFF\xD8\xFF\xE0", (string) Storage::get(Storage::allFiles()[0]));
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function add(string $content): \Illuminate\Testing\TestResponse
    {
        return $this->post(route('rules.pictures.store', [$this->rule, 'first']), [
            'picture' => UploadedFile::fake()->createWithContent('quay.png', $content),
        ]);
    }
}
