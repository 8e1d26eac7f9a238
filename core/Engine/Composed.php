<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Record\Business;
use Linnet\Core\Record\Facts;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Text\FirstTextAdditions;
use Linnet\Core\Text\Length;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** A text as it would leave at one moment: its words, its length, its price. */
final readonly class Composed
{
    /**
     * @param  string  $words  as they stood before Linnet's own additions
     * @param  int  $price  millionths of the currency's unit
     * @param  array<string, string>  $links  where its short links lead, by their code
     */
    private function __construct(
        public string $body,
        public string $words,
        public Length $length,
        public int $price,
        public array $links = [],
    ) {
    }

    /**
     * @param  bool  $first  the first automatic text on its line to this person
     * @param  string  $seed  decides between alternatives
     * @param  bool  $oneWay  it leaves from a name, which cannot be answered
     *
     * @throws TemplateError where a value is missing with nothing to say instead
     */
    public static function of(
        Template $template,
        Facts $facts,
        Receiver $to,
        Business $business,
        \DateTimeImmutable $now,
        bool $first,
        string $seed,
        bool $oneWay = false,
        bool $picture = false,
    ): self {
        $links = $business->links();
        $body = (new Renderer($facts, $now, $to->zone, $to->locale, $business->tariff->currency, $seed, $links))->render($template);

        return self::made(
            $first ? FirstTextAdditions::around($body, $business->name, $business->stopLine($oneWay)) : $body, $links->spelt($body), $to,
            $business, $picture, $links->made(),
        );
    }

    /** A text that is words already, such as one typed by staff. */
    public static function plain(string $body, Receiver $to, Business $business, bool $picture = false): self
    {
        return self::made($body, $body, $to, $business, $picture, []);
    }

    /** @param  array<string, string>  $links */
    private static function made(string $body, string $words, Receiver $to, Business $business, bool $picture, array $links): self
    {
        $length = Length::of($body);

        return new self($body, $words, $length, $business->tariff->price($to->country, $length->parts, $picture), $links);
    }
}
