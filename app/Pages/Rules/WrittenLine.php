<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Prose\Line;
use Linnet\Core\Prose\LineKind;
use Linnet\Core\Prose\Part;
use Linnet\Core\Rule\Step\Texting;

/** One sentence on the rule's page. */
final readonly class WrittenLine
{
    /** What a rule may say, and need not. */
    private const CLOSINGS = [
        '$.stop_early.while', '$.stop_early.we_write', '$.goal', '$.release', '$.replies', '$.days',
    ];

    /**
     * @param  int  $number  of its line in the rule's text
     * @param  Texting|null  $texting  the text it sends
     * @param  list<Gap>  $gaps  where another can be written behind it
     */
    public function __construct(public int $number, public Line $line, public ?Texting $texting, public array $gaps, public bool $canMoveUp)
    {
    }

    /** What it can be read and completed as. */
    public function which(): string
    {
        return match ($this->line->kind) {
            LineKind::Beginning => 'beginning',
            LineKind::Steps => 'steps',
            LineKind::Answer => 'answer',
            LineKind::Wording => 'wording',
            LineKind::Branch => 'case',
            LineKind::Closing => 'closing',
        };
    }

    /** The sentence without its last sign, as one types it. */
    public function sentence(): string
    {
        return Part::join($this->line->parts);
    }

    /** Whether it can be moved, copied and taken out. */
    public function isMovable(): bool
    {
        return in_array($this->line->kind, [LineKind::Steps, LineKind::Answer, LineKind::Wording], true);
    }

    public function isRemovable(): bool
    {
        return $this->isMovable() ||
            ($this->line->kind === LineKind::Branch && $this->sentence() !== 'go on') ||
            ($this->line->kind === LineKind::Closing &&
                in_array($this->line->path, self::CLOSINGS, true));
    }

    /** Nothing is done here: said, not written. */
    public function isGoOn(): bool
    {
        return $this->line->kind === LineKind::Branch && $this->sentence() === 'go on';
    }

    /**
     * The sentence in pieces, each with what stands before it: where a word is put in its place, the rest stays.
     *
     * @return list<array{part: Part, space: string, said: string, before: string, after: string}>
     */
    public function pieces(): array
    {
        $pieces = [];
        $before = '';
        $whole = $this->sentence();
        foreach ($this->line->parts as $i => $part) {
            $space = Part::isApart($before, $part->text) ? ' ' : '';
            $before .= $space;
            $said = match (true) {
                $i === 0 => Line::capital($part->text),
                // An address says little to a reader; its end tells one picture from another.
                $part->kind === 'picture' => '"'.mb_strimwidth(basename(trim($part->text, '"')), 0, 24, '…', 'UTF-8').'"',
                default => $part->text,
            };
            $pieces[] = [
                'part' => $part, 'space' => $space, 'said' => $said, 'before' => $before,
                'after' => substr($whole, strlen($before.$part->text)),
            ];
            $before .= $part->text;
        }

        return $pieces;
    }

    /** The sign it ends with. */
    public function end(): string
    {
        return substr($this->line->sentence(), strlen($this->sentence()));
    }
}
