<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Pages\Words\Tokens;
use App\Rules\Casting;
use Linnet\Core\Prose\Line;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Starter\Starter;

/** A starter, to be read, seen on somebody made up, and given one's own parts. */
final readonly class StarterPage
{
    public Rehearsed $rehearsed;

    public TimeLine $timeLine;

    /** @var list<Line> */
    public array $lines;

    public function __construct(public Starter $starter, public Casting $casting, UnitOfWork $unit, public Business $business)
    {
        $this->rehearsed = MadeUp::of($starter, $unit, $business);
        $type = $starter->types[$starter->rule->trigger->type()] ?? null;
        $this->timeLine = new TimeLine(
            $this->rehearsed, $business->gatePolicy()->serviceHours, $business->zone, mb_strtolower($type->name ?? 'now', 'UTF-8'),
            $starter->rule,
        );
        $this->lines = (new RuleWriter($starter->language))->lines($starter->rule);
    }

    /** What is filled into its texts, as one reads it. */
    public function tokens(): Tokens
    {
        return new Tokens($this->starter->language->words, $this->starter->rule->trigger->type());
    }

    public static function of(Starter $starter, Casting $casting, UnitOfWork $unit): self
    {
        return new self($starter, $casting, $unit, Business::current());
    }
}
