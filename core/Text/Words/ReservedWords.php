<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

use Linnet\Core\Document\Doc;

/** The words that are always obeyed, whatever a rule says. */
final readonly class ReservedWords
{
    /** @var list<string> */
    private array $plainOptOut;

    /**
     * @param  list<string>  $optOut
     * @param  list<string>  $optIn
     * @param  list<string>  $help
     */
    private function __construct(private array $optOut, private array $optIn, private array $help)
    {
        $this->plainOptOut = array_map(Folded::plainly(...), $optOut);
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('opt_out', 'opt_in', 'help');
        $words = fn (string $key): array => $doc->each($key, fn (Doc $word): string => $word->self(
            fn (mixed $v): ?string => is_string($v) && Folded::of($v) !== '' ? Folded::of($v) : null, 'text_expected',
        ), 1, 50);

        return new self($words('opt_out'), $words('opt_in'), $words('help'));
    }

    public function meaning(string $text): Meaning
    {
        $folded = Folded::of($text);
        $plain = Folded::plainly($text);

        return match (true) {
            in_array($folded, $this->optOut, true),
            $plain !== '' && in_array($plain, $this->plainOptOut, true) => Meaning::OptOut,
            in_array($folded, $this->optIn, true) => Meaning::OptIn,
            in_array($folded, $this->help, true) => Meaning::Help,
            default => Meaning::Talk,
        };
    }
}
