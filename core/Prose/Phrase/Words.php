<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Synonyms;
use Linnet\Core\Prose\Token;
use Linnet\Core\Prose\Written;

/** Fixed words. Articles and commas are free, and each word may be said by its synonyms. */
final readonly class Words implements Phrase
{
    /** @var list<string> folded */
    private array $words;

    /** @var list<string> as they are written */
    private array $said;

    /** @param  string|null  $kind  what can be put in their place, where they can be changed */
    public function __construct(private string $text, private ?string $kind = null)
    {
        $tokens = Token::all($text);
        $this->words = array_column($tokens, 'folded');
        $this->said = array_column($tokens, 'text');
    }

    public function write(array $value): iterable
    {
        yield new Written($this->text === '' ? [] : [new Part($this->text, $this->kind)], $value);
    }

    public function read(Reading $in, int $at): iterable
    {
        foreach ($this->ends($in, $at) as $end) {
            yield new Found([], $end);
        }
    }

    /** @return list<int> the tokens behind them, for every way to read them */
    public function ends(Reading $in, int $at): array
    {
        $places = [$at];
        $skipped = [];
        foreach ($this->words as $i => $word) {
            $next = $skips = [];
            foreach ($places as $place) {
                array_push($next, ...self::behind($in, $place, $word));
                if (Synonyms::isFree($word)) {
                    $next[] = $skips[] = $place;
                }
                // What is looked for behind a free word that was left out was looked for with it already.
                if (! in_array($place, $skipped, true)) {
                    $in->expectWords($place, self::joined(array_slice($this->said, $i)));
                }
            }
            if ($next === []) {
                return [];
            }
            $places = array_values(array_unique($next));
            $skipped = $skips;
        }

        return $places;
    }

    /** @return list<int> */
    private static function behind(Reading $in, int $at, string $word): array
    {
        return in_array($in->tokens[$at]->folded ?? null, Synonyms::of($word), true) ? [$at + 1] : [];
    }

    /** @param  list<string>  $words */
    private static function joined(array $words): string
    {
        return Part::join(array_map(fn (string $word): Part => new Part($word), $words));
    }
}
